/**
 * The standard normal distribution function, accurate to about 1e-15 relative in both tails.
 * Source: W. J. Cody, "Rational Chebyshev approximations for the error function",
 * Mathematics of Computation 23 (1969), 631-637. The conformance probabilities of JCGM 106 live in
 * the tails, where the common five-figure approximations are no use.
 */
const A = [
  3.1611237438705655, 113.86415415105016, 377.485237685302, 3209.3775891384694, 0.18577770618460315,
];
const B = [23.601290952344122, 244.02463793444417, 1282.6165260773723, 2844.236833439171];
const C = [
  0.5641884969886701, 8.883149794388377, 66.11919063714163, 298.6351381974001, 881.952221241769,
  1712.0476126340707, 2051.0783778260716, 1230.3393547979972, 2.1531153547440383e-8,
];
const D = [
  15.744926110709835, 117.6939508913125, 537.1811018620099, 1621.3895745666903, 3290.7992357334597,
  4362.619090143247, 3439.3676741437216, 1230.3393548037495,
];
const P = [
  0.30532663496123236, 0.36034489994980445, 0.12578172611122926, 0.016083785148742275,
  0.0006587491615298378, 0.016315387137302097,
];
const Q = [
  2.568520192289822, 1.8729528499234673, 0.5279051029514285, 0.06051834131244132,
  0.0023352049762686918,
];
const ONE_OVER_SQRT_PI = 0.5641895835477563;

/** Ratio of polynomials in Cody's arrangement: numerator led by its last coefficient. */
function ratio(x: number, top: readonly number[], bottom: readonly number[]): number {
  const n = bottom.length;
  let numerator = (top[n] ?? 0) * x;
  let denominator = x;
  for (let i = 0; i < n - 1; i += 1) {
    numerator = (numerator + (top[i] ?? 0)) * x;
    denominator = (denominator + (bottom[i] ?? 0)) * x;
  }
  return (numerator + (top[n - 1] ?? 0)) / (denominator + (bottom[n - 1] ?? 0));
}

/** exp(-y²) with the square split, so that large y keeps its leading digits (Cody's device). */
function expMinusSquare(y: number): number {
  const coarse = Math.trunc(y * 16) / 16;
  return Math.exp(-coarse * coarse) * Math.exp(-(y - coarse) * (y + coarse));
}

/**
 * Complementary error function, 1 - erf(x).
 * @returns in [0, 2]; 0 beyond x = 27, where the true value underflows.
 */
export function erfc(x: number): number {
  const y = Math.abs(x);
  // Beyond this the tail is below the smallest number, and infinity times zero would be none.
  if (y > 27) return x < 0 ? 2 : 0;
  if (y <= 0.46875) return 1 - x * ratio(y * y, A, B);
  let tail: number;
  if (y <= 4) {
    tail = expMinusSquare(y) * ratio(y, C, D);
  } else {
    const z = 1 / (y * y);
    tail = (expMinusSquare(y) * (ONE_OVER_SQRT_PI - z * ratio(z, P, Q))) / y;
  }
  return x < 0 ? 2 - tail : tail;
}

/** Φ(z): probability that a standard normal variable is at most z. Φ(±∞) are 1 and 0. */
export function normalCdf(z: number): number {
  return 0.5 * erfc(-z / Math.SQRT2);
}

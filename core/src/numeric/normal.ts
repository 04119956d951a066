/**
 * The standard normal distribution function, accurate to about 1e-15 relative in both tails.
 * Source: W. J. Cody, "Rational Chebyshev approximations for the error function",
 * Mathematics of Computation 23 (1969), 631-637. The conformance probabilities of JCGM 106 live in
 * the tails, where the common five-figure approximations are no use.
 */
const A = [
  3.1611237438705656, 113.864154151050156, 377.485237685302021, 3209.37758913846947,
  0.185777706184603153,
];
const B = [23.6012909523441209, 244.024637934444173, 1282.61652607737228, 2844.23683343917062];
const C = [
  0.564188496988670089, 8.88314979438837594, 66.1191906371416295, 298.635138197400131,
  881.95222124176909, 1712.04761263407058, 2051.07837782607147, 1230.33935479799725,
  2.15311535474403846e-8,
];
const D = [
  15.7449261107098347, 117.693950891312499, 537.181101862009858, 1621.38957456669019,
  3290.79923573345963, 4362.61909014324716, 3439.36767414372164, 1230.33935480374942,
];
const P = [
  0.305326634961232344, 0.360344899949804439, 0.125781726111229246, 0.0160837851487422766,
  6.58749161529837803e-4, 0.0163153871373020978,
];
const Q = [
  2.56852019228982242, 1.87295284992346725, 0.527905102951428412, 0.0605183413124413191,
  0.00233520497626869185,
];
const ONE_OVER_SQRT_PI = 0.564189583547756287;

/** Ratio of polynomials in Cody's arrangement: numerator led by its last coefficient. */
function ratio(x: number, top: readonly number[], bottom: readonly number[]): number {
  const n = bottom.length;
  let numerator = top[n]! * x;
  let denominator = x;
  for (let i = 0; i < n - 1; i += 1) {
    numerator = (numerator + top[i]!) * x;
    denominator = (denominator + bottom[i]!) * x;
  }
  return (numerator + top[n - 1]!) / (denominator + bottom[n - 1]!);
}

/** exp(-y²) with the square split, so that large y keeps its leading digits (Cody's device). */
function expMinusSquare(y: number): number {
  const coarse = Math.trunc(y * 16) / 16;
  return Math.exp(-coarse * coarse) * Math.exp(-(y - coarse) * (y + coarse));
}

/**
 * Complementary error function, 1 - erf(x).
 * @returns in [0, 2]; 0 beyond x ≈ 26.5, where the true value underflows.
 */
export function erfc(x: number): number {
  const y = Math.abs(x);
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

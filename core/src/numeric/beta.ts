/**
 * The beta distribution: its share below a point, and the point below which a share lies.
 * Sources: the continued fraction DLMF 8.17.22 by the modified Lentz method; the logarithm of the gamma function
 * by Lanczos (g = 7, nine terms), good to 1e-14 for the arguments here.
 */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313,
  -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6,
  1.5056327351493116e-7,
];
const HALF_LOG_TWO_PI = 0.9189385332046727;

/** ln Γ(x) for x > 0. */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const z = x - 1;
  const t = z + 7.5;
  let sum = LANCZOS[0] ?? 0;
  for (let i = 1; i < LANCZOS.length; i += 1) sum += (LANCZOS[i] ?? 0) / (z + i);
  return HALF_LOG_TWO_PI + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

const MOST_TERMS = 500;
const ENOUGH = 1e-15;
const TINY = 1e-300;

function fraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1));
  let value = d;
  for (let m = 1; m <= MOST_TERMS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / nonZero(1 + even * d);
    c = nonZero(1 + even / c);
    value *= c * d;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + odd * d);
    c = nonZero(1 + odd / c);
    value *= c * d;
    if (Math.abs(c * d - 1) < ENOUGH) break;
  }
  return value;
}

const nonZero = (x: number): number => (Math.abs(x) < TINY ? TINY : x);

/** Share of Beta(a, b) at or below x: the regularised incomplete beta function. @param a, b - Above zero. */
export function betaCdf(x: number, a: number, b: number): number {
  if (!(x > 0)) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(
    logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x),
  );
  // The fraction is quick below the mean; above it the other side is taken.
  return x < (a + 1) / (a + b + 2)
    ? (front * fraction(x, a, b)) / a
    : 1 - (front * fraction(1 - x, b, a)) / b;
}

/** The point below which a share of Beta(a, b) lies, to 1e-12. @param share - 0 to 1. */
export function betaQuantile(share: number, a: number, b: number): number {
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  let [low, high] = [0, 1];
  // Halving: sixty steps are exact, and it cannot run away where the density is steep.
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (betaCdf(middle, a, b) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

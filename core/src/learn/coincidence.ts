/**
 * How seldom chance alone brings so many of a kind: the upper tail of a Poisson distribution. Where it is below one
 * in a hundred, it is worth asking what they share.
 */

/** Below it a pattern is told. */
export const WORTH_ASKING = 0.01;

/**
 * Chance of `k` or more where `mean` are expected.
 * @param k - Whole, 0 or more. @param mean - 0 or more.
 * @throws {RangeError} for anything else.
 */
export function chanceOfSoMany(k: number, mean: number): number {
  if (!Number.isInteger(k) || k < 0 || !Number.isFinite(mean) || mean < 0)
    throw new RangeError('A count is whole and not negative, and so many are expected or none.');
  if (k === 0) return 1;
  if (mean === 0) return 0;
  return k > mean ? from(k, mean) : 1 - below(k, mean);
}

/** The terms from k on, added while they count: nothing is lost by taking a small one from 1. */
function from(k: number, mean: number): number {
  let term = termAt(k, mean);
  let sum = 0;
  for (let i = k; term > sum * 1e-17; i += 1) {
    sum += term;
    term *= mean / (i + 1);
  }
  return sum;
}

function below(k: number, mean: number): number {
  let sum = 0;
  for (let i = 0; i < k; i += 1) sum += termAt(i, mean);
  return Math.min(1, sum);
}

function termAt(k: number, mean: number): number {
  let log = -mean;
  for (let i = 1; i <= k; i += 1) log += Math.log(mean / i);
  return Math.exp(log);
}

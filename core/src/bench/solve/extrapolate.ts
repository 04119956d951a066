/**
 * A guess at where a circuit under a sine will end. After every turn the state of what it stores is a
 * nearly linear function of the one before, so a few turns foretell the state that repeats itself. Slow
 * modes, a hundred turns long, are found in a handful.
 *
 * @see Eddy, “Extrapolating to the limit of a vector sequence” (1979): reduced rank extrapolation.
 */
import { sqrt } from '../arithmetic';
import type { State } from './stored';
import { nth } from '../../numeric/nth';

/**
 * The fixed point that a sequence of states, each made from the one before, is heading for: the mix
 * of the states whose steps cancel best.
 * @param states - At least three.
 * @returns undefined where the steps say nothing.
 */
export function limitOf(states: readonly State[]): State | undefined {
  const steps = states
    .slice(1)
    .map((state, k) => state.map((value, i) => value - (nth(states, k)[i] ?? 0)));
  const weights = cancelling(steps);
  if (!weights) return undefined;
  const limit = new Float64Array(nth(states, 0).length);
  for (const [k, weight] of weights.entries())
    for (let i = 0; i < limit.length; i += 1)
      limit[i] = (limit[i] ?? 0) + weight * (nth(states, k + 1)[i] ?? 0);
  return limit.every(Number.isFinite) ? limit : undefined;
}

/** Below this share of its own length, squared, a step adds nothing new to the ones after it. */
const DEPENDENT = 1e-18;

/**
 * Weights of sum 1 that make the weighted sum of vectors as short as can be. By Gram and Schmidt on
 * the differences between neighbours, which is enough for a handful.
 */
function cancelling(steps: readonly State[]): number[] | undefined {
  const last = steps.at(-1)!;
  // last + Σ c·(difference) is to be short.
  const differences = steps
    .slice(0, -1)
    .map((step, k) => step.map((v, i) => (nth(steps, k + 1)[i] ?? 0) - v));
  const basis: { readonly q: State; readonly of: number[] }[] = [];
  for (const [k, difference] of differences.entries()) {
    const q = Float64Array.from(difference);
    const of = differences.map((_, j) => Number(j === k));
    const length = dot(q, q);
    for (const each of basis) {
      const share = dot(each.q, q);
      for (let i = 0; i < q.length; i += 1) q[i] = (q[i] ?? 0) - share * (each.q[i] ?? 0);
      for (let j = 0; j < of.length; j += 1) of[j] = (of[j] ?? 0) - share * (each.of[j] ?? 0);
    }
    const left = dot(q, q);
    if (!(left > DEPENDENT * length)) continue;
    const scale = 1 / sqrt(left);
    basis.push({ q: q.map((v) => v * scale), of: of.map((v) => v * scale) });
  }
  if (basis.length === 0) return undefined;
  const c = differences.map(() => 0);
  for (const { q, of } of basis) {
    const share = -dot(q, last);
    for (let j = 0; j < c.length; j += 1) c[j] = (c[j] ?? 0) + share * (of[j] ?? 0);
  }
  // last + Σ c_k (s_{k+1} − s_k), sorted by step.
  return steps.map((_, k) => Number(k === steps.length - 1) + (c[k - 1] ?? 0) - (c[k] ?? 0));
}

export function dot(a: State, b: State): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
}

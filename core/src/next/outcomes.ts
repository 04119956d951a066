/** What an observable could read, under each hypothesis. */
import type { Inference } from '../diagnose/belief';
import { restsOf } from '../diagnose/intermittence';
import { outcomesSpoken, type Spoken } from '../diagnose/likelihood';

/** P(outcome | hypothesis) of every outcome of an observable, `ok` first; each reckoned once. */
export type Outcomes = (observable: string) => readonly (Spoken & { readonly outcome: string })[];

export function outcomesFor({ space, evidence }: Inference): Outcomes {
  const rests = restsOf(space.model, evidence);
  const known = new Map<string, ReturnType<Outcomes>>();
  return (id) => {
    const all = known.get(id) ?? outcomesSpoken(space, id, rests);
    known.set(id, all);
    return all;
  };
}

/** Weights of hypotheses times the probability of a finding. */
export function times(weights: Float64Array, { silent, at, p }: Spoken): Float64Array {
  const product = new Float64Array(weights.length);
  for (let h = 0; h < product.length; h += 1) product[h] = weights[h]! * silent;
  for (let i = 0; i < at.length; i += 1) product[at[i]!] = weights[at[i]!]! * p[i]!;
  return product;
}

/**
 * Whom a finding accuses: a suspect whose odds some reading or answer that was not good multiplies, left
 * out of all the evidence or alone against the prior. Codes, symptoms and the complaint only suggest.
 */
import { nth } from '../numeric/nth';
import { aloneAt, beliefFrom, withoutEach, type Inference } from './belief';
import { isTest, likeliest } from './evidence';
import { oddsRatio } from './odds';

/** Odds multiplied by this accuse. */
export const ACCUSES = 1.5;

/** @returns ids of faults, in the order of the model */
export function accusedBy(inference: Inference): string[] {
  const { space, evidence, belief } = inference;
  const { model } = space;
  const okOf = new Map(model.tests.map((test) => [test.id, test.ok ?? 'ok']));
  const bad = evidence.flatMap((item, i) =>
    isTest(item) && likeliest(item) !== okOf.get(item.test) ? [i] : [],
  );
  const prior = beliefFrom(space, []);
  const without = withoutEach(inference);
  const pairs = bad.map((i) => ({
    without: nth(without, i),
    alone: aloneAt(inference, i),
  }));
  return model.faults
    .filter(({ id }) =>
      pairs.some(
        ({ without, alone }) =>
          oddsRatio(belief.faults[id]!, without.faults[id]!) >= ACCUSES ||
          oddsRatio(alone.faults[id]!, prior.faults[id]!) >= ACCUSES,
      ),
    )
    .map(({ id }) => id);
}

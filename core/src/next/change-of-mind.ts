/** What would change my mind: outcomes that could still come, and would put somebody else first. */
import { knownOf } from '../diagnose/assess';
import { standingFrom } from '../diagnose/belief';
import { ranked, shareOf, whoKey, type Leader } from '../diagnose/leader';
import type { JobState } from '../job/state/state';
import type { Step } from '../job/trail/steps';
import { nth } from '../numeric/nth';
import type { Sheet, Test } from '../sheet/schema';
import { candidates } from './candidates';
import { outcomesFor, times } from './outcomes';

export interface Turn {
  readonly test: Test;
  /** What must be taken before it, in this order. */
  readonly before: readonly Test[];
  /** The first placement of it all. */
  readonly step: Step;
  /** A point of it, or a rule over them. */
  readonly observable: string;
  readonly outcome: string;
  /** Probability that it comes out so, with all before it good. */
  readonly chance: number;
  /** Who would stand first. */
  readonly then: Leader;
  /** What would be left of who stands first now. */
  readonly left: number;
}

/** What hardly ever happens changes nobody's mind. */
const LIKELY_ENOUGH = 0.02;

/** Of each test that can be taken the likeliest such outcome; the likeliest first. Empty: nothing left can turn it. */
export function whatWouldChange(sheet: Sheet, state: JobState): readonly Turn[] {
  const { inference } = knownOf(sheet, state);
  const { space, left, belief } = inference;
  const first = nth(ranked(sheet, belief), 0);
  const outcomes = outcomesFor(inference);
  const turns = candidates(sheet, state).flatMap(
    ({ test, before, step, own, observables }): Turn[] => {
      const good = observables
        .filter((id) => !own.includes(id))
        .reduce((weights, id) => times(weights, nth(outcomes(id), 0)), left);
      return own
        .flatMap((observable) =>
          outcomes(observable).flatMap((each): Turn[] => {
            const weights = times(good, each);
            const chance = weights.reduce((sum, w) => sum + w, 0);
            if (chance < LIKELY_ENOUGH) return [];
            const shares = standingFrom(
              space,
              weights.map((w) => w / chance),
            );
            const then = nth(ranked(sheet, shares), 0);
            if (whoKey(then) === whoKey(first)) return [];
            const left = shareOf(shares, first);
            return [{ test, before, step, observable, outcome: each.outcome, chance, then, left }];
          }),
        )
        .sort((a, b) => b.chance - a.chance)
        .slice(0, 1);
    },
  );
  return turns.sort((a, b) => b.chance - a.chance);
}

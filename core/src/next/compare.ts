/** Two suspects side by side: what speaks for one against the other, and what would tell them apart best. */
import { knownOf } from '../diagnose/assess';
import { isWork } from '../diagnose/evidence';
import type { EvidenceItem } from '../diagnose/suspects';
import { withoutEach } from '../diagnose/belief';
import type { JobState } from '../job/state/state';
import type { Step } from '../job/trail/steps';
import { nth } from '../numeric/nth';
import type { Fault, Sheet, Test } from '../sheet/schema';
import { candidates } from './candidates';
import { effortOfAll, standingOf, type Effort } from '../job/trail/effort';
import { outcomesFor, type Outcomes } from './outcomes';

/** What a suspect shows most in an observable, and how surely. */
export interface Shown {
  readonly outcome: string;
  readonly p: number;
}

export interface Separates {
  readonly test: Test;
  readonly before: readonly Test[];
  /** The first placement of it all. */
  readonly step: Step;
  readonly observable: string;
  readonly shows: readonly [one: Shown, other: Shown];
  /** Total variation distance of what the two show, 0 to 1: 0 says nothing between them, 1 decides. */
  readonly apart: number;
  readonly effort: Effort;
}

export interface Compared {
  /** Odds of one against the other now; Infinity where the other cannot be. */
  readonly odds: number;
  /** What each finding multiplied these odds by, left out of all the others; what says nothing is not there. */
  readonly between: readonly { readonly item: EvidenceItem; readonly factor: number }[];
  /** Best first. */
  readonly tests: readonly Separates[];
}

/** Nearer to one than this says nothing between them. */
const SAYS = 1.05;
/** What is no further apart than this is not worth its minutes. */
const APART = 0.1;
/** Tests that separate about alike are told by their minutes. */
const ALIKE = 0.1;

/** @param now - This device's time, ms. */
export function compareSuspects(
  sheet: Sheet,
  state: JobState,
  [one, other]: readonly [Fault, Fault],
  now: number,
): Compared {
  const { evidence, inference } = knownOf(sheet, state);
  const odds = oddsOf(inference.belief.faults);
  return {
    odds,
    between: withoutEach(inference)
      .map((rest, i) => ({ item: nth(evidence, i), factor: odds / oddsOf(rest.faults) }))
      .filter(({ item, factor }) => !isWork(item.evidence) && Math.max(factor, 1 / factor) > SAYS)
      .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor))),
    tests: separating(),
  };

  function oddsOf(faults: Readonly<Record<string, number>>): number {
    return (faults[one.id] ?? 0) / (faults[other.id] ?? 0);
  }

  function separating(): Separates[] {
    const { space } = inference;
    const outcomes = outcomesFor(inference);
    const from = standingOf(sheet, state, now);
    const alone = ({ id }: Fault) => {
      const f = space.faultIndex.get(id);
      return space.hypotheses.findIndex(({ faults }) => faults.length === 1 && faults[0] === f);
    };
    const [a, b] = [alone(one), alone(other)];
    return candidates(sheet, state)
      .flatMap(({ test, before, step, own }): Separates[] => {
        const best = own
          .map((observable) => told(outcomes, observable, a, b))
          .reduce((x, y) => (y.apart > x.apart ? y : x));
        if (best.apart < APART) return [];
        return [
          { test, before, step, ...best, effort: effortOfAll(sheet, from, [...before, test]) },
        ];
      })
      .sort(
        (x, y) =>
          Math.round(y.apart / ALIKE) - Math.round(x.apart / ALIKE) ||
          x.effort.minutes - y.effort.minutes,
      );
  }
}

function told(outcomes: Outcomes, observable: string, a: number, b: number) {
  const all = outcomes(observable);
  const of = (h: number) =>
    all.map(({ outcome, silent, at, p }): Shown => {
      const i = at.indexOf(h);
      return { outcome, p: i < 0 ? silent : nth(p, i) };
    });
  const [one, other] = [of(a), of(b)];
  const most = (shown: readonly Shown[]) => shown.reduce((x, y) => (y.p > x.p ? y : x));
  return {
    observable,
    shows: [most(one), most(other)] as const,
    apart: one.reduce((sum, { p }, o) => sum + Math.abs(p - nth(other, o).p), 0) / 2,
  };
}

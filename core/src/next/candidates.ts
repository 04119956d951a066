/** What could be measured next: each open test with the untaken ones that feed it. */
import { wantsOf } from '../conditions/wants';
import { isBad } from '../job/findings/is-bad';
import { standsAs } from '../job/findings/owed';
import { energises, shortsOf } from '../job/findings/shorted';
import type { JobState } from '../job/state/state';
import { isAsked, isOpen, stepsOf, type Step } from '../job/trail/steps';
import { testsOf } from '../sheet/all-tests';
import { findTest } from '../sheet/lookup';
import { observablesOf, ruleObservables } from '../sheet/observables';
import type { Sheet, Test } from '../sheet/schema';

export interface Chain {
  readonly test: Test;
  readonly before: readonly Test[];
  readonly step: Step;
  /** In the order of taking; rules after their points. */
  readonly observables: readonly string[];
  /** Those of the test itself. */
  readonly own: readonly string[];
}

/** Every test that could be taken, with the untaken ones that feed it; none that would feed a short. */
export function candidates(sheet: Sheet, state: JobState): Chain[] {
  const shorts = shortsOf(sheet, state);
  // A rule that is judged has said what it has to say.
  const judged = new Set(state.groups.map(({ observable }) => observable));
  const open = stepsOf(sheet).filter((each) => isOpen(state, each));
  const may = (test: Test) =>
    isAsked(state, test) && !energises(sheet, shorts, test) && !fedByBad(sheet, state, test);
  return testsOf(sheet).flatMap((test): Chain[] => {
    const before = untakenBefore(sheet, state, test);
    const all = [...before, test];
    if (!all.every(may)) return [];
    const step = open.find((each) => each.test.id === all[0]!.id);
    if (!step || !open.some((each) => each.test.id === test.id)) return [];
    const of = (each: Test) => [
      ...open.flatMap((one) => (one.test.id === each.id ? [one.observable] : [])),
      ...ruleObservables(each).flatMap(({ id }) => (judged.has(id) ? [] : [id])),
    ];
    return [{ test, before, step, observables: all.flatMap(of), own: of(test) }];
  });
}

/** Feeders and what comes first, not taken so far, the first of them first. */
function untakenBefore(sheet: Sheet, state: JobState, test: Test): Test[] {
  const found: Test[] = [];
  const seen = new Set([test.id]);
  const need = (each: Test) => {
    const { fedBy, after } = wantsOf(sheet, each);
    for (const ref of [...after, ...fedBy]) {
      const id = ref.split('@')[0] ?? ref;
      const first = findTest(sheet, id);
      if (!first || seen.has(id) || standsAs(id, state.current).length > 0) continue;
      // Skipped on purpose: what it feeds can be taken all the same, and says what it is worth without it.
      if (observablesOf(first, sheet).every(({ id: each }) => state.skipped.has(each))) continue;
      seen.add(id);
      need(first);
      found.push(first);
    }
  };
  need(test);
  return found;
}

/** What feeds it read bad: a figure of it would say nothing. */
const fedByBad = (sheet: Sheet, state: JobState, test: Test): boolean =>
  wantsOf(sheet, test).fedBy.some((ref) => standsAs(ref, state.current).some(isBad));

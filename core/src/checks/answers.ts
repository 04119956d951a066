/** Every bad answer to a question speaks for some fault: else giving it only says “not on this sheet”. */
import { sharesOf } from '../diagnose/model';
import { isMeasured, type Sheet } from '../sheet/schema';
import { warning, type SheetProblem } from '../validation/problem';

export function answers(sheet: Sheet): SheetProblem[] {
  const shown = shownAt(sheet);
  return sheet.tests.flatMap((test, t) => {
    if (isMeasured(test)) return [];
    const outcomes = shown.get(test.id);
    return Object.entries(test.answers).flatMap(([answer, outcome]) =>
      outcome === 'ok' || outcomes?.has(outcome)
        ? []
        : [
            warning(
              'mute-answer',
              `/tests/${t}/answers/${answer}`,
              `No fault shows “${outcome}”, so this answer points nowhere: say under a fault’s shows that it does.`,
            ),
          ],
    );
  });
}

/** What any fault shows, by the name of the test. */
function shownAt({ faults }: Sheet): ReadonlyMap<string, ReadonlySet<string>> {
  const shown = new Map<string, Set<string>>();
  for (const fault of faults)
    for (const [name, at] of Object.entries(fault.shows)) {
      const outcomes = shown.get(name) ?? new Set();
      shown.set(name, outcomes);
      for (const outcome of Object.keys(sharesOf(at))) outcomes.add(outcome);
    }
  return shown;
}

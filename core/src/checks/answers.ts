/** Every bad answer to a question speaks for some fault: else giving it only says “not on this sheet”. */
import { sharesOf } from '../diagnose/model';
import { isMeasured, type Sheet } from '../sheet/schema';
import { warning, type SheetProblem } from '../validation/problem';

export function answers(sheet: Sheet): SheetProblem[] {
  return sheet.tests.flatMap((test, t) => {
    if (isMeasured(test)) return [];
    const shown = new Set(
      sheet.faults.flatMap((fault) => {
        const at = fault.shows[test.id];
        return at === undefined ? [] : Object.keys(sharesOf(at));
      }),
    );
    return Object.entries(test.answers).flatMap(([answer, outcome]) =>
      outcome === 'ok' || shown.has(outcome)
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

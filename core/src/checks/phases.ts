/** Every phase of a sequence is reached, and every expectation stands in one. */
import type { Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';

export function phases(sheet: Sheet): SheetProblem[] {
  return (sheet.sequences ?? []).flatMap((sequence, s) => {
    const path = `/sequences/${s}`;
    const ids = sequence.phases.map(({ id }) => id);
    const found: SheetProblem[] = [];
    sequence.phases.forEach((phase, p) => {
      const last = p === ids.length - 1;
      if (!last && phase.until === undefined)
        found.push(
          problem(
            'phase',
            `${path}/phases/${p}/until`,
            `Phase “${phase.id}” never ends, so “${ids[p + 1]}” is never reached: say until what.`,
          ),
        );
      if (ids.indexOf(phase.id) !== p)
        found.push(
          problem(
            'phase',
            `${path}/phases/${p}/id`,
            `Phase “${phase.id}” stands twice; rename one.`,
          ),
        );
    });
    sequence.expects.forEach((expect, e) => {
      if (!ids.includes(expect.phase))
        found.push(
          problem(
            'phase',
            `${path}/expects/${e}/phase`,
            `There is no phase “${expect.phase}”; the sequence has ${ids.join(', ')}.`,
          ),
        );
    });
    return found;
  });
}

/**
 * Every fault shows somewhere, and two faults on different parts differ somewhere: else no measuring
 * can name the part.
 */
import { allObservables, shownBy, type Observable } from '../observables';
import type { Fault, Sheet } from '../schema';
import { problem, warning, type SheetProblem } from './problem';

/** Outcome shares closer than this, at every observable, do not tell two faults apart. */
const ALIKE = 0.1;

export function visibility(sheet: Sheet): SheetProblem[] {
  const observables = allObservables(sheet);
  const shares = sheet.faults.map((fault) => sharesOver(fault, observables));
  const unseen = sheet.faults.flatMap((fault, f) =>
    shares[f]!.some((each) => (each.ok ?? 0) < 1)
      ? []
      : [
          problem(
            'invisible',
            `/faults/${f}/shows`,
            `No test shows “${fault.name}”: say under shows what it makes one of them read.`,
          ),
        ],
  );
  const alike: SheetProblem[] = [];
  for (let f = 0; f < sheet.faults.length; f += 1)
    for (let g = f + 1; g < sheet.faults.length; g += 1) {
      const [a, b] = [sheet.faults[f]!, sheet.faults[g]!];
      if (a.part === b.part || differ(shares[f]!, shares[g]!)) continue;
      alike.push(
        warning(
          'alike',
          `/faults/${g}/shows`,
          `“${a.name}” and “${b.name}” cannot be told apart by this sheet: add a test that reads differently.`,
        ),
      );
    }
  return [...unseen, ...alike];
}

type Shares = Readonly<Record<string, number>>;

const sharesOver = (fault: Fault, observables: readonly Observable[]): Shares[] =>
  observables.map((observable) => {
    const shown = shownBy(fault, observable) ?? 'ok';
    return typeof shown === 'string' ? { [shown]: 1 } : shown;
  });

const differ = (a: readonly Shares[], b: readonly Shares[]): boolean =>
  a.some((one, i) => {
    const other = b[i]!;
    const outcomes = new Set([...Object.keys(one), ...Object.keys(other)]);
    return [...outcomes].some((o) => Math.abs((one[o] ?? 0) - (other[o] ?? 0)) > ALIKE);
  });

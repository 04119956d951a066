/**
 * Checks of a sheet as its author wrote it: first what it says once for several, then every machine that it
 * describes, written out. What is found in a copy is told once, where the author can mend it.
 */
import { expandSheet } from '../sheet/expand/expand';
import { machinesOf, machineWords, type Chosen } from '../sheet/expand/variants';
import type { WrittenSheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';
import { checkSheet } from './check';
import { shape } from './shape';

/** Problems first, then warnings. */
export function checkWritten(written: WrittenSheet): SheetProblem[] {
  const { repeats, variants } = written;
  const standing = shape(written);
  const first = standing.filter(({ severity }) => severity === 'problem');
  // What cannot be written out has no machine to look at.
  if (first.length > 0) return standing;
  if (!repeats?.length && !variants?.length)
    return [...checkSheet(expandSheet(written).sheet), ...standing];
  const machines = machinesOf(variants ?? []);
  const told = new Map<string, Told>();
  for (const chosen of machines) {
    const { sheet, writtenAt, strays } = expandSheet(written, chosen);
    const found = [
      ...strays.map(({ path, placeholder }) =>
        problem(
          'stray',
          path,
          `${placeholder} stands here for no copy: say per on the thing, or take it out.`,
        ),
      ),
      ...checkSheet(sheet),
    ];
    for (const each of found) {
      const path = writtenAt(each.path);
      const key = `${each.code} ${path} ${each.severity}`;
      const before = told.get(key);
      if (!before) told.set(key, { problem: { ...each, path }, with: new Set([chosen]) });
      else before.with.add(chosen);
    }
  }
  const all = [
    ...[...told.values()].map(({ problem: each, with: those }) =>
      those.size === machines.length
        ? each
        : {
            ...each,
            message: `${each.message} So it is with ${machineWords(variants ?? [], [...those][0]!)}.`,
          },
    ),
    ...standing,
  ];
  return [
    ...all.filter(({ severity }) => severity === 'problem'),
    ...all.filter(({ severity }) => severity === 'warning'),
  ];
}

interface Told {
  readonly problem: SheetProblem;
  readonly with: Set<Chosen>;
}

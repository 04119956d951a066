/** Can its machine be proven dead? Every leg, every store, in reach, on limits that make sense. */
import { proveGaps } from '../conditions/gaps';
import { findAccess } from '../sheet/lookup';
import { pairId } from '../sheet/store-observables';
import type { ProvePair, Sheet } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';

export function proving(sheet: Sheet): SheetProblem[] {
  const prove = sheet.safety.prove ?? [];
  const seen = new Set<string>();
  return [
    ...proveGaps(sheet).map(({ path, message }) =>
      // A sheet from before pairs opens; only dead work on it is refused.
      prove.length === 0 && sheet.safety.bus
        ? warning('prove', path, message)
        : problem('prove', path, message),
    ),
    ...prove.flatMap((pair, i) => {
      const path = `/safety/prove/${i}`;
      const id = pairId(pair);
      const twice = seen.has(id);
      seen.add(id);
      return [
        ...(twice
          ? [problem('duplicate', path, `Two pairs are “${id}”; give one of them another id.`)]
          : []),
        ...ofPair(sheet, pair, path),
      ];
    }),
  ];
}

function ofPair(sheet: Sheet, pair: ProvePair, path: string): SheetProblem[] {
  const found: SheetProblem[] = [];
  if (pair.from === pair.to)
    found.push(problem('placing', path, 'A pair begins and ends at the same place; move one end.'));
  if (pair.unplugBelow !== undefined && pair.unplugBelow <= pair.deadBelow)
    found.push(
      problem(
        'limits',
        `${path}/unplugBelow`,
        `A plug may be pulled below ${pair.unplugBelow} V, and dead is below ${pair.deadBelow} V: the first must be the higher one, or left out.`,
      ),
    );
  if (pair.proves && pair.function !== 'V=')
    found.push(
      problem(
        'unit',
        `${path}/function`,
        'A store of charge is proven on V=; AC volts show none of it.',
      ),
    );
  const locked = (pair.access ?? []).flatMap((id) => needsDead(sheet, id));
  if (locked.length > 0)
    found.push(
      problem(
        'reach',
        `${path}/access`,
        `This pair lies under “${locked[0]}”, which may be opened on a dead machine only: nothing could be proven. Give a place that is reached before.`,
      ),
    );
  return found;
}

/** The accesses on the way that themselves want a dead machine. */
function needsDead(sheet: Sheet, id: string, seen = new Set<string>()): string[] {
  const access = findAccess(sheet, id);
  if (!access || seen.has(id)) return [];
  seen.add(id);
  return [
    ...(access.energy === 'dead' ? [access.name ?? access.id] : []),
    ...(access.needs ?? []).flatMap((need) => needsDead(sheet, need, seen)),
  ];
}

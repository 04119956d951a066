/** No two things of a kind bear the same id. */
import { testsOf } from '../sheet/all-tests';
import { codeKey } from '../sheet/codes/match';
import { isMeasured, type Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';
import { nth } from '../numeric/nth';

export function duplicates(sheet: Sheet): SheetProblem[] {
  const lists: Record<string, readonly { id: string }[]> = {
    tests: sheet.tests,
    sequences: sheet.sequences ?? [],
    faults: sheet.faults,
    parts: sheet.parts,
    repairs: sheet.repairs ?? [],
    tries: sheet.tries ?? [],
    symptoms: sheet.symptoms ?? [],
    rules: sheet.rules ?? [],
    paths: sheet.paths ?? [],
    procedures: sheet.procedures ?? [],
    boards: sheet.boards,
    harnesses: sheet.harnesses ?? [],
    curves: sheet.curves ?? [],
    states: sheet.states,
    access: sheet.access ?? [],
    'codes/schemes': sheet.codes.schemes,
  };
  sheet.boards.forEach((board, b) => {
    lists[`boards/${b}/connectors`] = board.connectors ?? [];
    lists[`boards/${b}/points`] = board.points ?? [];
    lists[`boards/${b}/marks`] = board.marks ?? [];
  });
  sheet.tests.forEach((test, t) => {
    if (!isMeasured(test)) return;
    // Points and rules share the names behind the @.
    lists[`tests/${t}/points`] = [...test.points, ...(test.together ?? [])];
  });
  return [
    ...Object.entries(lists).flatMap(([where, items]) =>
      twice(
        where,
        items.map(({ id }) => id),
      ),
    ),
    ...twice('codes/list', sheet.codes.list.map(codeKey)),
    ...pinsTwice(sheet),
    ...sequenceNames(sheet),
  ];
}

function twice(where: string, ids: readonly string[]): SheetProblem[] {
  return repeats(ids).map((i) =>
    problem(
      'duplicate-id',
      `/${where}/${i}/id`,
      `“${ids[i]}” stands twice under ${where.split('/').pop()}; give one of them another id.`,
    ),
  );
}

/** Places of a list at which stands what stood before. */
function repeats(list: readonly unknown[]): number[] {
  const seen = new Set<unknown>();
  return list.flatMap((each, i) => {
    if (seen.has(each)) return [i];
    seen.add(each);
    return [];
  });
}

function pinsTwice(sheet: Sheet): SheetProblem[] {
  return sheet.boards.flatMap((board, b) =>
    (board.connectors ?? []).flatMap((connector, c) =>
      repeats(connector.pins.map(({ n }) => n)).map((p) =>
        problem(
          'duplicate-pin',
          `/boards/${b}/connectors/${c}/pins/${p}/n`,
          `Pin ${nth(connector.pins, p).n} stands twice in ${connector.id}; each pin has one number.`,
        ),
      ),
    ),
  );
}

function sequenceNames(sheet: Sheet): SheetProblem[] {
  const listed = new Set(sheet.tests.map(({ id }) => id));
  return (sheet.sequences ?? []).flatMap((sequence, s) => {
    const path = `/sequences/${s}`;
    const clash = listed.has(sequence.id)
      ? [
          problem(
            'duplicate-id',
            `${path}/id`,
            `A test is called “${sequence.id}” already; rename one.`,
          ),
        ]
      : [];
    const test = testsOf(sheet).find(
      (each) => each.id === sequence.id && !sheet.tests.includes(each),
    );
    const points = test && isMeasured(test) ? test.points.map(({ id }) => id) : [];
    const repeated = points.find((id, i) => points.indexOf(id) !== i);
    if (repeated !== undefined)
      clash.push(
        problem(
          'duplicate-id',
          `${path}/expects`,
          `Two expectations are called “${repeated}”; give each an id of its own.`,
        ),
      );
    return clash;
  });
}

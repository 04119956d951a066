/**
 * Checks beyond the schema: does the sheet hang together? Each problem names its JSON path and says
 * how to mend it. All problems are reported, not only the first.
 */
import { limitsOf } from '../judge/expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { locate } from './places';
import { allObservables, type Observable } from './observables';
import type { Sheet, Test } from './schema';

export interface SheetProblem {
  readonly path: string;
  readonly message: string;
}

export function checkSheet(sheet: Sheet): SheetProblem[] {
  const limits = limitProblems(sheet);
  return [
    ...duplicateIds(sheet),
    ...sheet.tests.flatMap((test, i) => testProblems(sheet, test, `/tests/${i}`)),
    ...limits,
    // Without sound limits nobody can say which outcomes a fault could show.
    ...(limits.length === 0 ? faultProblems(sheet) : []),
    ...chainProblems(sheet),
    ...codeProblems(sheet),
    ...busProblems(sheet),
  ];
}

function duplicateIds(sheet: Sheet): SheetProblem[] {
  const problems: SheetProblem[] = [];
  const lists = {
    tests: sheet.tests,
    faults: sheet.faults,
    parts: sheet.parts,
    boards: sheet.boards,
    states: sheet.states,
    access: sheet.access ?? [],
  };
  for (const [name, items] of Object.entries(lists)) {
    const seen = new Set<string>();
    items.forEach(({ id }, i) => {
      if (seen.has(id))
        problems.push({
          path: `/${name}/${i}/id`,
          message: `“${id}” stands twice under ${name}; give one of them another id.`,
        });
      seen.add(id);
    });
  }
  return problems;
}

function testProblems(sheet: Sheet, test: Test, path: string): SheetProblem[] {
  const problems: SheetProblem[] = [];
  const state = sheet.states.find((each) => each.id === test.state);
  if (!state)
    problems.push({
      path: `${path}/state`,
      message: `There is no state “${test.state}”; declare it under states.`,
    });
  for (const access of test.access ?? [])
    if (!sheet.access?.some((each) => each.id === access))
      problems.push({
        path: `${path}/access`,
        message: `There is no access “${access}”; declare it under access.`,
      });
  const known = new Set(sheet.tests.flatMap(namesOf));
  for (const feeder of test.fedBy ?? [])
    if (!known.has(feeder))
      problems.push({
        path: `${path}/fedBy`,
        message: `There is no test “${feeder}” to be fed by.`,
      });
  if (test.how !== 'measure') return problems;

  const facts = METER_FUNCTIONS[test.function];
  if (state?.energy === 'live' && facts.deadOnly)
    problems.push({
      path: `${path}/function`,
      message: `${facts.words} is for dead circuits only; choose a dead state or another function.`,
    });
  if (test.expect.unit !== facts.unit)
    problems.push({
      path: `${path}/expect/unit`,
      message: `${facts.words} reads in ${facts.unit}, not ${test.expect.unit}.`,
    });
  test.points.forEach((point, i) => {
    for (const colour of ['red', 'black'] as const)
      if (!locate(sheet, point[colour]))
        problems.push({
          path: `${path}/points/${i}/${colour}`,
          message: `There is no place “${point[colour]}”; draw it on a board first.`,
        });
  });
  return problems;
}

/** The test itself and each of its points. */
function namesOf(test: Test): string[] {
  if (test.how !== 'measure') return [test.id];
  return [test.id, ...test.points.map((point) => `${test.id}@${point.id}`)];
}

function limitProblems(sheet: Sheet): SheetProblem[] {
  return sheet.tests.flatMap((test, i) => {
    if (test.how !== 'measure') return [];
    try {
      limitsOf(test.expect);
      return [];
    } catch (error) {
      return [{ path: `/tests/${i}/expect`, message: `Limits: ${(error as Error).message}.` }];
    }
  });
}

function faultProblems(sheet: Sheet): SheetProblem[] {
  const observables = allObservables(sheet);
  const byName = new Map<string, Observable>();
  for (const observable of observables) {
    byName.set(observable.test, observable);
    byName.set(observable.id, observable);
  }
  return sheet.faults.flatMap((fault, i) => {
    const problems: SheetProblem[] = [];
    if (!sheet.parts.some((part) => part.id === fault.part))
      problems.push({ path: `/faults/${i}/part`, message: `There is no part “${fault.part}”.` });
    for (const [name, shown] of Object.entries(fault.shows)) {
      const path = `/faults/${i}/shows/${name}`;
      const observable = byName.get(name);
      if (!observable) {
        problems.push({ path, message: `There is no test or point “${name}” to show this fault.` });
        continue;
      }
      const shares = typeof shown === 'string' ? { [shown]: 1 } : shown;
      for (const outcome of Object.keys(shares))
        if (!observable.outcomes.includes(outcome))
          problems.push({
            path,
            message: `“${name}” can be ${observable.outcomes.join(', ')}, never “${outcome}”.`,
          });
      const total = Object.values(shares).reduce((sum, share) => sum + share, 0);
      if (Math.abs(total - 1) > 1e-6)
        problems.push({ path, message: `The shares add up to ${total}; they must add up to 1.` });
    }
    for (const target of Object.keys(fault.brings ?? {}))
      if (!sheet.faults.some((each) => each.id === target))
        problems.push({
          path: `/faults/${i}/brings/${target}`,
          message: `There is no fault “${target}”.`,
        });
    return problems;
  });
}

/** A fault may not, through others, bring itself. */
function chainProblems(sheet: Sheet): SheetProblem[] {
  const brings = new Map(sheet.faults.map((f) => [f.id, Object.keys(f.brings ?? {})]));
  return sheet.faults.flatMap((fault, i) => {
    const reached = new Set<string>();
    const queue = [...(brings.get(fault.id) ?? [])];
    while (queue.length > 0) {
      const next = queue.pop()!;
      if (next === fault.id)
        return [
          {
            path: `/faults/${i}/brings`,
            message: `“${fault.name}” brings itself in a circle; drop one link.`,
          },
        ];
      if (!reached.has(next)) {
        reached.add(next);
        queue.push(...(brings.get(next) ?? []));
      }
    }
    return [];
  });
}

function codeProblems(sheet: Sheet): SheetProblem[] {
  return sheet.codes.list.flatMap((code, i) =>
    Object.keys(code.suspects)
      .filter((id) => !sheet.faults.some((fault) => fault.id === id))
      .map((id) => ({
        path: `/codes/list/${i}/suspects/${id}`,
        message: `There is no fault “${id}” to suspect.`,
      })),
  );
}

function busProblems(sheet: Sheet): SheetProblem[] {
  return (['red', 'black'] as const)
    .filter((colour) => !locate(sheet, sheet.safety.bus[colour]))
    .map((colour) => ({
      path: `/safety/bus/${colour}`,
      message: `There is no place “${sheet.safety.bus[colour]}” to measure the bus at.`,
    }));
}

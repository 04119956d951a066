/** Every name that a sheet mentions is declared in it. */
import { testsOf } from '../sheet/all-tests';
import { locate } from '../sheet/places';
import { isMeasured, type Sheet, type Test, type TestPoint } from '../sheet/schema';
import { overObservables, ruleObservables, rulePoints } from '../sheet/observables';
import { problem, type SheetProblem } from '../validation/problem';

export function references(sheet: Sheet): SheetProblem[] {
  const feeders = feederNames(sheet);
  return [
    ...sheet.tests.flatMap((test, i) => ofTest(sheet, test, feeders, `/tests/${i}`)),
    ...(sheet.sequences ?? []).flatMap((sequence, i) => {
      const test = testsOf(sheet).find((each) => each.id === sequence.id)!;
      return ofTest(sheet, test, feeders, `/sequences/${i}`, 'expects');
    }),
    ...ofSafety(sheet),
    ...ofBoards(sheet),
    ...ofAccess(sheet),
    ...ofCodes(sheet),
    ...ofFaults(sheet),
    ...ofRepairs(sheet),
  ];
}

const missing = (path: string, message: string) => problem('unknown-reference', path, message);

type Wanting = Pick<TestPoint, 'access' | 'isolates' | 'fedBy' | 'after'>;

function ofWants(
  sheet: Sheet,
  { access, isolates, fedBy, after }: Wanting,
  feeders: ReadonlySet<string>,
  path: string,
): SheetProblem[] {
  const known = new Set((sheet.access ?? []).map(({ id }) => id));
  const test = (field: string, refs: readonly string[] | undefined, words: string) =>
    (refs ?? []).flatMap((ref, i) =>
      feeders.has(ref)
        ? []
        : [
            missing(
              `${path}/${field}/${i}`,
              `There is no test “${ref}” ${words}; name one that is.`,
            ),
          ],
    );
  return [
    ...Object.keys(access ?? {})
      .filter((id) => !known.has(id))
      .map((id) =>
        missing(`${path}/access/${id}`, `There is no access “${id}”; declare it under access.`),
      ),
    ...(isolates ?? []).flatMap((id, i) =>
      known.has(id)
        ? []
        : [
            missing(
              `${path}/isolates/${i}`,
              `There is no access “${id}”; declare it under access.`,
            ),
          ],
    ),
    ...test('fedBy', fedBy, 'to be fed by'),
    ...test('after', after, 'to come first'),
  ];
}

function ofTest(
  sheet: Sheet,
  test: Test,
  feeders: ReadonlySet<string>,
  path: string,
  points = 'points',
): SheetProblem[] {
  const problems: SheetProblem[] = [];
  if (!sheet.states.some(({ id }) => id === test.state))
    problems.push(
      missing(`${path}/state`, `There is no state “${test.state}”; declare it under states.`),
    );
  problems.push(...ofWants(sheet, test, feeders, path));
  if (!isMeasured(test)) return problems;
  test.points.forEach((point, i) => {
    const here = `${path}/${points}/${i}`;
    if (point.state !== undefined && !sheet.states.some(({ id }) => id === point.state))
      problems.push(
        missing(`${here}/state`, `There is no state “${point.state}”; declare it under states.`),
      );
    problems.push(...ofWants(sheet, point, feeders, here));
  });
  test.points.forEach((point, i) => {
    for (const colour of ['red', 'black', 'or'] as const) {
      const ref = point[colour];
      if (ref !== undefined && !locate(sheet, ref))
        problems.push(
          missing(
            `${path}/${points}/${i}/${colour}`,
            `There is no place “${ref}”; draw it on a board first.`,
          ),
        );
    }
    const expect = point.expect ?? test.expect;
    if (expect.kind === 'curve' && !sheet.curves?.some(({ id }) => id === expect.curve))
      problems.push(
        missing(
          point.expect ? `${path}/${points}/${i}/expect/curve` : `${path}/expect/curve`,
          `There is no curve “${expect.curve}”; declare it under curves.`,
        ),
      );
  });
  const known = new Set(test.points.map(({ id }) => id));
  (test.together ?? []).forEach((rule, i) => {
    const named = rulePoints(test, rule).map((id) => ({ id, field: fieldNaming(rule, id) }));
    for (const { field, id } of named)
      if (!known.has(id))
        problems.push(
          missing(
            `${path}/together/${i}/${field}`,
            `This test has no point “${id}”; it has ${[...known].join(', ')}.`,
          ),
        );
  });
  return problems;
}

/** The field of a rule in which a name stands; `points` where it takes all of its test. */
export const fieldNaming = (rule: object, name: string): string =>
  Object.entries(rule).find(
    ([field, value]) => field !== 'id' && [value].flat().includes(name),
  )?.[0] ?? 'points';

/** Tests, their points, and rules. */
export function feederNames(sheet: Sheet): Set<string> {
  return new Set([
    ...testsOf(sheet).flatMap((test) => [
      test.id,
      ...(isMeasured(test) ? test.points.map(({ id }) => `${test.id}@${id}`) : []),
      ...ruleObservables(test).map(({ id }) => id),
    ]),
    ...overObservables(sheet).map(({ id }) => id),
  ]);
}

function ofSafety(sheet: Sheet): SheetProblem[] {
  const { bus, stores, prove } = sheet.safety;
  const places = [
    ...(['red', 'black'] as const).map((end) => [`/safety/bus/${end}`, bus?.[end]] as const),
    ...(prove ?? []).flatMap((pair, i) =>
      (['from', 'to'] as const).map((end) => [`/safety/prove/${i}/${end}`, pair[end]] as const),
    ),
  ];
  const unplaced = places
    .filter(([, ref]) => ref !== undefined && !locate(sheet, ref))
    .map(([path, ref]) =>
      missing(path, `There is no place “${ref}” to prove it dead at; draw it on a board.`),
    );
  const unnamed = (prove ?? []).flatMap((pair, i) => [
    ...(pair.access ?? []).flatMap((id, k) =>
      sheet.access?.some((each) => each.id === id)
        ? []
        : [missing(`/safety/prove/${i}/access/${k}`, `There is no access “${id}”; declare it.`)],
    ),
    ...(pair.for ?? []).flatMap((id, k) =>
      sheet.boards.some((each) => each.id === id)
        ? []
        : [missing(`/safety/prove/${i}/for/${k}`, `There is no board “${id}”; name one that is.`)],
    ),
    ...(pair.proves ?? []).flatMap((name, k) =>
      stores?.some((each) => each.name === name)
        ? []
        : [
            missing(
              `/safety/prove/${i}/proves/${k}`,
              `There is no store “${name}”; list it under stores.`,
            ),
          ],
    ),
  ]);
  const nowhere = (stores ?? []).flatMap(({ at, name }, i) =>
    sheet.boards.some(({ id }) => id === at) || locate(sheet, at)
      ? []
      : [
          missing(
            `/safety/stores/${i}/at`,
            `“${name}” is said to sit at “${at}”, which is no board and no place on one.`,
          ),
        ],
  );
  return [...unplaced, ...unnamed, ...nowhere];
}

function ofBoards(sheet: Sheet): SheetProblem[] {
  const parts = new Set(sheet.parts.map(({ id }) => id));
  const harnesses = new Set((sheet.harnesses ?? []).map(({ id }) => id));
  const plugs = new Set(
    sheet.boards.flatMap((board) => (board.connectors ?? []).map(({ id }) => `${board.id}.${id}`)),
  );
  return [
    ...sheet.boards.flatMap((board, b) => [
      ...(board.part !== undefined && !parts.has(board.part)
        ? [
            missing(
              `/boards/${b}/part`,
              `There is no part “${board.part}”; declare it under parts.`,
            ),
          ]
        : []),
      ...(board.connectors ?? []).flatMap((connector, c) =>
        connector.mates !== undefined && !harnesses.has(connector.mates)
          ? [
              missing(
                `/boards/${b}/connectors/${c}/mates`,
                `There is no harness “${connector.mates}”; declare it under harnesses.`,
              ),
            ]
          : [],
      ),
    ]),
    ...(sheet.harnesses ?? []).flatMap((harness, h) => [
      ...(harness.part !== undefined && !parts.has(harness.part)
        ? [missing(`/harnesses/${h}/part`, `There is no part “${harness.part}”.`)]
        : []),
      ...harness.joins.flatMap((ref, j) =>
        plugs.has(ref)
          ? []
          : [
              missing(
                `/harnesses/${h}/joins/${j}`,
                `There is no connector “${ref}”; name it as board.connector.`,
              ),
            ],
      ),
    ]),
  ];
}

function ofAccess(sheet: Sheet): SheetProblem[] {
  const known = new Set((sheet.access ?? []).map(({ id }) => id));
  return (sheet.access ?? []).flatMap((access, a) =>
    (access.needs ?? []).flatMap((id, n) =>
      known.has(id)
        ? []
        : [missing(`/access/${a}/needs/${n}`, `There is no access “${id}” to need.`)],
    ),
  );
}

function ofCodes(sheet: Sheet): SheetProblem[] {
  const faults = new Set(sheet.faults.map(({ id }) => id));
  return sheet.codes.list.flatMap((code, c) =>
    Object.keys(code.suspects).flatMap((id) =>
      faults.has(id)
        ? []
        : [missing(`/codes/list/${c}/suspects/${id}`, `There is no fault “${id}” to suspect.`)],
    ),
  );
}

function ofFaults(sheet: Sheet): SheetProblem[] {
  const parts = new Set(sheet.parts.map(({ id }) => id));
  const faults = new Set(sheet.faults.map(({ id }) => id));
  return sheet.faults.flatMap((fault, f) => [
    ...(fault.part === undefined || parts.has(fault.part)
      ? []
      : [
          missing(`/faults/${f}/part`, `There is no part “${fault.part}”; declare it under parts.`),
        ]),
    ...Object.keys(fault.brings ?? {}).flatMap((id) =>
      faults.has(id)
        ? []
        : [missing(`/faults/${f}/brings/${id}`, `There is no fault “${id}” to bring.`)],
    ),
  ]);
}

function ofRepairs(sheet: Sheet): SheetProblem[] {
  const faults = new Set(sheet.faults.map(({ id }) => id));
  const subjects = new Set([
    ...sheet.parts.map(({ id }) => id),
    ...(sheet.repairs ?? []).map(({ id }) => id),
  ]);
  return [
    ...(sheet.repairs ?? []).flatMap((repair, r) =>
      repair.fixes.flatMap((id, i) =>
        faults.has(id)
          ? []
          : [missing(`/repairs/${r}/fixes/${i}`, `There is no fault “${id}” to fix.`)],
      ),
    ),
    ...(sheet.procedures ?? []).flatMap((procedure, p) => [
      ...(procedure.for !== undefined && !subjects.has(procedure.for)
        ? [missing(`/procedures/${p}/for`, `There is no part or repair “${procedure.for}”.`)]
        : []),
      ...(procedure.wireMap ?? []).flatMap(({ from, to }, w) =>
        from === undefined && to === undefined
          ? [
              missing(
                `/procedures/${p}/wireMap/${w}`,
                'A wire is of the old part, of the new one, or of both: say “from”, “to”, or both.',
              ),
            ]
          : [],
      ),
      ...procedure.steps.flatMap((step, s) =>
        (['red', 'black'] as const).flatMap((colour) => {
          const ref = step.watch?.[colour];
          return ref === undefined || locate(sheet, ref)
            ? []
            : [
                missing(
                  `/procedures/${p}/steps/${s}/watch/${colour}`,
                  `There is no place “${ref}”.`,
                ),
              ];
        }),
      ),
    ]),
  ];
}

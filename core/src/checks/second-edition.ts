/** What edition 2 says refers to what is there, and makes sense: states, symptoms, repairs, what parts sit on. */
import { functionOf, testsOf } from '../sheet/all-tests';
import { locate, sideOf } from '../sheet/places';
import { observablesByName } from '../sheet/observables';
import { feederNames } from './references';
import {
  isMeasured,
  type MeasureTest,
  type Sheet,
  type SheetState,
  type TestPoint,
} from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';

const missing = (path: string, message: string) => problem('unknown-reference', path, message);

export function secondEdition(sheet: Sheet): SheetProblem[] {
  return [
    ...sheet.states.flatMap((state, i) => ofState(sheet, state, `/states/${i}`)),
    ...ofSuspects(sheet),
    ...ofParts(sheet),
    ...ofIsolation(sheet),
    ...ofSides(sheet),
  ];
}

function ofState(sheet: Sheet, state: SheetState, path: string): SheetProblem[] {
  const { from, needs, energy, steps, lasts } = state;
  const before = sheet.states.find(({ id }) => id === from);
  const accesses = new Set((sheet.access ?? []).map(({ id }) => id));
  const named = feederNames(sheet);
  return [
    ...(from !== undefined && !before
      ? [missing(`${path}/from`, `There is no state “${from}” to come from.`)]
      : []),
    ...(from === state.id
      ? [problem('circle', `${path}/from`, `“${from}” comes from itself; name the state before.`)]
      : []),
    ...(before && energy === 'live' && before.energy !== 'live'
      ? [
          problem(
            'state',
            `${path}/from`,
            `“${before.id}” is dead, and “${state.id}” is live: name the live state before it.`,
          ),
        ]
      : []),
    ...Object.keys(needs?.access ?? {}).flatMap((id) =>
      accesses.has(id)
        ? []
        : [missing(`${path}/needs/access/${id}`, `There is no access “${id}”; declare it.`)],
    ),
    ...(needs?.passed ?? []).flatMap((ref, k) =>
      named.has(ref)
        ? []
        : [missing(`${path}/needs/passed/${k}`, `There is no test “${ref}” to be passed.`)],
    ),
    ...(needs && energy === 'dead'
      ? [
          warning(
            'state',
            `${path}/needs`,
            'A dead state is not entered; what it needs is not asked.',
          ),
        ]
      : []),
    ...(steps && lasts !== undefined
      ? [warning('state', `${path}/lasts`, 'Its steps say how long it lasts; drop one of both.')]
      : []),
  ];
}

function ofSuspects(sheet: Sheet): SheetProblem[] {
  const faults = new Set(sheet.faults.map(({ id }) => id));
  const named = (path: string, ids: readonly string[], words: string) =>
    ids.flatMap((id) =>
      faults.has(id) ? [] : [missing(`${path}/${id}`, `There is no fault “${id}” ${words}.`)],
    );
  return [
    ...named('/codes/none/suspects', Object.keys(sheet.codes.none?.suspects ?? {}), 'to suspect'),
    ...(sheet.symptoms ?? []).flatMap(({ suspects }, i) =>
      named(`/symptoms/${i}/suspects`, Object.keys(suspects), 'to suspect'),
    ),
    ...(sheet.tries ?? []).flatMap(({ cures }, i) =>
      named(`/tries/${i}/cures`, Object.keys(cures), 'to cure'),
    ),
    ...sheet.faults.flatMap(({ oneOf, brings }, i) =>
      Object.keys(brings ?? {}).flatMap((id) => {
        const brought = sheet.faults.find((each) => each.id === id);
        return oneOf !== undefined && brought?.oneOf === oneOf
          ? [
              problem(
                'one-of',
                `/faults/${i}/brings/${id}`,
                `Of “${oneOf}” only one can be, so one cannot bring the other; drop the link or the group.`,
              ),
            ]
          : [];
      }),
    ),
  ];
}

function ofParts({ parts }: Sheet): SheetProblem[] {
  const onOf = new Map(parts.map(({ id, on }) => [id, on]));
  return parts.flatMap(({ id, on, contains = [] }, i) => {
    const strange = contains.findIndex((each) => !onOf.has(each) || each === id);
    if (strange >= 0)
      return [
        missing(
          `/parts/${i}/contains/${strange}`,
          `There is no other part “${contains[strange]}” to come with it.`,
        ),
      ];
    if (on === undefined) return [];
    if (!onOf.has(on)) return [missing(`/parts/${i}/on`, `There is no part “${on}” to sit on.`)];
    let below: string | undefined = on;
    for (let steps = 0; below !== undefined && steps <= parts.length; steps += 1) {
      if (below === id)
        return [
          problem('circle', `/parts/${i}/on`, `“${id}” sits on itself in a circle; drop one.`),
        ];
      below = onOf.get(below);
    }
    return [];
  });
}

/** Across the isolation of a supply there is no common: a figure read there means nothing, and may kill. */
function ofSides(sheet: Sheet): SheetProblem[] {
  const side = (ref: string | undefined) => {
    const place = ref === undefined ? undefined : locate(sheet, ref);
    return place && sideOf(place);
  };
  return sheet.tests.flatMap((test, t) =>
    isMeasured(test)
      ? test.points.flatMap((point, i) =>
          (['black', 'or'] as const).flatMap((end) => {
            const sides = [side(point.red), side(point[end])];
            return sides.includes('hot') && sides.includes('cold') && !drives(test, point)
              ? [
                  problem(
                    'side',
                    `/tests/${t}/points/${i}/${end}`,
                    `“${point.red}” and “${point[end]}” lie on two sides of the isolation: nothing can be read across it. Take the common of its own side.`,
                  ),
                ]
              : [];
          }),
        )
      : [],
  );
}

/** Insulation is measured across it, and nothing else. */
const drives = (test: MeasureTest, point: TestPoint): boolean =>
  functionOf(test, point) === 'insulation';

/** Follow-ups hang on outcomes, so they need sound limits. */
export function followUps(sheet: Sheet): SheetProblem[] {
  const named = observablesByName(sheet);
  return testsOf(sheet).flatMap((test, t) =>
    Object.entries(test.onlyIf ?? {}).flatMap(([ref, outcome]) => {
      const parent = named.get(ref);
      const path = `/tests/${t}/onlyIf/${ref}`;
      if (!parent) return [missing(path, `There is no test “${ref}” to follow.`)];
      return parent.some(({ outcomes }) => outcomes.includes(outcome))
        ? []
        : [missing(path, `“${ref}” never comes out “${outcome}”.`)];
    }),
  );
}

/** What isolates must be out for it; where it is not, the figure could never be believed. */
function ofIsolation(sheet: Sheet): SheetProblem[] {
  return testsOf(sheet).flatMap((test, t) => {
    const wanting = [
      { at: `/tests/${t}`, isolates: test.isolates, access: test.access },
      ...(isMeasured(test)
        ? test.points.map((point, i) => ({
            at: `/tests/${t}/points/${i}`,
            isolates: point.isolates,
            access: point.access ?? test.access,
          }))
        : []),
    ];
    return wanting.flatMap(({ at, isolates, access }) =>
      (isolates ?? []).flatMap((id, k) =>
        access?.[id] === 'out'
          ? []
          : [
              problem(
                'isolation',
                `${at}/isolates/${k}`,
                `“${id}” isolates it, and is not wanted out: say so under access.`,
              ),
            ],
      ),
    );
  });
}

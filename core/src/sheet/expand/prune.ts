/**
 * What a thing says of others that this variant of the machine has not: a fault of both generations shows
 * at a test of one only as far as that one is there. Names that no variant has stay, for the checks to tell.
 */
import type { Sheet, WrittenSheet } from '../schema';

type Names = ReadonlySet<string>;

/** Every name by which something of a sheet can be meant, by kind. */
interface NamesOf {
  readonly faults: Names;
  readonly tests: Names;
  readonly access: Names;
  readonly places: Names;
  readonly boards: Names;
  readonly states: Names;
  readonly parts: Names;
}

/** Fields that name things of one kind: in a list, or as the keys of a record. */
const MEANT: Readonly<Record<string, keyof NamesOf>> = {
  suspects: 'faults',
  brings: 'faults',
  cures: 'faults',
  fixes: 'faults',
  shows: 'tests',
  onlyIf: 'tests',
  fedBy: 'tests',
  after: 'tests',
  passed: 'tests',
  over: 'tests',
  isolates: 'access',
  needs: 'access',
  nodes: 'places',
  clamps: 'places',
  breaks: 'places',
  for: 'boards',
};

/** Of the bench, records whose keys name things by the record's own name. */
const BENCH_MEANT: Readonly<Record<string, keyof NamesOf>> = {
  ...MEANT,
  faults: 'faults',
  tests: 'tests',
  gauges: 'tests',
  given: 'tests',
  series: 'tests',
  access: 'access',
};

export function pruned(sheet: Sheet, everything: Sheet): Sheet {
  const here = namesOf(sheet);
  const known = namesOf(everything);
  const gone = (kind: keyof NamesOf, name: string) =>
    known[kind].has(name) && !here[kind].has(name);
  return prune(sheet, gone, MEANT) as Sheet;
}

type Gone = (kind: keyof NamesOf, name: string) => boolean;

function prune(value: unknown, gone: Gone, meant: typeof MEANT): unknown {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return each(value, (one) => prune(one, gone, meant));
  const entries = Object.entries(value);
  const fresh = entries.map(([key, inner]): [string, unknown] => {
    if (key === 'bench') return [key, prune(inner, gone, BENCH_MEANT)];
    const kind = key === 'access' && !Array.isArray(inner) ? 'access' : meant[key];
    return [key, kind ? without(inner, kind, gone, meant) : prune(inner, gone, meant)];
  });
  return fresh.every(([, inner], i) => inner === entries[i]![1])
    ? value
    : Object.fromEntries(fresh);
}

function without(value: unknown, kind: keyof NamesOf, gone: Gone, meant: typeof MEANT): unknown {
  if (Array.isArray(value))
    return value.some((name) => typeof name === 'string' && gone(kind, name))
      ? value.filter((name) => typeof name !== 'string' || !gone(kind, name))
      : prune(value, gone, meant);
  if (value === null || typeof value !== 'object') return value;
  const entries = Object.entries(value);
  const left = entries.filter(([name]) => !gone(kind, name));
  return left.length === entries.length
    ? prune(value, gone, meant)
    : prune(Object.fromEntries(left), gone, meant);
}

/** A list of the results; the same list where nothing changed. */
function each(list: readonly unknown[], change: (one: unknown) => unknown): unknown {
  const fresh = list.map(change);
  return fresh.every((one, i) => one === list[i]) ? list : fresh;
}

function namesOf(sheet: Sheet | WrittenSheet): NamesOf {
  const ids = (list: readonly { readonly id: string }[] | undefined) =>
    new Set((list ?? []).map(({ id }) => id));
  const measured = [...sheet.tests, ...(sheet.sequences ?? [])];
  return {
    faults: ids(sheet.faults),
    tests: new Set([
      ...measured.flatMap((test) => [
        test.id,
        ...('points' in test ? test.points.map(({ id }) => `${test.id}@${id}`) : []),
        ...('expects' in test
          ? test.expects.flatMap(({ id }) => (id === undefined ? [] : [`${test.id}@${id}`]))
          : []),
        ...('together' in test ? (test.together ?? []).map(({ id }) => `${test.id}@${id}`) : []),
      ]),
    ]),
    access: ids(sheet.access),
    places: new Set(
      sheet.boards.flatMap((board) => [
        ...(board.connectors ?? []).flatMap((plug) =>
          plug.pins.map(({ n }) => `${board.id}.${plug.id}.${n}`),
        ),
        ...(board.points ?? []).map(({ id }) => `${board.id}.${id}`),
      ]),
    ),
    boards: ids(sheet.boards),
    states: ids(sheet.states),
    parts: ids(sheet.parts),
  };
}

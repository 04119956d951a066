/** What changed between two revisions of a sheet, thing by thing, in words. */
import type { WrittenSheet } from './schema';

export interface SheetChange {
  readonly kind: 'added' | 'removed' | 'changed';
  /** JSON path with ids in place of positions: `/tests/igbt-n/expect/high`. */
  readonly path: string;
  readonly before?: unknown;
  readonly after?: unknown;
}

type Plain = Readonly<Record<string, unknown>>;

/** Lists of things with ids are compared by id, not by place; a moved thing is no change. */
export function compareSheets(before: WrittenSheet, after: WrittenSheet): SheetChange[] {
  const changes: SheetChange[] = [];
  compare(before, after, '', changes);
  return changes.filter(({ path }) => path !== '/revision');
}

function compare(a: unknown, b: unknown, path: string, changes: SheetChange[]): void {
  if (a === undefined && b === undefined) return;
  if (a === undefined) changes.push({ kind: 'added', path, after: b });
  else if (b === undefined) changes.push({ kind: 'removed', path, before: a });
  else if (isList(a) && isList(b)) compareLists(a, b, path, changes);
  else if (isPlain(a) && isPlain(b))
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)]))
      compare(a[key], b[key], `${path}/${key}`, changes);
  else if (!Object.is(a, b)) changes.push({ kind: 'changed', path, before: a, after: b });
}

function compareLists(
  a: readonly unknown[],
  b: readonly unknown[],
  path: string,
  changes: SheetChange[],
): void {
  const names = [...a, ...b].map(nameOf);
  if (names.some((name) => name === undefined)) {
    if (JSON.stringify(a) !== JSON.stringify(b))
      changes.push({ kind: 'changed', path, before: a, after: b });
    return;
  }
  const byName = (list: readonly unknown[]) => new Map(list.map((each) => [nameOf(each)!, each]));
  const [left, right] = [byName(a), byName(b)];
  for (const name of new Set(names as string[]))
    compare(left.get(name), right.get(name), `${path}/${name}`, changes);
}

const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value);
const isPlain = (value: unknown): value is Plain => value !== null && typeof value === 'object';

/** By what a thing in a list is known: its id, a code, a pin's number. */
function nameOf(value: unknown): string | undefined {
  if (!isPlain(value)) return undefined;
  const name = value.id ?? value.code ?? value.n;
  return typeof name === 'string' || typeof name === 'number' ? String(name) : undefined;
}

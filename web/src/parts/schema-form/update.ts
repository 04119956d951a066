/** Changing one place of a document without touching the rest. */

export type Path = readonly (string | number)[];

/** @param value - Undefined removes the field, or the item of a list. */
export function withValue<T>(document: T, path: Path, value: unknown): T {
  const [key, ...rest] = path;
  if (key === undefined) return value as T;
  const inner = rest.length === 0 ? value : withValue(at(document, [key]), rest, value);
  if (Array.isArray(document)) {
    const list = [...(document as unknown[])];
    if (inner === undefined) list.splice(Number(key), 1);
    else list[Number(key)] = inner;
    return list as T;
  }
  const copy: Record<string, unknown> = { ...(document as Record<string, unknown>) };
  if (inner === undefined) delete copy[String(key)];
  else copy[String(key)] = inner;
  return copy as T;
}

export function at(document: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (value, key) =>
      value === null || typeof value !== 'object'
        ? undefined
        : (value as Record<string | number, unknown>)[key],
    document,
  );
}

export const pointer = (path: Path): string => path.map((key) => `/${key}`).join('');

export const fromPointer = (path: string): Path =>
  path
    .split('/')
    .slice(1)
    .map((key) => (/^\d+$/.test(key) ? Number(key) : key));

/** Move an item of a list up or down. */
export function moved<T>(list: readonly T[], from: number, by: -1 | 1): T[] {
  const to = from + by;
  if (to < 0 || to >= list.length) return [...list];
  const copy = [...list];
  [copy[from], copy[to]] = [copy[to]!, copy[from]!];
  return copy;
}

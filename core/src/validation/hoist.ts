/**
 * Unions of several kinds that stand at more than one place of a schema are moved to `$defs` and referred
 * to, so that their validator is made once. A sheet's limits stand at five places, with twenty kinds each.
 */
import type { TSchema } from '@sinclair/typebox';

/** Fewer branches than this are not worth it. */
const LEAST_BRANCHES = 4;

type Plain = Record<string, unknown>;

export function hoistUnions(schema: TSchema): Plain {
  const root = JSON.parse(JSON.stringify(schema, withoutId)) as Plain;
  const seen = new Map<string, number>();
  walk(root, (union) => {
    const key = JSON.stringify(union);
    seen.set(key, (seen.get(key) ?? 0) + 1);
  });
  const names = new Map<string, string>();
  for (const [key, times] of seen) if (times > 1) names.set(key, `union${names.size + 1}`);
  const defs = Object.fromEntries(
    [...names].map(([key, name]) => [name, { anyOf: JSON.parse(key) as unknown }]),
  );
  walk(root, (union, owner) => {
    const name = names.get(JSON.stringify(union));
    if (name === undefined) return;
    delete owner.anyOf;
    owner.$ref = `#/$defs/${name}`;
  });
  return names.size > 0 ? { ...root, $defs: defs } : root;
}

/** Names are for documents: here they would become addresses that references are resolved against. */
const withoutId = (key: string, value: unknown): unknown => (key === '$id' ? undefined : value);

/** Outer unions first, so that what stands inside a hoisted one is not looked at again. */
function walk(value: unknown, visit: (union: unknown[], owner: Plain) => void): void {
  if (value === null || typeof value !== 'object') return;
  const owner = value as Plain;
  const { anyOf } = owner;
  if (
    Array.isArray(anyOf) &&
    anyOf.length >= LEAST_BRANCHES &&
    anyOf.every((each) => (each as Plain).type === 'object')
  )
    visit(anyOf, owner);
  for (const inner of Object.values(owner)) walk(inner, visit);
}

/** Fields of a value that its schema does not name: kept, and worth a warning, for they may be typos. */
import type { TSchema } from '@sinclair/typebox';
import { warning, type SheetProblem } from './problem';

type Loose = TSchema & {
  anyOf?: Loose[];
  allOf?: Loose[];
  properties?: Record<string, Loose>;
  patternProperties?: Record<string, Loose>;
  items?: Loose | Loose[];
  const?: unknown;
};

/** Warnings at most; a foreign file may be nothing but unknown fields. */
const MOST = 100;

export function unknownFields(schema: TSchema, value: unknown): SheetProblem[] {
  const found: SheetProblem[] = [];
  walk([schema as Loose], value, '', found);
  return found;
}

function walk(
  schemas: readonly Loose[],
  value: unknown,
  path: string,
  found: SheetProblem[],
): void {
  if (found.length >= MOST || value === null || typeof value !== 'object') return;
  const fitting = schemas.flatMap((schema) => branches(schema, value));
  if (Array.isArray(value)) {
    const items = fitting.flatMap((schema) => [schema.items ?? []].flat());
    if (items.length > 0) value.forEach((each, i) => walk(items, each, `${path}/${i}`, found));
    return;
  }
  const open = fitting.flatMap((schema) => Object.values(schema.patternProperties ?? {}));
  const named = fitting.filter((schema) => schema.properties !== undefined);
  if (named.length === 0 && open.length === 0) return;
  for (const [key, inner] of Object.entries(value)) {
    if (found.length >= MOST) return;
    const known = named.flatMap((schema) => schema.properties![key] ?? []);
    if (known.length > 0) walk(known, inner, `${path}/${key}`, found);
    else if (open.length > 0) walk(open, inner, `${path}/${key}`, found);
    else
      found.push(
        warning(
          'unknown-field',
          `${path}/${key}`,
          `“${key}” is not a field this program knows. It is kept as it is; check its spelling.`,
        ),
      );
  }
}

/** The plain schemas that may describe a value: of a choice, those whose tag it bears. */
function branches(schema: Loose, value: object): Loose[] {
  const all = schema.allOf?.flatMap((each) => branches(each, value)) ?? [];
  if (schema.anyOf) {
    const tagged = schema.anyOf.filter((each) => {
      const tag = each.properties?.kind?.const;
      return tag === undefined || tag === (value as { kind?: unknown }).kind;
    });
    return [...all, ...tagged.flatMap((each) => branches(each, value))];
  }
  return schema.allOf ? all : [schema];
}

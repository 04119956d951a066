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
  walk(choiceOf([schema as Loose]), value, '', found);
  return found;
}

/** What may stand at one place: by the tag `kind` where it has one, which fields are known there. */
class Choice {
  readonly #schemas: readonly Loose[];
  readonly #byTag = new Map<unknown, Shape>();

  constructor(schemas: readonly Loose[]) {
    this.#schemas = schemas;
  }

  at(value: object): Shape {
    const tag = (value as { kind?: unknown }).kind;
    const known = this.#byTag.get(tag);
    if (known) return known;
    const fresh = shapeOf(this.#schemas.flatMap((schema) => branches(schema, value)));
    // Tags of a foreign file may be anything; ours are few.
    if (this.#byTag.size < MOST_TAGS) this.#byTag.set(tag, fresh);
    return fresh;
  }
}

const MOST_TAGS = 100;

/** The fields known at one place, reckoned once for all values of that kind. */
interface Shape {
  readonly items: Choice | undefined;
  readonly open: Choice | undefined;
  readonly fields: ReadonlyMap<string, Choice> | undefined;
}

const choices = new WeakMap<Loose, Choice>();

/** One for one schema, so that what was reckoned for it is reckoned once. */
function choiceOf(schemas: readonly Loose[]): Choice {
  const [only] = schemas;
  if (!only || schemas.length > 1) return new Choice(schemas);
  const choice = choices.get(only) ?? new Choice(schemas);
  choices.set(only, choice);
  return choice;
}

function shapeOf(schemas: readonly Loose[]): Shape {
  const items = schemas.flatMap((schema) => [schema.items ?? []].flat());
  const open = schemas.flatMap((schema) => Object.values(schema.patternProperties ?? {}));
  const named = schemas.filter((schema) => schema.properties !== undefined);
  const keys = new Set(named.flatMap((schema) => Object.keys(schema.properties!)));
  return {
    items: items.length > 0 ? choiceOf(items) : undefined,
    open: open.length > 0 ? choiceOf(open) : undefined,
    fields:
      named.length > 0
        ? new Map(
            [...keys].map((key) => [
              key,
              choiceOf(named.flatMap((schema) => schema.properties![key] ?? [])),
            ]),
          )
        : undefined,
  };
}

function walk(choice: Choice, value: unknown, path: string, found: SheetProblem[]): void {
  if (found.length >= MOST || value === null || typeof value !== 'object') return;
  const { items, open, fields } = choice.at(value);
  if (Array.isArray(value)) {
    if (items) value.forEach((each, i) => walk(items, each, `${path}/${i}`, found));
    return;
  }
  if (!fields && !open) return;
  for (const [key, inner] of Object.entries(value)) {
    if (found.length >= MOST) return;
    const known = fields?.get(key) ?? open;
    if (known) walk(known, inner, `${path}/${key}`, found);
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

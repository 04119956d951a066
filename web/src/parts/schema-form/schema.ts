/** Reading a JSON Schema for the purpose of a form. */
import type { TSchema } from '@jeitinho/core/validate';

export type Schema = TSchema & {
  type?: string;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema | Schema[];
  anyOf?: Schema[];
  allOf?: Schema[];
  const?: unknown;
  enum?: string[];
  patternProperties?: Record<string, Schema>;
  maxLength?: number;
  description?: string;
};

/** What kind of control a schema asks for. */
export type Control =
  | { readonly kind: 'text'; readonly long: boolean }
  | { readonly kind: 'number'; readonly whole: boolean }
  | { readonly kind: 'flag' }
  | { readonly kind: 'choice'; readonly options: readonly (string | number | boolean)[] }
  | { readonly kind: 'pair' }
  | { readonly kind: 'list'; readonly item: Schema }
  | { readonly kind: 'record'; readonly value: Schema }
  | {
      readonly kind: 'object';
      readonly properties: Record<string, Schema>;
      readonly required: readonly string[];
    }
  | { readonly kind: 'variants'; readonly branches: readonly Schema[] }
  /** Anything else is shown as JSON text. */
  | { readonly kind: 'json' };

/** @param value - Decides which branch of an untagged union is meant. */
export function controlOf(schema: Schema, value?: unknown): Control {
  if (schema.const !== undefined) return { kind: 'choice', options: [schema.const as string] };
  if (schema.enum) return { kind: 'choice', options: schema.enum };
  if (schema.allOf) return merged(schema.allOf, value);
  if (schema.anyOf) return unionControl(schema.anyOf, value);
  switch (schema.type) {
    case 'string':
      return { kind: 'text', long: (schema.maxLength ?? 0) >= 1000 };
    case 'number':
    case 'integer':
      return { kind: 'number', whole: schema.type === 'integer' };
    case 'boolean':
      return { kind: 'flag' };
    case 'array':
      if (Array.isArray(schema.items))
        return schema.items.length === 2 ? { kind: 'pair' } : { kind: 'json' };
      return schema.items ? { kind: 'list', item: schema.items } : { kind: 'json' };
    case 'object': {
      const [open] = Object.values(schema.patternProperties ?? {});
      if (open) return { kind: 'record', value: open };
      return {
        kind: 'object',
        properties: schema.properties ?? {},
        required: schema.required ?? [],
      };
    }
    default:
      return { kind: 'json' };
  }
}

function unionControl(branches: readonly Schema[], value: unknown): Control {
  if (branches.every((each) => each.const !== undefined))
    return { kind: 'choice', options: branches.map((each) => each.const as string) };
  if (branches.every((each) => each.type === 'object' && tagOf(each) !== undefined))
    return { kind: 'variants', branches };
  const fitting =
    value !== null && typeof value === 'object'
      ? bestObject(branches, value)
      : (branches.find((each) => each.type === typeof value) ?? branches[0]);
  return fitting ? controlOf(fitting, value) : { kind: 'json' };
}

/** Of objects without a tag, the one whose fields the value has. */
function bestObject(branches: readonly Schema[], value: object): Schema | undefined {
  const keys = Object.keys(value);
  const score = (schema: Schema) =>
    keys.filter((key) => schema.properties?.[key]).length -
    (schema.required ?? []).filter((key) => !keys.includes(key)).length;
  const objects = branches.filter(({ type }) => type === 'object');
  return objects.sort((a, b) => score(b) - score(a))[0];
}

function merged(all: readonly Schema[], value: unknown): Control {
  const parts = all.map((each) => controlOf(each, value));
  const objects = parts.flatMap((part) => {
    if (part.kind === 'object') return [part];
    if (part.kind !== 'variants') return [];
    const branch = branchOf(part.branches, value) ?? part.branches[0]!;
    const kinds = part.branches.map((each) => tagOf(each)!);
    const control = controlOf(branch, value);
    return control.kind === 'object'
      ? [
          {
            ...control,
            properties: {
              ...control.properties,
              // A schema of our own making, without the symbols of the library that makes the others.
              kind: { type: 'string', enum: kinds } as unknown as Schema,
            },
          },
        ]
      : [];
  });
  return {
    kind: 'object',
    properties: Object.assign({}, ...objects.map(({ properties }) => properties)) as Record<
      string,
      Schema
    >,
    required: objects.flatMap(({ required }) => required),
  };
}

/** The tag of a variant, its `kind`. */
export const tagOf = (schema: Schema): string | undefined =>
  schema.properties?.kind?.const as string | undefined;

export function branchOf(branches: readonly Schema[], value: unknown): Schema | undefined {
  const kind = (value as { kind?: unknown } | undefined)?.kind;
  return branches.find((each) => tagOf(each) === kind);
}

/** A value to start from, with the required fields. */
export function blankOf(schema: Schema): unknown {
  const control = controlOf(schema);
  switch (control.kind) {
    case 'text':
      return '';
    case 'number':
      return 0;
    case 'flag':
      return false;
    case 'choice':
      return control.options[0];
    case 'pair':
      return [10, 10];
    case 'list':
      return [];
    case 'record':
      return {};
    case 'variants':
      return blankOf(control.branches[0]!);
    case 'object':
      return Object.fromEntries(
        control.required.map((key) => [key, blankOf(control.properties[key]!)]),
      );
    default:
      return null;
  }
}

/** `waitMinutes` as it is said: “wait minutes”. */
export const labelOf = (key: string): string =>
  key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** By what a thing in a list is known. */
export function nameOf(value: unknown, index: number): string {
  if (value === null || typeof value !== 'object') return String(value ?? index + 1);
  const thing = value as Record<string, unknown>;
  const id = thing.id ?? thing.code ?? thing.n ?? thing.kind ?? thing.field;
  const words = thing.title ?? thing.name ?? thing.signal ?? thing.do ?? thing.from;
  return (
    [id, words].filter((each) => each !== undefined && each !== '').join(' · ') || `${index + 1}`
  );
}

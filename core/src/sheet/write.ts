/**
 * Writing a sheet so that two revisions differ only where they differ: fields in the order of the
 * schema, unknown ones after them by name, entries of open records by name, one short thing a line.
 */
import type { TSchema } from '@sinclair/typebox';
import { sheetSchema, type WrittenSheet } from './schema';

type Loose = TSchema & {
  anyOf?: Loose[];
  allOf?: Loose[];
  properties?: Record<string, Loose>;
  patternProperties?: Record<string, Loose>;
  items?: Loose | Loose[];
};

/** Longest line that an object or list is kept on. */
const LINE = 100;

/** @returns the file's text, with a final newline. Reading it back gives an equal sheet. */
export function writeSheet(sheet: WrittenSheet): string {
  return `${setOut(inOrder([sheetSchema as Loose], sheet, ''), '', '')}\n`;
}

/** Answers are shown to the technician in the order the author gave them. */
const AS_GIVEN: ReadonlySet<string> = new Set(['answers']);

function inOrder(schemas: readonly Loose[], value: unknown, name: string): unknown {
  if (value === null || typeof value !== 'object') return value;
  const plain = schemas.flatMap(flatten);
  if (Array.isArray(value)) {
    const items = plain.flatMap((schema) => [schema.items ?? []].flat());
    return value.map((each) => inOrder(items, each, name));
  }
  const order = [...new Set(plain.flatMap((schema) => Object.keys(schema.properties ?? {})))];
  const keys = Object.keys(value);
  const known = order.filter((key) => keys.includes(key));
  const others = keys.filter((key) => !order.includes(key));
  if (!AS_GIVEN.has(name)) others.sort();
  const open = plain.flatMap((schema) => Object.values(schema.patternProperties ?? {}));
  return Object.fromEntries(
    [...known, ...others].map((key) => {
      const inner = plain.flatMap((schema) => schema.properties?.[key] ?? []);
      return [
        key,
        inOrder(inner.length > 0 ? inner : open, (value as Record<string, unknown>)[key], key),
      ];
    }),
  );
}

const flatten = (schema: Loose): Loose[] =>
  schema.anyOf || schema.allOf
    ? [...(schema.anyOf ?? []), ...(schema.allOf ?? [])].flatMap(flatten)
    : [schema];

/** @param lead - What stands before it on its line, so that short things stay on one. */
function setOut(value: unknown, indent: string, lead: string): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  const line = oneLine(value);
  if (indent.length + lead.length + line.length <= LINE && !nested(value)) return line;
  const inner = `${indent}  `;
  if (Array.isArray(value)) {
    if (value.length === 0) return '[]';
    return `[\n${value.map((each) => inner + setOut(each, inner, '')).join(',\n')}\n${indent}]`;
  }
  const entries = Object.entries(value).filter(([, each]) => each !== undefined);
  if (entries.length === 0) return '{}';
  const rows = entries.map(([key, each]) => {
    const head = `${JSON.stringify(key)}: `;
    return inner + head + setOut(each, inner, head);
  });
  return `{\n${rows.join(',\n')}\n${indent}}`;
}

function oneLine(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) return `[${value.map(oneLine).join(', ')}]`;
  const entries = Object.entries(value).filter(([, each]) => each !== undefined);
  if (entries.length === 0) return '{}';
  return `{ ${entries.map(([key, each]) => `${JSON.stringify(key)}: ${oneLine(each)}`).join(', ')} }`;
}

/** Things with an id of their own stand on lines of their own, however short. */
const nested = (value: object): boolean =>
  Object.values(value).some(
    (each) =>
      Array.isArray(each) &&
      each.some((item) => item !== null && typeof item === 'object' && 'id' in item),
  );

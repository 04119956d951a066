/**
 * Validation at the edges, with Ajv, from the core's own schemas. Apart from the rest because it
 * brings Ajv along: `@jeitinho/core/validate`.
 */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import { entryBodies, entryEnvelope, type LogEntry } from './job/entries';
import { checkSheet, type SheetProblem } from './sheet/check';
import { sheetSchema, type Sheet } from './sheet/schema';

export type { SheetProblem };
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly SheetProblem[] };

// Nothing is coerced, defaulted or removed: what came in is what is kept.
const ajv = new Ajv({ allErrors: true, strict: true, strictTypes: false, strictTuples: false });
const compiled = new WeakMap<object, ValidateFunction>();

/** Problems named with their path, at most this many: a damaged file may have thousands. */
const MOST_PROBLEMS = 200;

function validatorFor(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema);
  if (known) return known;
  const fresh = ajv.compile(schema);
  compiled.set(schema, fresh);
  return fresh;
}

/** Validate any value against a schema; every problem is reported. */
export function check<S extends TSchema>(schema: S, value: unknown, base = ''): Checked<Static<S>> {
  const validate = validatorFor(schema);
  if (validate(value)) return { ok: true, value: value as Static<S> };
  return { ok: false, problems: problemsFrom(validate.errors ?? [], base) };
}

function problemsFrom(errors: readonly ErrorObject[], base: string): SheetProblem[] {
  // Branches of a union each complain; the union's own line adds nothing to them.
  const telling = errors.filter((e) => e.keyword !== 'anyOf' || errors.length === 1);
  const seen = new Set<string>();
  return telling
    .map((error) => ({ path: base + error.instancePath, message: sentence(error) }))
    .filter(({ path, message }) => !seen.has(path + message) && seen.add(path + message))
    .slice(0, MOST_PROBLEMS);
}

function sentence(error: ErrorObject): string {
  switch (error.keyword) {
    case 'required':
      return `“${error.params.missingProperty}” is missing.`;
    case 'additionalProperties':
      return `“${error.params.additionalProperty}” is not a field here.`;
    case 'const':
      return `must be ${JSON.stringify(error.params.allowedValue)}.`;
    case 'pattern':
      return 'is not written as it should be.';
    default:
      return `${error.message ?? 'is not valid'}.`;
  }
}

/** Read a sheet: its schema, then whether it hangs together. */
export function readSheet(value: unknown): Checked<Sheet> {
  const shaped = check(sheetSchema, value);
  if (!shaped.ok) return shaped;
  const problems = checkSheet(shaped.value);
  return problems.length === 0 ? shaped : { ok: false, problems };
}

/** One entry of the log: its envelope, then the body its kind asks for. */
export function readEntry(value: unknown, base = ''): Checked<LogEntry> {
  const envelope = check(entryEnvelope, value, base);
  if (!envelope.ok) return envelope;
  if (Number.isNaN(Date.parse(envelope.value.at)))
    return { ok: false, problems: [{ path: `${base}/at`, message: 'is not a moment in time.' }] };
  const body = check(entryBodies[envelope.value.kind], envelope.value.body, `${base}/body`);
  if (!body.ok) return body;
  return { ok: true, value: envelope.value as LogEntry };
}

export { Type };
export type { Static, TSchema };

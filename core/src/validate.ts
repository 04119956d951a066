/**
 * Validation at the edges, with Ajv, from the core's own schemas. Apart from the rest because it
 * brings Ajv along: `@jeitinho/core/validate`.
 */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import type { ValidateFunction } from 'ajv';
import type { LogEntry } from './job/kinds/index';
import { bodySchema, entryEnvelope } from './job/kinds/schemas';
import type { SheetProblem } from './checks/check';
import { checkWritten } from './checks/written';
import { problem } from './validation/problem';
import { FIRST_EDITION, liftSheet } from './sheet/lift';
import { SHEET_FORMAT, sheetSchema, type WrittenSheet } from './sheet/schema';
import { DEEPEST, LARGEST_SHEET, tooDeep } from './validation/bounds';
import { hoistUnions } from './validation/hoist';
import { MOST_PROBLEMS, problemsFrom } from './validation/schema-problems';
import { compileSchema } from './validation/compile';
import { HALF_CHARACTER, illFormedAt } from './validation/well-formed';
import { isMoment } from './validation/moments';
import { unknownFields } from './validation/unknown-fields';

export type { SheetProblem };
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly SheetProblem[] };

const compiled = new WeakMap<object, ValidateFunction>();

function validatorFor(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema);
  if (known) return known;
  const fresh = compileSchema(schema);
  compiled.set(schema, fresh);
  return fresh;
}

/** Validate any value against a schema; every problem is reported. */
export function check<S extends TSchema>(schema: S, value: unknown, base = ''): Checked<Static<S>> {
  const validate = validatorFor(schema);
  if (validate(value)) return { ok: true, value: value as Static<S> };
  return {
    ok: false,
    problems: problemsFrom(validate.errors ?? [], hoistUnions(schema), value, base),
  };
}

/** A sheet that can be used, with what is worth a second look; or all that keeps it from being one. */
export type ReadSheet =
  | { readonly ok: true; readonly value: WrittenSheet; readonly warnings: readonly SheetProblem[] }
  | {
      readonly ok: false;
      readonly problems: readonly SheetProblem[];
      readonly warnings: readonly SheetProblem[];
    };

const refused = (found: SheetProblem): ReadSheet => ({
  ok: false,
  problems: [found],
  warnings: [],
});

/** Read a sheet: its bounds and format, its schema, then whether it hangs together. */
export function readSheet(value: unknown): ReadSheet {
  const deep = tooDeep(value);
  if (deep !== undefined)
    return refused(
      problem(
        'too-deep',
        deep,
        `nests deeper than ${DEEPEST} levels or contains itself; no sheet does.`,
      ),
    );
  const format = formatProblem(value);
  if (format) return refused(format);
  const half = illFormedAt(value);
  if (half !== undefined) return refused(problem('ill-formed', half, HALF_CHARACTER));
  const lifted = liftSheet(value);
  const warnings = [...lifted.notes, ...unknownFields(sheetSchema, lifted.value)];
  const shaped = check(sheetSchema, lifted.value);
  if (!shaped.ok) return { ok: false, problems: shaped.problems, warnings };
  const found = checkWritten(shaped.value);
  const problems = found.filter(({ severity }) => severity === 'problem').slice(0, MOST_PROBLEMS);
  const remarks = [...found.filter(({ severity }) => severity === 'warning'), ...warnings];
  return problems.length > 0
    ? { ok: false, problems, warnings: remarks }
    : { ok: true, value: shaped.value, warnings: remarks };
}

/** Read a sheet from the text of a file. */
export function readSheetText(text: string): ReadSheet {
  if (text.length > LARGEST_SHEET)
    return refused(
      problem(
        'too-large',
        '',
        `The file has ${Math.round(text.length / 1e6)} million characters; a sheet may have ${LARGEST_SHEET / 1e6} million. Leave pictures out and split what are two machines.`,
      ),
    );
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const where = (error as Error).message.match(/position (\d+)/)?.[1];
    const line = where === undefined ? undefined : text.slice(0, Number(where)).split('\n').length;
    return refused(
      problem(
        'not-json',
        '',
        `This is not a sheet file: its JSON breaks off${line === undefined ? '' : ` in line ${line}`}. Export it again, or mend it there.`,
      ),
    );
  }
  return readSheet(value);
}

const FORMAT = /^jeitinho\.sheet\/(\d+)$/;

function formatProblem(value: unknown): SheetProblem | undefined {
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return problem('schema', '', 'A sheet is one group of fields in { }; this is something else.');
  const { format } = value as { format?: unknown };
  if (format === SHEET_FORMAT || format === FIRST_EDITION) return undefined;
  const version = typeof format === 'string' ? FORMAT.exec(format)?.[1] : undefined;
  if (version !== undefined && Number(version) > 2)
    return problem(
      'newer-format',
      '/format',
      `This sheet is of format ${version}; this program reads formats 1 and 2. Update the program, or ask for an export in format 2.`,
    );
  return problem(
    'schema',
    '/format',
    `“format” must be ${JSON.stringify(SHEET_FORMAT)}; without it nobody knows what this file is.`,
  );
}

/** One entry of the log: its envelope, then the body its kind asks for. */
export function readEntry(value: unknown, base = ''): Checked<LogEntry> {
  const envelope = check(entryEnvelope, value, base);
  if (!envelope.ok) return envelope;
  if (!isMoment(envelope.value.at))
    return { ok: false, problems: [problem('schema', `${base}/at`, 'is not a moment in time.')] };
  const half = illFormedAt(value, base);
  if (half !== undefined)
    return { ok: false, problems: [problem('ill-formed', half, HALF_CHARACTER)] };
  const body = check(bodySchema(envelope.value.kind), envelope.value.body, `${base}/body`);
  if (!body.ok) return body;
  return { ok: true, value: envelope.value as LogEntry };
}

export { outOfBounds } from './validation/bounds';
export { HALF_CHARACTER, illFormedAt } from './validation/well-formed';
export { isMoment } from './validation/moments';
export { Type };
export type { Static, TSchema };

/** Reading a request body: JSON by content type, of bounded size and shape, checked against its schema. */
import {
  check,
  HALF_CHARACTER,
  illFormedAt,
  isMoment,
  outOfBounds,
  type Static,
  type TSchema,
} from '@jeitinho/core/validate';
import type { Context } from 'hono';
import { ProblemError } from './problem';
import { breathe } from './slices';

/** @throws {ProblemError} 415, 400 or 422; nothing of a bad body is used. */
export async function jsonBody<S extends TSchema>(c: Context, schema: S): Promise<Static<S>> {
  const bytes = await jsonBytes(c);
  const value = parseJson(bytes);
  // A large one takes its time at every step: others first.
  if (bytes.byteLength > LARGE) await breathe();
  plain(value);
  if (bytes.byteLength > LARGE) await breathe();
  const checked = check(schema, value);
  if (checked.ok) return checked.value;
  throw invalid(checked.problems);
}

const LARGE = 100_000;

const invalid = (errors: readonly { path: string; message: string }[]) =>
  new ProblemError(422, 'invalid-body', 'Nothing was stored: the body is not as it should be.', {
    errors,
  });

/** @throws {ProblemError} 422 for a day or moment that no calendar has, such as 31 February or 25:00. */
export function onCalendar<T extends object>(body: T, fields: readonly (keyof T & string)[]): T {
  const errors = fields.flatMap((field) => {
    const value = body[field];
    return typeof value === 'string' && !isMoment(value)
      ? [{ path: `/${field}`, message: 'is not on the calendar; check day and time.' }]
      : [];
  });
  if (errors.length > 0) throw invalid(errors);
  return body;
}

/** The bytes of a body that says it is JSON. @throws {ProblemError} 415 */
export async function jsonBytes(c: Context): Promise<ArrayBuffer> {
  if (!/^application\/json\b/i.test(c.req.header('content-type') ?? ''))
    throw new ProblemError(415, 'not-json', 'Send JSON with content type application/json.');
  return c.req.arrayBuffer();
}

/** @throws {ProblemError} 400 for what is no JSON in UTF-8. */
export function parseJson(bytes: ArrayBuffer): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new ProblemError(
      400,
      'malformed-json',
      'Nothing was stored: the body is not valid JSON in UTF-8.',
    );
  }
}

/** @throws {ProblemError} 422 for a body out of bounds, or with text that cannot be stored. */
function plain(value: unknown): void {
  const beyond = outOfBounds(value);
  if (beyond !== undefined) throw invalid([{ path: '', message: beyond }]);
  const half = illFormedAt(value);
  if (half !== undefined) throw invalid([{ path: half.slice(0, 300), message: HALF_CHARACTER }]);
}

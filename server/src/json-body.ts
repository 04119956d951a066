/** Reading a request body: JSON by content type, of bounded size, checked against its schema. */
import { check, type Static, type TSchema } from '@jeitinho/core/validate';
import type { Context } from 'hono';
import { ProblemError } from './problem';

/** @throws {ProblemError} 415, 400 or 422; nothing of a bad body is used. */
export async function jsonBody<S extends TSchema>(c: Context, schema: S): Promise<Static<S>> {
  const checked = check(schema, await anyJson(c));
  if (checked.ok) return checked.value;
  throw new ProblemError(
    422,
    'invalid-body',
    'Nothing was stored: the body is not as it should be.',
    {
      errors: checked.problems,
    },
  );
}

export async function anyJson(c: Context): Promise<unknown> {
  if (!/^application\/json\b/i.test(c.req.header('content-type') ?? ''))
    throw new ProblemError(415, 'not-json', 'Send JSON with content type application/json.');
  try {
    return await c.req.json();
  } catch {
    throw new ProblemError(
      400,
      'malformed-json',
      'Nothing was stored: the body is not valid JSON.',
    );
  }
}

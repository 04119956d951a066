/**
 * Whether the API answers as it says it does: every answer is held against its published shape. For tests
 * and while developing; it reads each answer twice.
 */
import { OPERATIONS, problemSchema, ROUTES, type Operation, type RouteName } from '@jeitinho/core';
import { check, type TSchema } from '@jeitinho/core/validate';
import type { MiddlewareHandler } from 'hono';
import { ProblemError } from './problem';

const PREFIX = '/api/v1';

const patterns = (Object.keys(ROUTES) as RouteName[]).map((name) => ({
  name,
  method: ROUTES[name].method as string,
  path: new RegExp(`^${PREFIX}${ROUTES[name].path.replace(/\{\w+\}/g, '[^/]+')}$`),
}));

/** The route of a request; undefined for what is not of the API. */
export const routeAt = (method: string, path: string): RouteName | undefined =>
  patterns.find((each) => each.method === method && each.path.test(path.replace(/\/$/, '')))?.name;

export function checkAnswers(): MiddlewareHandler {
  return async (c, next) => {
    await next();
    const route = routeAt(c.req.method, c.req.path);
    if (route === undefined) return;
    const wrong = await wrongIn(OPERATIONS[route], c.res);
    if (wrong !== undefined)
      throw new ProblemError(500, 'answer-not-as-published', `${route}: ${wrong}`);
  };
}

/** What of an answer is not as it was published; undefined where it is. */
export async function wrongIn(operation: Operation, answer: Response): Promise<string | undefined> {
  const shape = answer.ok ? operation.answers[answer.status] : problemSchema;
  if (shape === undefined) return `it answers with ${answer.status}, which is not published`;
  if (shape === null) return answer.body === null ? undefined : 'something came back';
  const type = answer.headers.get('content-type') ?? '';
  if ('files' in shape && Array.isArray(shape.files))
    return (shape.files as readonly string[]).includes(type) ? undefined : `it is a ${type}`;
  if (!/^application\/(problem\+)?json/.test(type)) return `it is a ${type}`;
  const read = check(shape as TSchema, await answer.clone().json());
  if (read.ok) return undefined;
  return read.problems.map(({ path, message }) => `${path || '/'} ${message}`).join('; ');
}

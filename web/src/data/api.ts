/** Talking to the server: JSON in and out, problems as typed errors. */
import type { Problem } from '@jeitinho/core';

/** The server answered, and said no. */
export class ApiProblem extends Error {
  override readonly name = 'ApiProblem';
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** Why nothing can be sent now. */
export type Away = 'unreachable' | 'no-database' | 'disk-full';

/** No answer: no network, no server, or one that says it cannot store anything now. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable';
  constructor(
    readonly away: Away = 'unreachable',
    message = 'The server does not answer.',
  ) {
    super(message);
  }
}

const TIMEOUT_MS = 10_000;

/** GET, or POST where there is a body. @throws {ApiProblem | Unreachable} */
export const api = <T>(path: string, body?: unknown): Promise<T> =>
  sendTo<T>(body === undefined ? 'GET' : 'POST', path, body);

/** A part of a list, and where it goes on. */
export interface Page<T> {
  readonly items: readonly T[];
  /** Path of the next page; undefined on the last. */
  readonly next: string | undefined;
}

/** One page of a list. @throws {ApiProblem | Unreachable} */
export async function apiPage<T>(path: string): Promise<Page<T>> {
  const response = await answerTo('GET', path);
  const next = /<\/api\/v1([^>]+)>; rel="next"/.exec(response.headers.get('link') ?? '')?.[1];
  return { items: (await response.json()) as T[], next };
}

/** A whole list, page by page. @throws {ApiProblem | Unreachable} */
export async function apiList<T>(path: string): Promise<T[]> {
  const all: T[] = [];
  for (let next: string | undefined = path; next !== undefined; ) {
    const page: Page<T> = await apiPage<T>(next);
    all.push(...page.items);
    next = page.next;
  }
  return all;
}

/** @returns undefined for an answer without content. @throws {ApiProblem | Unreachable} */
export async function sendTo<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  const response = await answerTo(method, path, body);
  return response.status === 204 ? (undefined as T) : ((await response.json()) as T);
}

/** An answer that is no problem. @throws {ApiProblem | Unreachable} */
async function answerTo(method: string, path: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      ...(body !== undefined && {
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
  } catch {
    throw new Unreachable();
  }
  if (response.ok) return response;
  if (response.headers.get('content-type')?.startsWith('application/problem+json')) {
    const problem = (await response.json()) as Problem;
    // It is there and cannot store anything: to be come back to, as if it were not.
    if (response.status === 503) throw new Unreachable(awayOf(problem.code), problem.detail);
    throw new ApiProblem(problem);
  }
  // A proxy or a half-started server in between: as good as no answer.
  throw new Unreachable();
}

const awayOf = (code: string): Away =>
  code === 'no-database' || code === 'disk-full' ? code : 'unreachable';

/** Talking to the server: JSON in and out, problems as typed errors. */
import type { Problem } from '@jeitinho/core';

/** The server answered, and said no. */
export class ApiProblem extends Error {
  override readonly name = 'ApiProblem';
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** No answer: no network, or no server. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable';
  constructor() {
    super('The server does not answer.');
  }
}

const TIMEOUT_MS = 10_000;

/** GET, or POST where there is a body. @throws {ApiProblem | Unreachable} */
export const api = <T>(path: string, body?: unknown): Promise<T> =>
  sendTo<T>(body === undefined ? 'GET' : 'POST', path, body);

/** @returns undefined for an answer without content. @throws {ApiProblem | Unreachable} */
export async function sendTo<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
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
  if (response.status === 204) return undefined as T;
  if (response.ok) return (await response.json()) as T;
  if (response.headers.get('content-type')?.startsWith('application/problem+json'))
    throw new ApiProblem((await response.json()) as Problem);
  // A proxy or a half-started server in between: as good as no answer.
  throw new Unreachable();
}

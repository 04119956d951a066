/** Errors of the API as `application/problem+json` (RFC 9457). */
import type { Problem } from '@jeitinho/core';

export type ProblemStatus = 400 | 401 | 403 | 404 | 409 | 413 | 415 | 421 | 422 | 429 | 500 | 503;

const TITLES: Record<ProblemStatus, string> = {
  400: 'Not understood',
  401: 'Nobody is signed in',
  403: 'Not yours to do',
  404: 'Not there',
  409: 'Refused',
  413: 'Too large',
  415: 'Not of the right kind',
  421: 'Not for this server',
  422: 'Not as it should be',
  429: 'Too often',
  500: 'Something broke here',
  503: 'Not available',
};

/** Thrown anywhere below a route; the app's one error handler answers with it. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  readonly problem: Problem;
  /** Seconds after which asking again may help. */
  readonly retryAfter: number | undefined;

  constructor(
    status: ProblemStatus,
    code: string,
    detail: string,
    { retryAfter, ...more }: Pick<Problem, 'errors' | 'entry'> & { retryAfter?: number } = {},
  ) {
    super(detail);
    this.problem = { type: 'about:blank', title: TITLES[status], status, code, detail, ...more };
    this.retryAfter = retryAfter;
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError(404, 'not-found', `There is no ${what}.`);

export function problemResponse({ problem, retryAfter }: ProblemError): Response {
  return new Response(JSON.stringify(problem), {
    status: problem.status,
    headers: {
      'content-type': 'application/problem+json',
      ...(retryAfter !== undefined && { 'retry-after': String(retryAfter) }),
    },
  });
}

/** Talking to the server: JSON in and out, problems as typed errors. */
import {
  pathOf,
  ROUTES,
  type AnswerOf,
  type BodyFor,
  type ParamsOf,
  type Problem,
  type QueryOf,
  type RouteName,
} from '@jeitinho/core';
import { noteAnswer } from './answer-watch';
import { noteRefusedSession } from './signed-out';

/** The server answered, and said no. */
export class ApiProblem extends Error {
  override readonly name = 'ApiProblem';
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** Why nothing can be sent now. */
export type Away = 'unreachable' | 'no-database' | 'disk-full' | 'signed-out';

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

/** What a route is asked with: the names in its path, its questions, its body. */
export type Asked<R extends RouteName> = ([keyof ParamsOf<R>] extends [never]
  ? { readonly params?: undefined }
  : { readonly params: ParamsOf<R> }) &
  ([BodyFor<R>] extends [undefined]
    ? { readonly body?: undefined }
    : { readonly body: BodyFor<R> }) & {
    readonly query?: QueryOf<R>;
  };

/** @throws {ApiProblem | Unreachable} */
export async function ask<R extends RouteName>(
  route: R,
  { params, query, body }: Asked<R>,
): Promise<AnswerOf<R>> {
  // A route without names in its path has no parameters.
  const path = pathOf(route, (params ?? {}) as ParamsOf<R>, { ...query });
  return (await askAt(route, path, body)).value;
}

/** Path of what is asked: its name on this device as well. */
export const pathAsked = <R extends RouteName>(route: R, { params, query }: Asked<R>): string =>
  pathOf(route, (params ?? {}) as ParamsOf<R>, { ...query });

interface Answered<R extends RouteName> {
  readonly value: AnswerOf<R>;
  /** Path of the next page; undefined on the last, and for what has no pages. */
  readonly next: string | undefined;
}

/** The same by its path, as the page before gave it. @throws {ApiProblem | Unreachable} */
export async function askAt<R extends RouteName>(
  route: R,
  path: string,
  body?: unknown,
): Promise<Answered<R>> {
  const response = await answerTo(ROUTES[route].method, path, body);
  // What comes back is as the route says; held against its shape in tests and while developing.
  const value = (response.status === 204 ? undefined : await response.json()) as AnswerOf<R>;
  noteAnswer(route, response.status, value);
  const next = /<\/api\/v1([^>]+)>; rel="next"/.exec(response.headers.get('link') ?? '')?.[1];
  return { value, next };
}

/** Routes whose answer is a list. */
export type ListRoute = {
  [R in RouteName]: AnswerOf<R> extends readonly unknown[] ? R : never;
}[RouteName];
export type ItemOf<R extends ListRoute> = AnswerOf<R> extends readonly (infer T)[] ? T : never;

/** A part of a list, and where it goes on. */
export interface Page<T> {
  readonly items: readonly T[];
  /** Path of the next page; undefined on the last. */
  readonly next: string | undefined;
}

/** One page of a list. @throws {ApiProblem | Unreachable} */
export async function pageAt<R extends ListRoute>(
  route: R,
  path: string,
): Promise<Page<ItemOf<R>>> {
  const { value, next } = await askAt(route, path);
  // An answer of a list route is a list; the compiler loses that through the choice of the route.
  return { items: value as readonly ItemOf<R>[], next };
}

/** A whole list, page by page. @throws {ApiProblem | Unreachable} */
export async function askAll<R extends ListRoute>(route: R, asked: Asked<R>): Promise<ItemOf<R>[]> {
  const all: ItemOf<R>[] = [];
  for (let next: string | undefined = pathAsked(route, asked); next !== undefined;) {
    const page: Page<ItemOf<R>> = await pageAt(route, next);
    all.push(...page.items);
    next = page.next;
  }
  return all;
}

/** An answer that is no problem. @throws {ApiProblem | Unreachable} */
async function answerTo(method: string, path: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      ...(body instanceof Blob
        ? { headers: { 'content-type': body.type }, body }
        : body !== undefined && {
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
    if (problem.code === 'signed-out') {
      noteRefusedSession();
      // What this device keeps is shown meanwhile, and what it wrote waits.
      throw new Unreachable('signed-out', problem.detail);
    }
    if (problem.code === 'too-often' && !path.startsWith('/session') && !path.startsWith('/me'))
      throw new Unreachable('unreachable', problem.detail);
    // It is there and cannot store anything: to be come back to, as if it were not.
    if (response.status === 503) throw new Unreachable(awayOf(problem.code), problem.detail);
    throw new ApiProblem(problem);
  }
  // A proxy or a half-started server in between: as good as no answer.
  throw new Unreachable();
}

const awayOf = (code: string): Away =>
  code === 'no-database' || code === 'disk-full' ? code : 'unreachable';

/**
 * Before any handler: who asks, and whether they may. All of it comes from the one table of roles and routes in
 * the core; a route that is not in it is not reached at all.
 */
import { reachOf, rolesFor, type Role, type RouteName } from '@jeitinho/core';
import type { Context, MiddlewareHandler } from 'hono';
import { routeAt } from '../check-answers';
import { ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';
import type { Surroundings } from '../surroundings';
import { tokenIn } from './cookie';
import { digest } from './secrets';
import { whoIs } from './sessions';
import type { SignedIn } from './signed-in';

declare module 'hono' {
  interface ContextVariableMap {
    /** Undefined where nobody is signed in. */
    person: SignedIn | undefined;
  }
}

/** What needs no session and is no route of the document. */
const OPEN: ReadonlySet<string> = new Set(['/api/v1', '/api/v1/', '/api/v1/openapi.json']);

export function guard(store: Store, { secure }: Surroundings): MiddlewareHandler {
  return async (c, next) => {
    if (OPEN.has(c.req.path)) return next();
    const method = c.req.method === 'HEAD' ? 'GET' : c.req.method;
    const route = routeAt(method, c.req.path);
    if (route === undefined)
      throw new ProblemError(404, 'not-found', 'There is nothing at this address of the API.');
    if (method !== 'GET') fromOwnPage(c);
    const person = await asking(store, tokenIn(c, secure));
    c.set('person', person);
    const reach = reachOf(route, person?.roles);
    if (person === undefined && reach === undefined) throw nobody();
    if (reach === undefined) throw notYours(route);
    if (reach === 'own' && !(await isOwn(store, route, c, person!))) throw notYours(route, true);
    await next();
    if (method !== 'GET' && route !== 'append') store.memory.sessions.forget();
  };
}

/** Who a token belongs to; asked of the database once a second. */
async function asking(store: Store, token: string | undefined): Promise<SignedIn | undefined> {
  if (!token) return undefined;
  const key = digest(token);
  const known = store.memory.sessions.get(key);
  if (known) return known;
  const person = await whoIs(store, token);
  if (person) store.memory.sessions.set(key, person);
  return person;
}

/** Somebody is signed in: the guard let them by. */
export const me = (c: Context): SignedIn => c.get('person')!;

export const nobody = () =>
  new ProblemError(
    401,
    'signed-out',
    'Nobody is signed in on this device. What is written is kept here and sent after signing in.',
  );

export function notYours(route: RouteName, other = false): ProblemError {
  const who = rolesFor(route).filter((role) => !other || role !== 'technician');
  return new ProblemError(
    403,
    'not-yours',
    other
      ? `Nothing was changed: it is somebody else’s. ${askFor(who)}`
      : `Nothing was changed: this is not yours to do. ${askFor(who)}`,
  );
}

const CALLED: Readonly<Record<Role, string>> = {
  technician: 'a technician',
  lead: 'a lead',
  office: 'the office',
  owner: 'an owner',
};
const askFor = (roles: readonly Role[]) =>
  `Ask ${new Intl.ListFormat('en', { type: 'disjunction' }).format(roles.map((role) => CALLED[role]))}.`;

/** A page of another site may not act here, whatever cookie its visitor has. @throws {ProblemError} 403 */
function fromOwnPage(c: Context): void {
  const origin = c.req.header('origin');
  if (origin === undefined || hostOf(origin) === c.req.header('host')) return;
  throw new ProblemError(403, 'foreign-page', 'Nothing was changed: another site asked for it.');
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}

/** Whether what is asked about belongs to somebody. What is not there is theirs: the handler says so. */
async function isOwn(
  store: Store,
  route: RouteName,
  c: Context,
  person: SignedIn,
): Promise<boolean> {
  const id = idIn(c.req.path);
  // What it is stands in the body: its handler looks.
  if (route === 'saveSheet') return true;
  if (route === 'personDevices') return id === person.id;
  if (route === 'endDevice') {
    const session = await store.sessions.findByPk(id, { attributes: ['personId'] });
    return session === null || session.personId === person.id;
  }
  return isOwnVisit(store, id, person);
}

/** The one id in a path: `/jobs/ID/entries`. As the handlers read it: what is no encoding stands as it is. */
function idIn(path: string): string {
  const id = path.slice('/api/v1/'.length).split('/')[1] ?? '';
  try {
    return decodeURIComponent(id);
  } catch {
    return id;
  }
}

/** A visit that is theirs or nobody's, that they handed on, or that they have written in. */
export async function isOwnVisit(store: Store, id: string, { names }: SignedIn): Promise<boolean> {
  const [job] = await raw<{ technician: string | null; handed: { from: string } | null }[]>(
    store.sequelize,
    'SELECT technician, handed FROM jobs WHERE id = ?',
    [id],
  );
  if (!job || job.technician === null || names.includes(job.technician)) return true;
  if (job.handed && names.includes(job.handed.from)) return true;
  const [written] = await raw<object[]>(
    store.sequelize,
    `SELECT 1 FROM entries WHERE jobId = ? AND author IN (${names.map(() => '?').join(', ')}) LIMIT 1`,
    [id, ...names],
  );
  return written !== undefined;
}

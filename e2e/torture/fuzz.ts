/** Odd requests to every route: whatever comes, the answer is no 500, and the server lives. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../support/jeitinho';
import { UNITS } from '../support/units';
import { ask, made, type Answer } from './client';
import { openJob, remark } from './load';

export interface FuzzResult {
  readonly requests: number;
  /** Answers by status. */
  readonly statuses: Record<string, number>;
  /** Requests that were answered 500, or not at all. */
  readonly broken: readonly string[];
}

/** Small generator with a seed: a run that found something can be run again. */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const HALF = '"\\ud83d"';
const ODD_VALUES: readonly string[] = [
  'null', 'true', '0', '-1', '1e308', '2147483648', '99999999999999999999', '""', '"x"', HALF, '[]',
  '{}', '[null]', '"2026-02-31T00:00:00.000Z"', '"2026-03-02T25:00:00.000Z"',
  '"0000-00-00T00:00:00.000Z"', '"99999-01-01"', '"\\u0000"', '"\'; DROP TABLE jobs; --"', '"%"',
  `"${'é'.repeat(3000)}"`, `"${'k'.repeat(100_000)}"`, '{"__proto__":{"x":1}}',
  `${'['.repeat(500)}${']'.repeat(500)}`, '{"$ref":"#"}',
]; // oxfmt-ignore
const ODD_BODIES: readonly (string | Buffer)[] = [
  ...ODD_VALUES, '', '{', 'nonsense', '\ufeff{}', Buffer.from([0x22, 0xff, 0xfe, 0x22]),
  Buffer.from('{"text":"\xc3"}', 'latin1'),
  `{${Array.from({ length: 30_000 }, (_, i) => `"k${i}":1`).join(',')}}`,
  `{"${'k'.repeat(500_000)}":1}`, '['.repeat(50_000) + ']'.repeat(50_000), 'x'.repeat(1_500_000),
]; // oxfmt-ignore
const ODD_IDS: readonly string[] = [
  'nobody', '0', '-1', '%00', '%F0%9F%98%80', '%ED%A0%80', '..%2f..%2fetc', 'a'.repeat(3000), '%20',
  "'%20OR%201=1", '%2525', '%', '01930000-0000-7000-8000-ffffffffffff', '__proto__', 'constructor',
]; // oxfmt-ignore
const ODD_QUERIES: readonly string[] = [
  '', '?limit=0', '?limit=-1', '?limit=1e9', '?limit=x', '?limit=3', '?after=x', '?after=-1', '?after=1e99',
  '?after=2147483648', '?after=W10', '?after=WyJhIiwiYiJd', '?after=WzEsMl0', '?after=WyJhIiwiYiIsImMiXQ',
  '?status=open', '?status=signed&limit=2', '?status=asleep', '?unit=%00', '?unit=x&after=WyJhIiwiYiJd',
  '?q=', '?q=%25', '?q=cold%20room', '?q=%2B-*%22()%7E', '?q=%F0%9F%98%80', '?site=x', '?customer=%00',
  `?q=${'a'.repeat(2000)}`, '?after=%ED%A0%80', '?q=ab', "?q='", '?status=open&status=signed',
]; // oxfmt-ignore

interface Route {
  readonly method: string;
  /** `:id` stands for what it names. */
  readonly path: string;
  readonly body?: () => unknown;
}

/** Every route, with a body that would be taken. */
function routesOf(known: { job: string; sheet: Record<string, unknown> }): Route[] {
  const meter = { id: 'fuzz', name: 'Fuzz', functions: {} };
  return [
    ...['/customers', '/sites', '/units', '/jobs', '/meters', '/sheets', '/shop', '/health'].map(
      (path) => ({ method: 'GET', path }),
    ),
    ...[
      '/customers/:id', '/sites/:id', '/units/:id', '/jobs/:id', '/jobs/:id/entries', '/jobs/:id/report',
      '/photos/:id', '/sheets/:id', '/sheets/:id/revisions', '/sheets/:id/revisions/1',
      '/sheets/ondar-pb14/revisions/:id', '/sheets/:id/revisions/:id/dictionary', '/jobs/:id/meter',
    ].map((path) => ({ method: 'GET', path })), // oxfmt-ignore
    { method: 'POST', path: '/customers', body: () => ({ name: 'Fuzz', phone: '' }) },
    {
      method: 'POST',
      path: '/sites',
      body: () => ({ customerId: '01930000-0000-7000-8000-000000000001', name: 'Fuzz' }),
    },
    {
      method: 'POST',
      path: '/units',
      body: () => ({
        siteId: '01930000-0000-7000-8000-000000000011',
        label: 'Fuzz',
        maker: 'x',
        model: 'y',
        kind: 'z',
        installedOn: '2024-02-30',
      }),
    },
    {
      method: 'POST',
      path: '/jobs',
      body: () => ({
        unitId: UNITS.fridge,
        complaint: 'Fuzz',
        visitAt: '2026-02-31T00:00:00.000Z',
        bench: { seed: 1 },
      }),
    },
    { method: 'POST', path: '/people', body: () => ({ name: 'Fuzz', roles: ['technician'] }) },
    { method: 'PATCH', path: '/people/:id', body: () => ({ roles: ['lead'], licences: [] }) },
    { method: 'GET', path: '/people/:id/devices' },
    { method: 'POST', path: '/people/:id/link', body: () => ({}) },
    { method: 'GET', path: '/audit' },
    {
      method: 'POST',
      path: '/session',
      body: () => ({ login: 'fuzz', password: 'x', device: 'y' }),
    },
    { method: 'POST', path: '/session/link/look', body: () => ({ token: 'x'.repeat(43) }) },
    {
      method: 'PUT',
      path: '/me/password',
      body: () => ({ old: 'x', password: 'a long sentence' }),
    },
    { method: 'DELETE', path: '/devices/:id' },
    { method: 'POST', path: '/proposals/:id/decide', body: () => ({ take: false, reason: 'x' }) },
    {
      method: 'POST',
      path: `/jobs/${known.job}/entries`,
      body: () => ({ entries: [remark('fuzz')], sentAt: new Date().toISOString() }),
    },
    {
      method: 'POST',
      path: `/jobs/${known.job}/entries`,
      body: () => ({
        entries: [
          {
            ...remark(''),
            kind: 'reading',
            body: {
              test: 'inv-fuse',
              point: 'F1',
              function: 'ohm',
              reading: { kind: 'value', value: 1 },
              typed: '1',
            },
          },
        ],
      }),
    },
    { method: 'POST', path: '/jobs/:id/entries', body: () => ({ entries: [remark('fuzz')] }) },
    { method: 'POST', path: '/jobs/:id/sheet', body: () => ({ sheetId: 'ondar-pb14' }) },
    { method: 'POST', path: '/sheets', body: () => known.sheet },
    { method: 'PUT', path: '/sheets/:id/revisions/:id/dictionary', body: () => ({ faults: {} }) },
    { method: 'PUT', path: '/meters/fuzz', body: () => meter },
    { method: 'PUT', path: '/meters/:id', body: () => meter },
    { method: 'POST', path: '/meters/:id/in-hand', body: () => ({}) },
    { method: 'DELETE', path: '/meters/:id' },
    { method: 'PUT', path: '/photos/:id', body: () => 'x' },
    { method: 'PATCH', path: '/jobs/:id', body: () => ({}) },
    { method: 'DELETE', path: '/jobs/:id' },
  ];
}

/** A value somewhere in a body replaced by an odd one, a field taken away, or one too many. */
function mutated(value: unknown, roll: () => number): string {
  const places: string[] = [];
  const text = JSON.stringify(value, function (this: unknown, key, inner: unknown) {
    if (key !== '') places.push(key);
    return inner;
  });
  const key = places[Math.floor(roll() * places.length)];
  const odd = ODD_VALUES[Math.floor(roll() * ODD_VALUES.length)]!;
  if (key === undefined) return odd;
  const chosen = roll();
  const parsed = JSON.parse(text) as unknown;
  const MARK = '"__odd__"';
  let met = Math.floor(roll() * places.filter((each) => each === key).length);
  const marked = JSON.stringify(parsed, (each, inner: unknown) => {
    if (each !== key || met-- !== 0) return inner;
    return chosen < 0.15 ? undefined : '__odd__';
  });
  const field = `"x${Math.floor(roll() * 1e6)}":${odd}`;
  if (chosen > 0.9 && marked.startsWith('{')) return `{${field},${text.slice(1)}`;
  return marked.replace(MARK, odd);
}

export async function fuzz(url: string, requests: number, seed = 1): Promise<FuzzResult> {
  const roll = dice(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
  const job = await openJob(url);
  const sheet = await made<Record<string, unknown>>(ask(`${url}/api/v1/sheets/ondar-pb14`));
  const routes = routesOf({ job, sheet });
  const statuses: Record<string, number> = {};
  const broken: string[] = [];
  const note = (what: string, answer: Answer | Error) => {
    const status = answer instanceof Error ? 'none' : String(answer.status);
    statuses[status] = (statuses[status] ?? 0) + 1;
    if (status === '500' || status === 'none') broken.push(`${status} ${what}`.slice(0, 300));
  };
  for (let n = 0; n < requests; n += 1) {
    const { method, path, body } = pick(routes);
    const real = [job, UNITS.fridge, 'ondar-pb14', '1'];
    const address = path.replaceAll(':id', () => (roll() < 0.4 ? pick(real) : pick(ODD_IDS)));
    const query = method === 'GET' && roll() < 0.6 ? pick(ODD_QUERIES) : '';
    const sent = body ? (roll() < 0.35 ? pick(ODD_BODIES) : mutated(body(), roll)) : undefined;
    const type = roll() < 0.05 ? { 'content-type': 'text/plain' } : undefined;
    const answer = await ask(`${url}/api/v1${address}${query}`, {
      method,
      ...(sent !== undefined && { body: sent }),
      ...(type && { headers: type }),
    }).catch((error: Error) => error);
    note(`${method} ${address}${query} ${String(sent).slice(0, 160)}`, answer);
  }
  return { requests, statuses, broken };
}

/** What of the log’s file speaks of a text: none may. */
export const logHas = (data: string, text: string): boolean =>
  readFileSync(join(data, 'server.log'), 'utf8').includes(text);

export { ROOT };

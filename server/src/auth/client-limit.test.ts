/** How often one client may ask; nothing here waits, and nothing depends on how quick the machine is. */
import { Hono } from 'hono';
import type { ProblemError } from '../problem';
import { problemResponse } from '../problem';
import { ON_LOOPBACK, type Surroundings } from '../surroundings';
import { Buckets, clientLimit, signInLimit } from './client-limit';

const PROXY: Surroundings = {
  ...{ secure: true, loopback: false, madeUp: false, hosts: [], behindProxy: true },
};

function door(limit: typeof clientLimit, around: Surroundings) {
  const app = new Hono().use(limit(around, new Buckets(3, 1e-6))).all('/', (c) => c.text('in'));
  app.onError((error) => problemResponse(error as ProblemError));
  return async (address: string, method = 'GET') => {
    // What a client writes there itself stands before the proxy's own word.
    const headers = { 'x-forwarded-for': `10.9.9.9, ${address}` };
    const response = await app.request('/', { method, headers });
    return { status: response.status, after: Number(response.headers.get('retry-after')) };
  };
}

test('three at once, then it waits; another client of the same proxy is not held up', async () => {
  const ask = door(clientLimit, PROXY);
  const statuses: number[] = [];
  for (let i = 0; i < 4; i += 1) statuses.push((await ask('192.0.2.7')).status);
  expect(statuses).toEqual([200, 200, 200, 429]);
  expect((await ask('192.0.2.7')).after).toBeGreaterThan(1000);
  expect((await ask('192.0.2.8')).status).toBe(200);
});

test('on loopback nobody else asks: nothing is counted', async () => {
  const ask = door(clientLimit, ON_LOOPBACK);
  for (let i = 0; i < 9; i += 1) expect((await ask('192.0.2.7')).status).toBe(200);
});

test('signing in is counted on loopback too, looking who is signed in is not', async () => {
  const ask = door(signInLimit, ON_LOOPBACK);
  for (let i = 0; i < 9; i += 1) expect((await ask('x')).status).toBe(200);
  for (let i = 0; i < 3; i += 1) expect((await ask('x', 'POST')).status).toBe(200);
  expect((await ask('x', 'POST')).status).toBe(429);
});

/** What is built and started, not only its sources: odd entries are told, odd messages stop nothing. */
import { expect, test } from '../support/test';
import { fetch } from '../support/signed-in';

const entry = (kind: string, body: unknown) => ({
  id: crypto.randomUUID(),
  kind,
  at: new Date().toISOString(),
  author: 'Davi Moura',
  body,
});

test('malformed entries are answered with their problems, each with its path', async ({
  jeitinho,
  newJob,
}) => {
  const id = await newJob();
  for (const [odd, path] of [
    [entry('sparks', {}), '/entries/0/kind'],
    [entry('code', { shown: 21 }), '/entries/0/body/shown'],
    [entry('safed', { step: 'wished' }), '/entries/0/body/step'],
    [entry('answer', { test: 7 }), '/entries/0/body'],
    [null, '/entries/0'],
  ] as const) {
    const response = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [odd] }),
    });
    const body = (await response.json()) as { errors?: { path: string; message: string }[] };
    expect(response.status).toBe(422);
    expect(body.errors?.[0]?.path).toContain(path);
    expect(body.errors![0]!.message).toMatch(/\w/);
  }
});

test('no message on a meter’s socket ends the server', async ({ page, jeitinho, newJob }) => {
  const id = await newJob('fridge', { seed: 24 });
  await page.goto('/');
  const messages = [
    'null',
    '{}',
    '[]',
    '"x"',
    'nonsense',
    '{"do":"dance"}',
    '{"do":"place"}',
    '{"do":"place","at":1,"placement":{"function":"sparks"}}',
    '{"do":"place","at":-1,"placement":null}',
    '{"do":"look"}',
  ];
  const answers = await page.evaluate(
    ([address, list]) =>
      new Promise<number>((resolve, reject) => {
        const socket = new WebSocket(address);
        let told = 0;
        socket.onmessage = ({ data }) => {
          told += String(data).includes('"event":"trouble"') ? 1 : 0;
          if (told === list.length) resolve(told);
        };
        socket.onclose = () => reject(new Error(`closed after ${told}`));
        socket.onopen = () => list.forEach((each) => socket.send(each));
      }),
    [`${jeitinho.url.replace('http', 'ws')}/api/v1/jobs/${id}/meter`, messages] as const,
  );
  expect(answers).toBe(messages.length);
  expect((await fetch(`${jeitinho.url}/api/v1/jobs/${id}`)).status).toBe(200);
});

test('the page and its worker are asked for again each time, built files never; forms and bases stay here', async ({
  jeitinho,
}) => {
  const headers = async (path: string) => (await fetch(`${jeitinho.url}${path}`)).headers;
  const page = await (await fetch(`${jeitinho.url}/`)).text();
  const assets = page.match(/\/assets\/[^"]+\.js/g)!;
  // Each is a way there and back before anything is drawn.
  expect(assets.length).toBeLessThanOrEqual(3);
  const asset = assets[0]!;
  for (const path of ['/', '/index.html', '/sw.js', '/manifest.webmanifest', '/jobs/x/measure'])
    expect([path, (await headers(path)).get('cache-control')]).toEqual([path, 'no-cache']);
  expect((await headers(asset)).get('cache-control')).toBe('public, max-age=31536000, immutable');
  expect((await headers('/api/v1/jobs')).get('cache-control')).toBe('no-store');
  const policy = (await headers('/')).get('content-security-policy')!;
  for (const rule of ["default-src 'self'", "base-uri 'none'", "form-action 'self'"])
    expect(policy).toContain(rule);
});

test('what Today asks first comes with the page, and is asked once', async ({ page, jeitinho }) => {
  const first = '/api/v1/jobs?status=open&limit=60';
  const told = (await fetch(`${jeitinho.url}/`)).headers.get('link') ?? '';
  expect(told).toContain(`<${first}>; rel=preload; as=fetch`);
  expect((await fetch(`${jeitinho.url}/week`)).headers.get('link')).toBeNull();
  const asked: string[] = [];
  page.on('request', (request) =>
    asked.push(new URL(request.url()).pathname + new URL(request.url()).search),
  );
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Next visit' })).toBeVisible();
  expect(asked.filter((path) => path === first)).toHaveLength(1);
});

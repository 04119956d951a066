/**
 * A phone in a shop: over TLS with the shop's own authority, in by a link and then by passkey, without a network,
 * from hand to hand, nothing lost. And its data: backed up while it runs, restored into a new folder, compared.
 */
import { X509Certificate, createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type Page } from '@playwright/test';
import { WHOLE } from '../support/browser';
import { freePort, freshFolder, Jeitinho, ROOT } from '../support/jeitinho';
import { say } from '../support/away';
import { opened } from '../support/test';

const HOST = 'oficina.test';
const PASSWORD = 'seven bridges at dusk';
const run = (...args: string[]) => spawnSync(join(ROOT, 'jeitinho'), args, { encoding: 'utf8' });

/** By name, believed because of the shop's own authority. */
function ask(port: number, ca: string, path: string, headers: Record<string, string> = {}) {
  return new Promise<{ status: number; text: string }>((resolve, reject) => {
    request(
      {
        ...{ host: '127.0.0.1', port, path, ca, servername: HOST },
        headers: { host: `${HOST}:${port}`, ...headers },
      },
      (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode!, text }));
      },
    )
      .on('error', reject)
      .end();
  });
}

/** What a phone does that trusts the authority. */
const spki = (pem: string) =>
  createHash('sha256')
    .update(new X509Certificate(pem).publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');

async function comeIn(page: Page, address: string, name: string, login: string): Promise<void> {
  await page.goto(address);
  const called = page.getByLabel('Your name');
  await expect(page.getByLabel('Password')).toBeVisible();
  if (await called.isVisible()) await called.fill(name);
  await page.getByLabel('Sign-in name').fill(login);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(hands(page, name)).toBeVisible();
}

const hands = (page: Page, name: string) =>
  page.getByRole('button', { name: `${name} is working; change hands` });

/** As the signed-in page asks. */
const inPage = <T>(page: Page, method: string, path: string, body?: unknown): Promise<T> =>
  page.evaluate(
    async ([how, where, what]) => {
      const response = await fetch(`/api/v1${where}`, {
        method: how,
        ...(what !== null && {
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(what),
        }),
      });
      if (!response.ok) throw new Error(await response.text());
      return (response.status === 204 ? null : await response.json()) as never;
    },
    [method, path, body ?? null] as const,
  );

test('in by passkey over the shop’s own TLS, without a network, from hand to hand; then backed up and restored', async () => {
  const refused = run('start', '--data', freshFolder(), '--listen', '0.0.0.0');
  expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('only with TLS')]);

  const shop = new Jeitinho(await freePort(), undefined, [
    ...['--no-demo', '--listen', '0.0.0.0', '--own-ca', '--host', HOST],
  ]);
  await shop.start();
  const { port } = shop;
  const authority = readFileSync(join(shop.data, 'authority/authority.crt'), 'utf8');
  expect((await ask(port, authority, '/health/ready')).status).toBe(200);
  // By another name it is not spoken to.
  expect((await ask(port, authority, '/health', { host: 'elsewhere.test' })).status).toBe(421);
  const context = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'phone.')), {
    ...WHOLE,
    args: [
      ...WHOLE.args,
      `--host-resolver-rules=MAP ${HOST} 127.0.0.1`,
      `--ignore-certificate-errors-spki-list=${spki(authority)}`,
    ],
    ...{ baseURL: shop.url, viewport: { width: 390, height: 844 }, hasTouch: true },
    ...{ serviceWorkers: 'allow', locale: 'en-GB' },
  });
  context.setDefaultTimeout(60_000);
  const page = context.pages()[0] ?? (await context.newPage());
  const devtools = await context.newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      ...{ protocol: 'ctap2', transport: 'internal', hasResidentKey: true },
      ...{ hasUserVerification: true, isUserVerified: true, automaticPresenceSimulation: true },
    },
  });

  await page.goto('/trust');
  const keeping = new X509Certificate(authority).fingerprint256.replaceAll(':', ' ');
  await expect(page.getByText(keeping)).toBeVisible();

  await comeIn(page, /https:\S+welcome#\S+/.exec(shop.output)![0], 'Lia Mota', 'lia');
  expect(await page.evaluate(() => window.isSecureContext)).toBe(true);
  await page.goto('/me');
  await page.getByRole('button', { name: 'Make a passkey on this device' }).click();
  await expect(page.getByRole('list', { name: 'Your passkeys' })).toContainText('made today');
  await page.goto('/keeping');
  await expect(page.getByText(keeping)).toBeVisible();

  const sheet = JSON.parse(readFileSync(join(ROOT, 'demo/sheets/geadal-cr3.json'), 'utf8')) as {
    id: string;
  };
  await inPage(page, 'POST', '/sheets', sheet);
  const customer = await inPage<{ id: string }>(page, 'POST', '/customers', { name: 'Rio Frio' });
  const site = await inPage<{ id: string }>(page, 'POST', '/sites', {
    ...{ customerId: customer.id, name: 'Cold store' },
  });
  const unit = await inPage<{ id: string }>(page, 'POST', '/units', {
    ...{ siteId: site.id, label: 'Cold room 2', maker: 'Geadal', model: 'CR-3', kind: 'cold room' },
    sheetId: sheet.id,
  });
  const job = await inPage<{ id: string }>(page, 'POST', '/jobs', {
    ...{ unitId: unit.id, complaint: 'Warm' },
  });

  // Somebody else joins on this phone; then by passkey the first one is back.
  const joined = await inPage<{ link: { path: string } }>(page, 'POST', '/people', {
    ...{ name: 'Noa Reis', roles: ['technician'] },
  });
  await comeIn(page, `${shop.url}${joined.link.path}`, 'Noa Reis', 'noa');
  await hands(page, 'Noa Reis').click();
  await page.getByRole('button', { name: 'Sign out here' }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(hands(page, 'Lia Mota')).toBeVisible();

  await test.step('without a network: from hand to hand', async () => {
    await page.goto(`/jobs/${job.id}/arrive`);
    await opened(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await opened(page);
    await context.setOffline(true);
    await say(page, job.id, 'Lia hears the fan.');
    await page.goto('/');
    await hands(page, 'Lia Mota').click();
    await page.getByRole('button', { name: /^Noa Reis/ }).click();
    await expect(hands(page, 'Noa Reis')).toBeVisible();
    await say(page, job.id, 'Noa sees the ice.');
    await page.goto('/');
    await page.reload();
    const unsent = page.getByRole('region', { name: 'Not sent yet' });
    await expect(unsent).toContainText('1 entry of Lia Mota');
    await context.setOffline(false);
  });

  await test.step('each one’s goes under their own name', async () => {
    const log = async () => {
      const { entries } = await inPage<{ entries: { author: string; body: object }[] }>(
        page,
        'GET',
        `/jobs/${job.id}/entries?after=0`,
      );
      return entries
        .filter(({ body }) => /hears|sees/.test(JSON.stringify(body)))
        .map(({ author }) => author)
        .sort();
    };
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.getByRole('button', { name: /^Noa Reis/ }).click();
    await page.getByRole('dialog').getByLabel('Password').fill(PASSWORD);
    await page.getByRole('dialog').getByRole('button', { name: 'Sign in', exact: true }).click();
    // The former session ends a moment before the new one is here: nothing is asked between them.
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect.poll(log).toEqual(['Noa Reis']);
    await hands(page, 'Noa Reis').click();
    await page.getByRole('button', { name: /^Lia Mota/ }).click();
    await expect(hands(page, 'Lia Mota')).toBeVisible();
    await expect.poll(log).toEqual(['Lia Mota', 'Noa Reis']);
  });
  const everything = () =>
    inPage<{ entries: { id: string }[] }>(page, 'GET', `/jobs/${job.id}/entries?after=0`);
  const before = await everything();

  await test.step('backed up while it runs, restored into a new folder, the same', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'kept.')), 'shop.backup');
    const backup = run('backup', file, '--data', shop.data);
    expect([backup.status, backup.stderr]).toEqual([0, '']);
    expect(backup.stdout).toContain('Read again, and whole.');
    const occupied = run('restore', file, '--data', shop.data);
    expect([occupied.status, occupied.stderr]).toEqual([1, expect.stringContaining('in use')]);
    await shop.stop();
    const over = run('restore', file, '--data', shop.data);
    expect([over.status, over.stderr]).toEqual([1, expect.stringContaining('nothing was changed')]);
    const broken = readFileSync(file);
    broken[broken.length >> 1]! ^= 1;
    writeFileSync(`${file}.broken`, broken);
    const target = freshFolder();
    const damaged = run('restore', `${file}.broken`, '--data', target);
    expect([damaged.status, damaged.stderr]).toEqual([1, expect.stringContaining('damaged')]);
    const restored = run('restore', file, '--data', target);
    expect([restored.status, restored.stdout]).toEqual([
      0,
      expect.stringContaining('Restored as of'),
    ]);
    // With its own authority it is the same address to the phone; the folder brings the rest.
    spawnSync('cp', ['-r', join(shop.data, 'authority'), target]);
    const again = new Jeitinho(port, target, [
      ...['--no-demo', '--listen', '0.0.0.0', '--own-ca', '--host', HOST],
    ]);
    await again.start();
    await page.goto('/');
    await expect(hands(page, 'Lia Mota')).toBeVisible();
    expect(await everything()).toEqual(before);
    const put = run('restore', file, '--data', shop.data, '--replace');
    expect([put.status, put.stderr]).toEqual([0, expect.stringContaining('What was there is in')]);
    await again.stop();
    again.removeData();
  });
  await context.close();
  shop.removeData();
});

/** Who is at the machine: signing in, hands that change, people and what they may do, keeping and the trail. */
import { readFileSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { found } from '../support/axe';
import { downloaded } from '../support/papers';
import { sideways } from '../support/sideways';
import { cut, mend, say } from '../support/away';
import { fetch } from '../support/signed-in';
import { expect, kept, opened, test } from '../support/test';

const authors = async (url: string, job: string, words: string) => {
  const response = await fetch(`${url}/api/v1/jobs/${job}/entries`);
  const { entries } = (await response.json()) as { entries: { author: string; body: object }[] };
  return entries
    .filter(({ body }) => JSON.stringify(body).includes(words))
    .map(({ author }) => author);
};

const hands = (page: Page, name: string) =>
  page.getByRole('button', { name: `${name} is working; change hands` });

test('nobody sees the shop before signing in; one press is enough for somebody made up', async ({
  page,
  context,
}) => {
  await context.clearCookies();
  await page.goto('/customers');
  await expect(page.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible();
  expect(await page.locator('body').innerText()).not.toContain('Café');
  expect(await found(page, 'the door')).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await sideways(page, 'the door on a phone')).toEqual([]);
  // By keys alone.
  await page.getByRole('button', { name: /^Rute Sabiá/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Customers' })).toBeVisible();
  await expect(hands(page, 'Rute Sabiá')).toBeVisible();
});

test('a tablet changes hands in two presses, also without the server: each one’s entries wait for them', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  await page.goto('/');
  await hands(page, 'Davi Moura').click();
  expect(await found(page, 'whose hands')).toEqual([]);
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect(hands(page, 'Rute Sabiá')).toBeVisible();
  await say(page, job, 'Rute heard it hum.');
  await expect.poll(() => authors(jeitinho.url, job, 'Rute heard')).toEqual(['Rute Sabiá']);

  await page.goto('/');
  await cut(page);
  await say(page, job, 'Rute in the cellar.');
  await page.goto('/');
  await hands(page, 'Rute Sabiá').click();
  await page.getByRole('button', { name: /^Davi Moura/ }).click();
  await expect(page.getByText('Not signed in: what you write is kept here')).toBeVisible();
  await say(page, job, 'Davi in the cellar.');
  await page.reload();
  await page.goto('/');
  const unsent = page.getByRole('region', { name: 'Not sent yet' });
  await expect(unsent).toContainText(/entr(y|ies) of Rute Sabiá, sent when they sign in here/);
  await expect(unsent).toContainText('1 entry to send');

  // The server is back, and its cookie is still Rute's: nothing of Davi's goes under her name.
  await mend(page);
  await page.reload();
  await expect(page.getByText('Not signed in: what you write is kept here')).toBeVisible();
  await page.waitForTimeout(4_000);
  expect(await authors(jeitinho.url, job, 'in the cellar')).toEqual([]);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByRole('button', { name: /^Davi Moura/ }).click();
  await expect.poll(() => authors(jeitinho.url, job, 'in the cellar')).toEqual(['Davi Moura']);
  await expect(unsent).toContainText(/entr(y|ies) of Rute Sabiá/);
  await hands(page, 'Davi Moura').click();
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect
    .poll(() => authors(jeitinho.url, job, 'in the cellar'))
    .toEqual(['Davi Moura', 'Rute Sabiá']);
  await expect(unsent).toBeHidden();
});

test('a device that was signed out from elsewhere loses nothing that it wrote', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  const list = (await (await page.request.get('/api/v1/devices')).json()) as {
    id: string;
    here: boolean;
  }[];
  await cut(page);
  await say(page, job, 'Before it was ended.');
  const { id } = list.find(({ here }) => here)!;
  await fetch(`${jeitinho.url}/api/v1/devices/${id}`, { method: 'DELETE' });
  await mend(page);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible();
  // Work goes on all the same, and waits.
  await page.getByRole('button', { name: 'Go on as Davi Moura, and sign in later' }).click();
  await say(page, job, 'After it was ended.');
  await page.goto('/');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByRole('button', { name: /^Davi Moura/ }).click();
  await expect(hands(page, 'Davi Moura')).toBeVisible();
  const lines = async () =>
    JSON.stringify(await (await fetch(`${jeitinho.url}/api/v1/jobs/${job}/entries`)).json());
  await expect.poll(lines).toContain('Before it was ended.');
  await expect.poll(lines).toContain('After it was ended.');
});

test('people: somebody new gets a link that works once, roles decide what is offered, and leaving ends it', async ({
  page,
  browser,
  jeitinho,
}) => {
  await page.goto('/people');
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await expect(page.getByText('▲ Gas work, ended 2026-03-31')).toBeVisible();
  await page.getByRole('button', { name: 'Somebody new' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name').fill('Nina Vidal');
  await form.getByRole('button', { name: 'Add a licence' }).click();
  await form.getByLabel('Licence 1').fill('Gas work');
  await form.getByLabel('Last day').fill('2028-05-31');
  expect(await found(page, 'somebody new')).toEqual([]);
  await form.getByRole('button', { name: 'Add, and make a link' }).click();
  const link = page.getByRole('region', { name: 'Link for Nina Vidal' });
  await expect(link.getByRole('img', { name: 'Link for Nina Vidal as a code' })).toBeVisible();
  const address = await link.getByRole('code').innerText();
  expect(await found(page, 'people with a link')).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await sideways(page, 'people on a phone')).toEqual([]);
  await page.setViewportSize({ width: 1280, height: 800 });

  const hers = await browser.newContext({ baseURL: jeitinho.url });
  const nina = await hers.newPage();
  await nina.goto(address);
  await expect(nina.getByRole('heading', { name: 'Welcome, Nina Vidal' })).toBeVisible();
  await nina.getByLabel('Sign-in name').fill('nina');
  await nina.getByLabel('Password').fill('nina vidal nina vidal');
  await nina.getByRole('button', { name: 'Come in' }).click();
  await expect(nina.getByRole('alert')).toContainText('tried first');
  await nina.getByLabel('Password').fill('seven bridges at dusk');
  expect(await found(nina, 'welcome')).toEqual([]);
  await nina.getByRole('button', { name: 'Come in' }).click();
  await expect(hands(nina, 'Nina Vidal')).toBeVisible();
  await nina.goto(address);
  await expect(nina.getByRole('alert')).toContainText('used already');

  // What she may not is not offered.
  await nina.goto('/shop');
  await expect(nina.getByText('Changed by the office or an owner.')).toBeVisible();
  await expect(nina.getByRole('link', { name: 'Keeping' })).toBeHidden();
  await nina.goto('/me');
  await expect(nina.getByText('until 2028-05-31')).toBeVisible();
  expect(await found(nina, 'you and your devices')).toEqual([]);
  await nina.getByLabel('The one until now').fill('seven bridges at dusk');
  await nina.getByLabel(/^A new one/).fill('eight bridges at dawn');
  await nina.getByRole('button', { name: 'Change the password' }).click();
  await expect(nina.getByText('Changed. Your other devices are signed out.')).toBeVisible();

  await page.reload();
  const row = page.getByRole('listitem').filter({ hasText: 'Nina Vidal' });
  await expect(row).toContainText('signs in as nina, password');
  await row.getByRole('button', { name: 'Leaves the shop Nina Vidal' }).click();
  await row.getByRole('button', { name: 'Yes, Nina Vidal leaves' }).click();
  await expect(page.getByText('Nina Vidal. What they measured')).toBeVisible();
  await nina.goto('/');
  await expect(nina.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible();
  await hers.close();
});

test('a technician proposes what changes a sheet, and a lead takes it', async ({ page }) => {
  const asItWas = (await (await page.request.get('/api/v1/sheets/visorim-lt55')).json()) as object;
  await page.goto('/');
  await hands(page, 'Davi Moura').click();
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect(hands(page, 'Rute Sabiá')).toBeVisible();
  await page.goto('/sheets/visorim-lt55/edit');
  await page.getByLabel('Title').first().fill('Television, as proposed');
  await page.getByLabel('Why, for the lead who looks at it').fill('The plate says so');
  await page.getByRole('button', { name: /^Propose as revision/ }).click();
  await expect(page).toHaveURL(/\/sheets$/);
  const proposed = page.getByRole('region', { name: 'Proposed' });
  await expect(proposed).toContainText('“The plate says so”');
  await expect(proposed.getByRole('button', { name: 'Take it' })).toBeHidden();
  await hands(page, 'Rute Sabiá').click();
  await page.getByRole('button', { name: /^Davi Moura/ }).click();
  await expect(hands(page, 'Davi Moura')).toBeVisible();
  await proposed.getByRole('button', { name: /^What changes/ }).click();
  await expect(proposed).toContainText('Television, as proposed');
  expect(await found(page, 'a proposal')).toEqual([]);
  await proposed.getByRole('button', { name: 'Take it' }).click();
  await expect(proposed).toBeHidden();
  await page.goto('/sheets/visorim-lt55');
  await expect(page.getByText(/revision 3, .*Rute Sabiá/).first()).toBeAttached();
  // Other stories share this server, and look for the sheet by its name.
  const back = await page.request.post('/api/v1/sheets', { data: { ...asItWas, revision: 4 } });
  expect(back.status()).toBe(201);
});

test('another’s visit is read and not written in; a lead may', async ({
  page,
  jeitinho,
  newJob,
}) => {
  const job = await newJob('oven');
  await fetch(`${jeitinho.url}/api/v1/jobs/${job}/hand-over`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ to: 'Otávio Lins', note: '' }),
  });
  await page.goto('/');
  await hands(page, 'Davi Moura').click();
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect(hands(page, 'Rute Sabiá')).toBeVisible();
  await page.goto(`/jobs/${job}/arrive`);
  await opened(page);
  await page.getByLabel('What changed lately').fill('Not mine');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    'Nothing was recorded: this is Otávio Lins’s visit.',
  );
  await expect(page.getByLabel('What changed lately')).toHaveValue('Not mine');
});

test('keeping: a backup now, everything out, and the trail of who', async ({ page }) => {
  await page.goto('/keeping');
  await page.getByRole('button', { name: 'Make one now' }).click();
  await expect(page.getByRole('region', { name: 'Last good backup' })).toContainText('today');
  await expect(page.getByRole('cell', { name: 'whole', exact: true }).first()).toBeVisible();
  expect(await found(page, 'keeping')).toEqual([]);
  const path = await downloaded(page, () =>
    page.getByRole('link', { name: 'Take everything out' }).click(),
  );
  const tar = readFileSync(path);
  expect(tar.includes('csv/readings.csv')).toBe(true);
  expect(tar.includes('argon2')).toBe(false);
  // It goes into an empty shop, and this is none.
  writeFileSync(`${path}.tar`, tar);
  await page.getByLabel('Export to bring in').setInputFiles(`${path}.tar`);
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was brought in' })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await sideways(page, 'keeping on a phone')).toEqual([]);
  await page.goto('/trail');
  const trail = page.getByRole('region', { name: 'Trail of who' });
  await expect(trail).toContainText('made a backup');
  await expect(trail).toContainText('took everything out');
  expect(await found(page, 'the trail')).toEqual([]);
});

test('a customer is erased by name, typed; with a visit open not at all', async ({ page }) => {
  const added = await page.request.post('/api/v1/customers', {
    data: { name: 'Lena Forte', phone: '555 0188' },
  });
  const { id } = (await added.json()) as { id: string };
  await page.goto(`/customers/${id}`);
  await page.getByRole('button', { name: 'Erase' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Erase for good' })).toBeDisabled();
  await dialog.getByLabel('Type the name to make sure').fill('Lena Forte');
  expect(await found(page, 'erasing')).toEqual([]);
  await dialog.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByRole('heading', { name: 'Erased' })).toBeVisible();
  await expect(page.getByText('555 0188')).toBeHidden();
});

test('where the sheet asks, somebody else looks a signed visit through and signs beside', async ({
  page,
  newJob,
}) => {
  const job = await newJob('furnace');
  await kept(page, job, 4, [
    [
      'decided',
      {
        endings: [{ kind: 'hand-over', to: 'Gas fitter', note: 'Needs a gas licence.' }],
        leading: null,
        probability: 0,
        reason: 'x',
      },
    ],
    [
      'signed',
      {
        ...{ technician: 'Davi Moura', customer: '', note: '', owed: 'Another day' },
        left: { energy: 'live', note: '', open: [] },
      },
    ],
  ]);
  await page.goto(`/jobs/${job}/sign`);
  const second = page.getByRole('region', { name: 'Second signature' });
  await expect(second).toContainText('somebody else looks the visit through');
  await expect(second.getByRole('button')).toHaveCount(0);
  await expect(page.getByText('To be looked through by a second person')).toBeVisible();
  await page.goto('/');
  await expect(page.getByText('▲ waits for a second signature').first()).toBeVisible();
  await hands(page, 'Davi Moura').click();
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect(hands(page, 'Rute Sabiá')).toBeVisible();
  await page.goto(`/jobs/${job}/sign`);
  await second.getByLabel('Remark').fill('Draught seen');
  expect(await found(page, 'a second signature')).toEqual([]);
  await second.getByRole('button', { name: 'Sign as the second' }).click();
  await expect(page.getByText(/^Rute Sabiá looked it through and signed on/)).toBeVisible();
  await expect(page.getByText('Looked through,')).toBeVisible();
});

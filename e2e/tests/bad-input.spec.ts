/** Nonsense, wrong states, lost servers, two tabs: a clear message, nothing lost, nothing double. */
import {
  expect,
  opened,
  press,
  proveDead,
  provenDead,
  reading,
  rollCount,
  test,
  type Page,
} from '../support/test';
import { fetch } from '../support/signed-in';

const field = (page: Page) => page.getByRole('textbox', { name: /^Reading/ });

test('a dead test on a live unit is refused with the reason, and the way is shown', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=inv-fuse`);
  await expect(
    page.getByRole('alert').filter({
      hasText: 'The unit is LIVE. Isolate it, lock it, and prove every pair dead first.',
    }),
  ).toBeVisible();
  await expect(field(page)).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/safe$/);
});

test('what cannot be a reading is named and stays in the field', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=inv-fuse`);
  const before = await opened(page);
  for (const [typed, message] of [
    ['1.2.3', 'is not a figure'],
    ['12 A', 'That is in amps; this test wants ohms.'],
    ['5 kk', 'is not a unit. This test wants ohms.'],
    ['99999999999999', 'No meter shows that many ohms.'],
    ['-3', 'shows nothing below zero'],
  ] as const) {
    await field(page).fill(typed);
    await expect(page.getByText(message)).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(field(page)).toHaveValue(typed);
  }
  await field(page).fill('');
  await page.keyboard.press('Enter');
  expect(await rollCount(page)).toBe(before);
  await field(page).fill('0.4');
  await expect(page.getByText('understood:')).toContainText('0.4');
  await press(page, 'Enter');
  await press(page, 'z');
  await expect(page.getByRole('status', { name: 'Verdict' })).toHaveCount(0);
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.locator('s').filter({ hasText: 'Inverter fuse F1' })).toBeVisible();
});

test('a bus that stays charged never becomes DEAD', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob();
  await page.goto(`/jobs/${id}/safe`);
  await proveDead(page, { mainsOnly: true });
  for (let i = 0; i < 2; i += 1) await press(page, 'a');
  await page.clock.fastForward('05:01');
  await page.getByRole('button', { name: /^Bus / }).click();
  await reading(page, '96');
  await expect(page.getByRole('alert').filter({ hasText: 'still charged' })).toContainText(
    'drain it through a resistor made for the purpose',
  );
  await reading(page, '-96');
  await expect(page.getByRole('status', { name: /^Energy state: NOT PROVEN/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Keep/ }).first()).toBeDisabled();
});

test('jobs and addresses that are not there say so', async ({ page }) => {
  await page.goto('/jobs/01930000-0000-7000-8000-999999999999');
  await expect(page.getByRole('heading', { name: 'There is no such job' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(
    page.getByRole('heading', { name: 'There is nothing at this address' }),
  ).toBeVisible();
  await page.getByRole('link', { name: 'To Today' }).click();
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
});

test('a job whose model has no sheet shows its complaint and says what is missing', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Corridor water cooler/ }).click();
  await expect(page.getByText('Does not cool, the lamp is lit')).toBeVisible();
  await expect(
    page.getByText('No service sheet for this model is in the library yet'),
  ).toBeVisible();
});

test('two tabs on one job see the same, and neither loses a reading', async ({
  page,
  context,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/arrive`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const other = await context.newPage();
  await other.goto(`/jobs/${id}/read`);
  await expect(other.getByRole('heading', { name: 'What does the display show?' })).toBeVisible();
  await press(page, 'Enter');
  await expect.poll(() => rollCount(other)).toBe(2);
  await other.bringToFront();
  await reading(other, '24');
  await expect.poll(() => rollCount(page)).toBe(3);
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Slightly for: code 24' }).first(),
  ).toBeVisible();
});

test('an entry the server will not take is set aside with its reason; the rest goes through', async ({
  page,
  newJob,
  jeitinho,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/arrive`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await opened(page);
  // Somebody else signs the job meanwhile: this device does not know yet.
  await page.context().setOffline(true);
  await press(page, 'Enter');
  const at = new Date().toISOString();
  const entry = (kind: string, body: object) => ({
    id: crypto.randomUUID(),
    kind,
    at,
    author: 'Davi Moura',
    body,
  });
  const sent = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      entries: [
        entry('decision', {
          action: 'hand-over',
          part: null,
          leading: null,
          probability: 0,
          reason: 'gas smell',
        }),
        entry('signed', {
          technician: 'Rui',
          customer: '',
          note: '',
          left: { energy: 'live', note: '', open: [] },
        }),
      ],
    }),
  });
  expect(sent.status).toBe(200);
  await page.context().setOffline(false);
  await expect(page.getByText('1 not accepted, see roll').filter({ visible: true })).toBeVisible();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByRole('region', { name: 'Not accepted' })).toContainText(
    'Data plate matches. This job is signed.',
  );
});

test('a figure typed on a question chooses no answer; a lone digit does', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=board-looks`);
  await expect(page.getByRole('heading', { name: 'Inverter board, by eye' })).toBeVisible();
  const before = await opened(page);
  await page.keyboard.type('0.12');
  await page.clock.runFor(1000);
  expect(await rollCount(page)).toBe(before);
  await page.keyboard.press('1');
  await page.clock.runFor(1000);
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Good');
});

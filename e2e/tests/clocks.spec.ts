/** Clocks side by side, loud at their end; spoken prompts; honest endings; the roll. */
import {
  confirm,
  expect,
  press,
  proveDead,
  reading,
  rollCount,
  test,
  type Page,
} from '../support/test';
import { WHOLE } from '../support/browser';

// Notices, and the service worker that sends by itself, need the whole browser.
test.use({ launchOptions: WHOLE });

test.use({ viewport: { width: 1280, height: 800 } });

const rail = (page: Page) => page.getByRole('region', { name: 'Clocks' });

interface Heard {
  readonly tones: number;
  readonly shakes: number;
  readonly notices: number;
}

/** Counts the tones and the shakes that the page asks for. */
async function listening(page: Page): Promise<() => Promise<Heard>> {
  await page.addInitScript(() => {
    const heard = { tones: 0, shakes: 0, notices: 0 };
    Object.assign(window, { heard });
    ServiceWorkerRegistration.prototype.showNotification = async () => {
      heard.notices += 1;
    };
    const start = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (...args) {
      heard.tones += 1;
      return start.apply(this, args);
    };
    navigator.vibrate = () => {
      heard.shakes += 1;
      return true;
    };
  });
  return () => page.evaluate(() => (window as never as { heard: Heard }).heard);
}

// Notices are shown by the service worker.
test.use({ serviceWorkers: 'allow' });

test('two clocks run side by side, outlive a reload, and ring until answered', async ({
  page,
  context,
  newJob,
}) => {
  await context.grantPermissions(['notifications']);
  await page.clock.install();
  const heard = await listening(page);
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('t');
  const dialog = page.getByRole('dialog', { name: 'Start a clock' });
  await dialog.getByLabel('What for').fill('Soak');
  await dialog.getByLabel('Minutes').fill('0');
  await expect(dialog.getByRole('button', { name: 'Start', exact: true })).toBeDisabled();
  await dialog.getByLabel('Minutes').fill('2');
  await dialog.getByLabel('Meanwhile').fill('Clean the filter');
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(rail(page)).toContainText('Clean the filter');
  await page.keyboard.press('t');
  await page.getByRole('button', { name: 'Call back 30 min' }).click();
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(rail(page).getByRole('timer')).toHaveCount(2);

  await page.clock.fastForward('01:00');
  await page.reload();
  await expect(rail(page)).toContainText(/[01]:[0-5]\d.*Soak/s);
  // Anywhere in the app, with the unit it belongs to.
  await page.getByRole('link', { name: 'Jeitinho' }).click();
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await expect(rail(page)).toContainText(/Soak\s*Upright fridge/);
  await page.getByRole('heading', { name: 'Today' }).click();
  await page.clock.fastForward('01:10');
  await expect(rail(page)).toContainText('over');
  await expect.poll(async () => (await heard()).tones).toBeGreaterThanOrEqual(3);
  expect((await heard()).shakes).toBe(1);
  await expect.poll(async () => (await heard()).notices).toBe(1);
  await page.clock.fastForward('00:25');
  await expect.poll(async () => (await heard()).shakes).toBe(2);
  await rail(page).getByRole('button', { name: 'Answer: Soak' }).click();
  await expect(rail(page).getByRole('timer')).toHaveCount(1);
  await rail(page).getByRole('button', { name: 'Stop: Call back' }).click();
  await expect(rail(page)).toBeHidden();
});

test('a test mode has its time and its beat, and a reading after it is void', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/measure?test=test-lamps`);
  const second = page.getByLabel('Who stands in reach and can switch off?');
  await expect(page.getByRole('button', { name: /^Precautions taken/ }).first()).toBeDisabled();
  await second.fill('Rui');
  await page.getByRole('heading', { level: 1 }).click();
  await confirm(page, 'Precautions taken');
  await press(page, 'w');
  const mode = page.getByRole('region', { name: 'transistor test mode' });
  await expect(mode).toContainText(/step\s*1 of 7/);
  await page.clock.fastForward('00:07');
  await expect(mode).toContainText(/step\s*2 of 7/);
  await page.clock.fastForward('00:40');
  await expect(mode).toContainText('it has ended');
  await reading(page, '6');
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText(
    /Void.*The test mode had ended \d+ s before/s,
  );
  await press(page, 'w');
  await page.keyboard.press('r');
  await reading(page, '6');
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('In');
});

test('ignition attempts are counted, and none is let through before the purge', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('boiler');
  // Heard from outside a closed machine: no precautions of live work are asked for.
  await page.goto(`/jobs/${id}/measure?test=attempts`);
  await page
    .getByRole('button', { name: /^Begun/ })
    .first()
    .waitFor();
  for (let i = 0; i < 3; i += 1) await press(page, 'w');
  await expect(page.getByText('3 of 3')).toBeVisible();
  await expect(page.getByText('No further attempt before the purge.')).toBeVisible();
  const kept = await rollCount(page);
  await page.keyboard.press('w');
  expect(await rollCount(page)).toBe(kept);
  await page.clock.fastForward('02:01');
  await press(page, 'w');
  await expect(page.getByText('0 of 3')).toBeVisible();
});

test('it cannot be made safe: an honest end, with how the unit is left', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/safe`);
  await page.getByRole('button', { name: 'Nobody here holds it' }).click();
  await page.getByRole('heading', { level: 1 }).click();
  await proveDead(page, { mainsOnly: true });
  await press(page, 'a');
  await page.clock.fastForward('08:01');
  await page.getByRole('button', { name: /^Bus / }).click();
  await reading(page, '310');
  await page.clock.fastForward('01:00');
  await reading(page, '309.8');
  await expect(page.getByText('It does not fall as it should.')).toBeVisible();
  await expect(page.getByText('Never short it with a screwdriver')).toBeVisible();
  await page.keyboard.press('x');
  const dialog = page.getByRole('dialog', { name: 'Stop here' });
  await dialog.getByLabel('Why').fill('Bus stays at 310 V; the maker’s service');
  await dialog.getByLabel('covers closed').check();
  await dialog.getByLabel('marked: do not open, may be charged').check();
  await dialog.getByRole('button', { name: 'Cannot be made safe here' }).click();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(
    report.getByRole('heading', { name: 'Cannot be made safe here: left closed and marked' }),
  ).toBeVisible();
  await expect(report).toContainText('Left so: covers closed; marked: do not open');
  await expect(report).toContainText('Licence not held by anybody here');
  await page.goto(`/jobs/${id}/measure?test=mains`);
  await expect(page.getByText('no live work. Stop and call.')).toBeVisible();
});

test('spoken prompts say where the leads go and what was kept, once somebody wants them', async ({
  page,
  newJob,
}) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    speechSynthesis.speak = (words) => void said.push(words.text);
  });
  const said = () => page.evaluate(() => (window as never as { said: string[] }).said);
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=mains-main`);
  await confirm(page, 'Precautions taken');
  await reading(page, '126');
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await reading(page, '5.02');
  expect(await said()).toEqual([]);
  await page.getByRole('button', { name: 'Spoken prompts: off' }).click();
  const dialog = page.getByRole('dialog', { name: 'Spoken prompts' });
  await dialog.getByLabel('Speak').check();
  await dialog.getByLabel(/^Speed/).fill('1.4');
  await dialog.getByRole('button', { name: 'Try it' }).click();
  expect((await said()).at(-1)).toContain('C N 5 pin 3');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Spoken prompts: on' })).toBeVisible();
  await expect.poll(said).toEqual([expect.stringMatching(/Red on .+, black on/)]);
  await page.keyboard.press('r');
  await reading(page, '3.1');
  await expect.poll(async () => (await said()).at(-1)).toBe('3.1 volts: out: low.');
});

test('the roll: filtered, searched, jumped from, withdrawn in', async ({ page, newJob }) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await confirm(page, 'Precautions taken');
  await reading(page, '5.02');
  await page.goto(`/jobs/${id}/measure?test=rail-12`);
  await reading(page, '12.1');
  await page.getByRole('tab', { name: /^Roll/ }).click();
  const lines = page.getByRole('list', { name: /^Roll/ }).getByRole('listitem');
  await expect(lines).toHaveCount(4);
  await page.getByLabel('Show of the roll').selectOption('findings');
  await expect(lines).toHaveCount(2);
  await page.getByLabel('Words in the roll').fill('12 V');
  await expect(lines).toHaveCount(1);
  await page.getByLabel('Words in the roll').fill('');
  await lines.first().getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'Processor supply, 5 V' })).toBeVisible();
  await lines
    .first()
    .getByRole('button', { name: /^Withdraw/ })
    .click();
  await expect(lines.first()).toContainText('withdrawn');
  await page.getByLabel('Show of the roll').selectOption('undone');
  await expect(lines).toHaveCount(2);
});

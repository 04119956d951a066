/** Proven dead means dead: pair by pair, with the meter's figures, lost again, across devices, and at the end. */
import type { Browser } from '@playwright/test';
import { cable, standInPort } from '../support/serial';
import {
  confirm,
  expect,
  opened,
  press,
  proveDead,
  provenDead,
  reading,
  rollCount,
  sayLeft,
  signAs,
  test,
  type Page,
} from '../support/test';
import { fetch, signedIn } from '../support/signed-in';

test.use({ viewport: { width: 1280, height: 800 } });

const energy = (page: Page, state: RegExp) =>
  expect(page.getByRole('status', { name: state })).toBeVisible();
const steps = (page: Page) => page.getByRole('list', { name: 'Steps to dead' });
const card = (page: Page) => page.getByRole('main').getByRole('heading', { level: 2 });
const alarm = (page: Page) => page.getByRole('alert').filter({ hasText: 'Hands off.' });

/** Types a figure and presses Enter, and stays where it is: it must be refused. */
async function refused(page: Page, typed: string, why: string | RegExp): Promise<void> {
  await expect(page.locator('input[data-keys="on"]')).toBeVisible();
  const before = await rollCount(page);
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
  expect(await rollCount(page)).toBe(before);
  // Nothing typed is lost.
  const field = page.locator('input[data-keys="on"]');
  await expect(field).toHaveValue(typed);
  await field.fill('');
}

test('an AC fan unit: three mains pairs, then its capacitor, between figures of the meter', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('poolPump');
  await page.goto(`/jobs/${id}/safe`);
  await opened(page);
  await expect(steps(page).getByRole('listitem')).toHaveCount(10);
  // The volts warned of and the volts reckoned with are the same.
  await expect(page.getByText('Mind this: up to 320 V may be stored here')).toBeVisible();
  await expect(page.getByRole('row', { name: /Run capacitor C1.*320.*2\.3.J/ })).toBeVisible();
  await confirm(page, 'Isolated and locked');

  await test.step('the source must be fitted by the figure: 0 V, nothing and a stray figure prove nothing', async () => {
    await expect(card(page)).toContainText('Prove the meter');
    await expect(page.getByText('It must show 176 to 264')).toBeVisible();
    await page.keyboard.press('Enter');
    expect(await rollCount(page)).toBe(2);
    await refused(page, '0', 'does not fit the supply');
    await refused(page, '24', 'does not fit the supply');
    await reading(page, '221');
  });

  await test.step('a first place before the panel comes off, then three pairs under it', async () => {
    await expect(card(page)).toContainText('Red on L out, black on N out');
    await expect(page.getByText('At the isolator’s outgoing terminals')).toBeVisible();
    await reading(page, '0.4');
    await expect(page.getByRole('region', { name: 'Open first' })).toBeVisible();
    await expect(page.locator('input[data-keys="on"]')).toHaveCount(0);
    await press(page, 'a');
    await reading(page, '0.2');
    // One leg is still fed: it stays in hand, and says so.
    await reading(page, '31');
    await expect(page.getByText('something still feeds it')).toBeVisible();
    await reading(page, '0.3');
    await reading(page, '0.1');
    await expect(card(page)).toContainText('Prove the meter again');
    await energy(page, /NOT PROVEN. 0 of 5 pairs/);
    await reading(page, '220');
    await energy(page, /NOT PROVEN. 4 of 5 pairs/);
  });

  await test.step('the capacitor on DC, after its wait, by a meter proven on DC', async () => {
    await expect(page.getByText('Meter on DC volts')).toBeVisible();
    await expect(page.getByRole('timer', { name: 'Time still to wait' })).toBeVisible();
    await reading(page, '-58');
    await expect(page.getByText('58 V: still charged.')).toBeVisible();
    await page.clock.fastForward('05:01');
    // Watched as it falls; low at last, the meter is proven for it, and it is measured once more.
    await expect(page.getByText('The wait is over. Measure now.')).toBeVisible();
    await reading(page, '0.6');
    await expect(card(page)).toContainText('Prove the meter');
    await expect(page.getByRole('radio', { name: /this supply/ })).toHaveCount(0);
    await refused(page, '310', 'does not fit a battery');
    await reading(page, '9.1');
    await reading(page, '0.6');
    await energy(page, /NOT PROVEN. 4 of 5 pairs/);
    await reading(page, '9.1');
    await energy(page, /DEAD. proven .*, 5 pairs/);
  });
});

test('two stores: with one proven no ohms, no hand and no part', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob('plasma');
  await page.goto(`/jobs/${id}/safe`);
  await proveDead(page, { mainsOnly: true });
  await press(page, 'a');
  await page.clock.fastForward('10:01');
  await expect(card(page)).toContainText('Prove the meter');
  await reading(page, '9.2');
  await reading(page, '3');
  await expect(card(page)).toContainText('PFC');
  await page.goto(`/jobs/${id}/measure?test=vs-short`);
  const gate = page.getByRole('region', { name: 'Dead first' });
  await expect(gate).toContainText('Next: Power factor capacitor on DC volts, below 24');
  await page.goto(`/jobs/${id}/safe`);
  await reading(page, '2');
  await reading(page, '9.2');
  await energy(page, /DEAD/);
  await page.goto(`/jobs/${id}/measure?test=vs-short`);
  await expect(page.getByRole('textbox', { name: /^Reading/ })).toBeVisible();
});

test('a fan turned by the wind wakes the bus: NOT PROVEN at once, loudly, in every tab', async ({
  page,
  context,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await provenDead(page, id);
  const today = await context.newPage();
  await today.goto('/');
  await page.bringToFront();
  await page.goto(`/jobs/${id}/measure?test=bus-rest`);
  await reading(page, '48');
  await expect(alarm(page)).toContainText(/48.V at Bus, above 24.V: it is no longer proven dead/);
  await energy(page, /NOT PROVEN. 48.V came back/);
  await expect(alarm(today)).toContainText('Rooftop unit 1');
  await today.close();
  // Nothing dead goes on from there, and taking the figure back brings nothing back.
  await page.goto(`/jobs/${id}/measure?at=igbt%40U-P`);
  await expect(page.getByRole('region', { name: 'Dead first' })).toContainText('Isolate it again');
  await page.goto(`/jobs/${id}/measure?test=bus-rest`);
  await press(page, 'z');
  await expect(alarm(page)).toBeVisible();
  await page.getByRole('link', { name: 'Isolate again' }).click();
  await proveDead(page);
  await energy(page, /DEAD/);
  await expect(alarm(page)).toHaveCount(0);
});

test('volts on a connected meter are written down as they are seen, whatever the card asks for', async ({
  page,
  newJob,
}) => {
  await standInPort(page);
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=inv-fuse`);
  await page.getByRole('button', { name: 'Connect a meter' }).click();
  await page.getByRole('button', { name: 'Meter on the serial port' }).click();
  const line = (t: number, fn: string, value: number) =>
    cable(page, `${JSON.stringify({ t, fn, value, unit: 'V', flags: [] })}\n`);
  const before = await rollCount(page);
  await line(1, 'V=', 3);
  await line(2, 'diode', 1.9);
  await page.waitForTimeout(400);
  expect(await rollCount(page)).toBe(before);
  await energy(page, /DEAD/);
  await line(3, 'V=', 48);
  await expect(alarm(page)).toContainText(/48.V at the leads, above 24.V/);
  await energy(page, /NOT PROVEN/);
  // Once: the meter goes on showing it.
  await line(4, 'V=', 48);
  await page.waitForTimeout(400);
  expect(await rollCount(page)).toBe(before + 1);
});

/** Another device: a browser of its own, with its own store and name. */
async function device(browser: Browser, url: string): Promise<Page> {
  const context = await browser.newContext({
    baseURL: url,
    viewport: { width: 1280, height: 800 },
  });
  await signedIn(context, url);
  return context.newPage();
}

test('two devices that cross: a late “dead proven” does not outweigh “energised”', async ({
  page,
  browser,
  jeitinho,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob();
  await page.goto(`/jobs/${id}/safe`);
  await opened(page);
  const other = await device(browser, jeitinho.url);
  await other.goto(`/jobs/${id}/measure?test=mains-main`);
  await opened(other);
  // In the cellar without a network, it is proven dead …
  await page.context().setOffline(true);
  await proveDead(page);
  await energy(page, /DEAD/);
  // … while somebody upstairs begins live work.
  await confirm(other, 'Precautions taken');
  await energy(other, /LIVE/);
  await page.context().setOffline(false);
  await energy(page, /LIVE/);
  await energy(other, /LIVE/);
  await expect.poll(() => rollCount(other)).toBeGreaterThan(10);
  await energy(other, /LIVE/);
  // Volts that the one sees reach the hands on the other.
  await page.goto(`/jobs/${id}/safe`);
  await proveDead(page);
  await energy(other, /DEAD/);
  await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      entries: [
        {
          id: crypto.randomUUID(),
          kind: 'volts-seen',
          at: new Date().toISOString(),
          author: 'Davi Moura',
          body: {
            function: 'V=',
            reading: { kind: 'value', value: 61 },
            red: 'inv.P',
            black: 'inv.N',
          },
        },
      ],
    }),
  });
  await expect(alarm(page)).toContainText(/61.V at Bus/);
  await expect(alarm(other)).toContainText(/61.V at Bus/);
  await other.context().close();
});

test('a connected meter at 0 V proves nothing, whatever is pressed beside it', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('fridge', { seed: 24 });
  await page.goto(`/jobs/${id}/safe`);
  await confirm(page, 'Isolated and locked');
  await page.getByRole('button', { name: 'Connect a meter' }).click();
  await page.getByRole('button', { name: 'Simulated meter and machine' }).click();
  const keep = page.getByRole('button', { name: /^Keep/ }).filter({ visible: true });
  const shows = page.getByRole('status', { name: 'It shows, V' });

  await test.step('the leads lie elsewhere, or the dial stands wrong: nothing to keep, nothing to type', async () => {
    await expect(page.getByText('The leads lie elsewhere.')).toBeVisible();
    await expect(keep).toBeDisabled();
    const before = await rollCount(page);
    await page.keyboard.type('127');
    await page.keyboard.press('Enter');
    expect(await rollCount(page)).toBe(before);
    await page.getByRole('button', { name: /^Touch the supply/ }).click();
    await expect(shows).toHaveText(/^12\d(\.\d)?.V$/);
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V=');
    await expect(
      page.getByText('The meter stands on DC volts: turn it to AC volts.'),
    ).toBeVisible();
    await expect(keep).toBeDisabled();
  });

  await test.step('0 V on the source is refused with its figure', async () => {
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V~');
    await expect(shows).toHaveText(/^12\d(\.\d)?.V$/);
    await expect(keep).toBeEnabled();
    await press(page, 'Enter');
    await expect(steps(page)).toContainText(/The meter.*12\d/);
  });

  await test.step('the meter pulled out between two pairs: the next figure is another meter’s', async () => {
    await page.getByRole('button', { name: /^Touch L to N/ }).click();
    // The display needs a moment to leave the source's figure: what is kept is what it shows.
    await expect(page.getByRole('status', { name: 'L to N, V' })).toHaveText(/^-?0(\.\d+)?.V$/);
    await expect(keep).toBeEnabled();
    await press(page, 'Enter');
    await page.getByRole('button', { name: 'Disconnect' }).click();
    await refused(page, '0.2', 'comes from another meter than the one that was proven');
  });
});

test('a job is not signed live, with covers off, without a word; put back or reasoned, it is printed', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  await press(page, 'a');
  await reading(page, '9.8k');
  await page.goto(`/jobs/${id}/decide`);
  await page.getByRole('button', { name: /^Decide: Cabinet sensor/ }).click();
  await page.getByRole('link', { name: 'Sign', exact: true }).click();
  const left = page.getByRole('region', { name: 'How the machine is left' });
  await expect(left).toContainText('DEAD: isolated, and proven');
  const sign = page.getByRole('button', { name: 'Sign and close' });
  await expect(sign).toBeDisabled();
  await expect(page.getByText('3 still open or out: put back, or say why')).toBeVisible();
  // What lies deepest comes first.
  await expect(left.getByRole('listitem').first()).toContainText('Inverter cover off');
  await left.getByRole('button', { name: /Put back.*CN7/ }).click();
  await left.getByRole('button', { name: /Put back.*Inverter cover/ }).click();
  await expect(left).toContainText('✓ Put back: CN7 out of the main board');
  await expect(left).toContainText('✓ Put back: Inverter cover off');
  await sayLeft(page, 'The sensor comes tomorrow.');
  await page.reload();
  await expect(left.getByRole('textbox', { name: /Rear cover/ })).toHaveValue(
    'The sensor comes tomorrow.',
  );
  await signAs(page);
  await sign.click();
  await expect(page.getByText(/^Signed \d/)).toBeVisible();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report).toContainText('Isolated, and proven DEAD.');
  await expect(report).toContainText('Put back: Inverter cover off; CN7 out of the main board.');
  await expect(report).toContainText(
    'Left open or out: Rear cover off. The sensor comes tomorrow.',
  );
});

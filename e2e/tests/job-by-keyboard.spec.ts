/** A whole first visit with the keyboard alone, through a reload, a crash of the server, and back. */
import type { Locator, Page } from '@playwright/test';
import { freePort, Jeitinho } from '../support/jeitinho';
import {
  confirm,
  expect,
  press,
  proveDead,
  reading,
  rollCount,
  sayLeft,
  signAs,
  test,
} from '../support/test';
import { fetch, signedIn } from '../support/signed-in';

async function tabTo(page: Page, target: Locator): Promise<void> {
  for (let i = 0; i < 30; i += 1) {
    if (await target.evaluate((el) => el === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('not reached by Tab');
}

test('from arrival to the signed report, reloading and losing the server on the way', async ({
  browser,
}) => {
  const jeitinho = new Jeitinho(await freePort());
  await jeitinho.start();
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'allow',
  });
  await signedIn(context, jeitinho.url);
  const page = await context.newPage();
  await page.clock.install();
  const heading = (name: string) =>
    expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  const seen = (text: string) => page.getByText(text, { exact: true }).filter({ visible: true });
  const verdict = (words: string | RegExp) =>
    expect(page.getByRole('status', { name: 'Verdict' })).toContainText(words);

  await test.step('Today shows the visits; one opens', async () => {
    await page.goto(jeitinho.url);
    await expect(page.getByText('Process chiller').first()).toBeVisible();
    await expect(page.getByText('Rooftop unit 2').first()).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready);
    // The unit that is down and waits stands first.
    await expect(page.getByRole('region', { name: 'Next visit' })).toContainText(
      'unit down, waiting',
    );
    await tabTo(page, page.getByRole('link', { name: /Warm inside since yesterday/ }));
    await page.keyboard.press('Enter');
  });

  await test.step('Arrive and Read', async () => {
    await heading('“Warm inside since yesterday. The lamp works, but there is no hum.”');
    await press(page, 'Enter');
    await page.keyboard.press('Enter');
    await heading('What does the display show?');
    await reading(page, '21');
    await expect(page.getByText('The main board asks for cooling')).toBeVisible();
    await page.keyboard.press('Enter');
  });

  await test.step('Make safe', async () => {
    await proveDead(page);
    await expect(page.getByRole('status', { name: /^Energy state: DEAD/ })).toBeVisible();
    await page.keyboard.press('Enter');
  });

  await test.step('dead tests, with a reload in the middle of typing', async () => {
    await heading('Inverter board, by eye');
    await press(page, '1');
    await verdict('Good');
    await page.keyboard.press('Enter');
    await heading('Inverter fuse F1');
    await page.keyboard.press('l');
    await reading(page, '0.3');
    await expect(page.getByText('✓ leads 0.3 Ω')).toBeVisible();
    await reading(page, '0.5');
    await verdict('In');
    await page.keyboard.press('Enter');
    await heading('Lower transistors, forward drop');
    await press(page, 'a');
    await reading(page, '0.452');
    await page.keyboard.type('0,4');
    const kept = await rollCount(page);
    await page.reload();
    await heading('Lower transistors, forward drop');
    await expect(page.getByRole('textbox', { name: /^Reading/ })).toHaveValue('0,4');
    expect(await rollCount(page)).toBe(kept);
    await page.keyboard.type('48');
    await press(page, 'Enter');
    await verdict('Point V: In');
    await reading(page, '.455');
    await page.keyboard.press('Enter');
    await heading('Upper transistors, forward drop');
    for (const figure of ['0.45', '0.46', '0.44']) await reading(page, figure);
    await page.keyboard.press('Enter');
  });

  await test.step('the server crashes; readings go on, and survive a reload without it', async () => {
    await heading('Compressor windings');
    await jeitinho.crash();
    await reading(page, '7.4');
    await reading(page, '73');
    // What was on its way when the server died waits as well.
    await expect(
      page.getByText(/^kept here, [2-4] to send$/).filter({ visible: true }),
    ).toBeVisible();
    await page.reload();
    await heading('Compressor windings');
    await press(page, 'z');
    await reading(page, '7.3');
    await reading(page, '7.4');
    await page.keyboard.press('Enter');
    await heading('Winding to frame');
    await reading(page, 'o');
    await verdict('In');
  });

  await test.step('the server comes back and gets everything, once', async () => {
    await jeitinho.start();
    await page.clock.fastForward(5_000);
    await expect(seen('all kept')).toBeVisible();
    const id = page.url().split('/jobs/')[1]!.split('/')[0]!;
    const response = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`);
    const { entries, last } = (await response.json()) as {
      entries: { id: string }[];
      last: number;
    };
    expect(last).toBe(await rollCount(page));
    expect(new Set(entries.map((entry) => entry.id)).size).toBe(last);
  });

  await test.step('the last dead tests, then live', async () => {
    await page.keyboard.press('Enter');
    await heading('Processor supply to ground');
    await reading(page, '1.2k');
    await page.keyboard.press('Enter');
    await heading('Cabinet sensor');
    await press(page, 'a');
    await reading(page, '5,2k');
    await page.keyboard.press('Enter');
    await heading('Mains at the main board');
    await expect(
      page.getByText('Re-energise it first; that ends the proof of dead.'),
    ).toBeVisible();
    // The compressor must be in again for cooling to be called: asked while it is still dead.
    await expect(page.getByRole('region', { name: 'Put back first' })).toContainText(
      'Compressor plug',
    );
    await press(page, 'i');
    await confirm(page, 'Precautions taken');
    await expect(page.getByRole('status', { name: /^Energy state: LIVE/ })).toBeVisible();
    for (const [title, figure] of [
      ['Mains at the main board', '126'],
      ['Processor supply, 5 V', '5.02'],
      ['Fan supply, 12 V', '12.1'],
      ['Mains at the inverter', '127'],
    ] as const) {
      await heading(title);
      // The live state it wants, entered with one press.
      if (title === 'Mains at the inverter') await confirm(page, 'Entered now');
      await reading(page, figure);
      await verdict('In');
      await page.keyboard.press('Enter');
    }
    await heading('Inverter light LD1');
    await press(page, '4');
    await verdict('Out: dark');
    await page.keyboard.press('Enter');
    await heading('Start, by ear');
    await press(page, '3');
    await page.keyboard.press('Enter');
    await heading('Command, loaded');
    await reading(page, '0.9');
    await verdict('Out: low');
    await verdict(/Command driver weak up to \d+/);
    await page.keyboard.press('Enter');
    await heading('Command, unloaded');
    // CN3 comes out only with the supply off, and the answer is plain enough already.
    await page.keyboard.press('a');
    await expect(page.getByText('“CN3 out of the main board” wants the supply off.')).toBeVisible();
    await page.keyboard.press('s');
    await page.getByRole('dialog').getByRole('button', { name: 'not needed any more' }).focus();
    await press(page, 'Enter');
    await page.getByRole('link', { name: /^Decide/ }).focus();
    await page.keyboard.press('Enter');
  });

  await test.step('Decide: the first suspect needs no reason, another does', async () => {
    await heading('It points to the main board');
    const decide = page.getByRole('button', { name: 'Decide: Main board' });
    await expect(decide).toBeEnabled();
    for (
      let i = 0;
      i < 40 &&
      !(await page
        .getByRole('checkbox')
        .first()
        .evaluate((el) => el === document.activeElement));
      i += 1
    )
      await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Space');
    await expect(page.getByRole('button', { name: 'Decide: all 2' })).toBeDisabled();
    await page.keyboard.press('Space');
    await confirm(page, 'Decide: Main board');
  });

  await test.step('Mend: nothing is fitted on this visit', async () => {
    await heading('Mend it');
    await page.getByRole('link', { name: /^Sign/ }).focus();
    await page.keyboard.press('Enter');
  });

  await test.step('Sign: the report has every figure against its limit and source', async () => {
    const report = page.getByRole('article', { name: 'Service report' });
    await expect(
      report.getByRole('heading', { name: 'Replace: Main board TB-4410' }),
    ).toBeVisible();
    const row = (title: string, value: string) =>
      report.getByRole('row').filter({ hasText: title }).filter({ hasText: value });
    await expect(row('Inverter fuse F1', '0.2 Ω')).toContainText(
      /± 0\.045.Ω.*at most 1.Ω.*In.*Service data UF-4, p\. 11/,
    );
    await expect(row('Lower transistors', '0.448')).toContainText(/± 6\.5.mV.*0\.35 to 0\.6.V.*In/);
    await expect(row('Compressor windings', '72.7')).toContainText('Withdrawn');
    await expect(row('Red on W, black on U', 'Compressor windings')).toContainText(
      /7\.1.Ω.*± 0\.094.Ω.*6\.3 to 7\.7.Ω.*In/,
    );
    await expect(row('Winding to frame', 'OL')).toContainText(/OL or above 10.MΩ/);
    await expect(row('Command, loaded', '0.9 V')).toContainText(/1\.8 to 3\.4.V.*Out: low/);
    await expect(report).toContainText(/Bus on DC volts: 2\.8.V \(dead below 24.V\)/);
    await expect(report).toContainText(
      'The repair itself: nothing was fitted or proven on this visit.',
    );
    await sayLeft(page);
    await signAs(page);
    const sign = page.getByRole('button', { name: 'Sign and close' });
    // Enter alone signs nothing.
    await page.keyboard.press('Enter');
    await sign.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/^Signed \d/)).toBeVisible();
    await expect(report.getByText('Technician, ')).toBeVisible();
  });

  await test.step('the server’s report says the same, and Today has it among the signed', async () => {
    const id = page.url().split('/jobs/')[1]!.split('/')[0]!;
    await expect
      .poll(async () => {
        const response = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/report`);
        const made = (await response.json()) as {
          rows: unknown[];
          signed?: { technician: string };
        };
        return [made.rows.length, made.signed?.technician];
      })
      .toEqual([25, 'Davi Moura']);
    // What each figure cost the hand: its digits and the key that keeps it, whatever was reloaded meanwhile.
    const log = await (await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`)).json();
    const presses = (log as { entries: { kind: string; presses?: number }[] }).entries
      .filter(({ kind }) => kind === 'reading')
      .map((entry) => entry.presses ?? 0);
    expect(presses.filter((count) => count >= 2 && count < 20).length).toBeGreaterThan(15);
    await page.goto(jeitinho.url);
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: 'Upright fridge' })
        .filter({ hasText: 'Main board' }),
    ).toBeVisible();
  });

  await context.close();
  expect(await jeitinho.stop()).toBe(0);
  jeitinho.removeData();
});

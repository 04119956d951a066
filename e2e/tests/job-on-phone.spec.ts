/** The same visit on a phone, with the thumb: keypad, taps, the strip pulled up from below. */
import { keypad, PHONE, tap, THUMB } from '../support/phone';
import { expect, proveBySheet, proveDead, sayLeft, signAs, test, type Page } from '../support/test';

test.use(PHONE);

const goOn = (page: Page) => tap(page, 'Go on');

test('a whole job with the thumb, and nothing wider than the screen', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob();
  const heading = (name: string | RegExp) =>
    expect(page.getByRole('heading', { name }).first()).toBeVisible();
  const fits = async () =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      390,
    );
  const verdict = (words: string | RegExp) =>
    expect(page.getByRole('status', { name: 'Verdict' })).toContainText(words);

  await page.goto(`/jobs/${id}`);
  await heading('“Warm inside, no hum.”');
  await fits();
  await tap(page, /^Plate matches/);
  await tap(page, '21 Inverter does not answer');
  await fits();
  await tap(page, /^Go on to Make safe/);
  await proveDead(page, { mainsOnly: true, hand: THUMB });
  await tap(page, /^☐ Rear cover off/);
  await tap(page, /^☐ Inverter cover off/);
  await keypad(page, '96');
  await expect(page.getByText('96 V: still charged.')).toBeVisible();
  await fits();
  await proveDead(page, { store: '3.1', hand: THUMB });
  await tap(page, /^Go on to Measure/);

  await heading('Inverter board, by eye');
  await tap(page, 'clean');
  await goOn(page);
  await heading('Inverter fuse F1');
  await keypad(page, '0.4');
  await verdict('In');
  await expect(page.getByRole('status', { name: 'Verdict' })).toBeInViewport();
  await fits();
  await goOn(page);
  await tap(page, /Compressor plug out/, false);
  for (const figure of ['.452', '.448', '.455']) await keypad(page, figure);
  await verdict('In');
  await goOn(page);
  for (const figure of ['.45', '.46', '.44']) await keypad(page, figure);
  await goOn(page);
  await heading('Compressor windings');
  await tap(page, 'Skip');
  await tap(page, 'cannot reach it');
  await heading('Winding to frame');
  await keypad(page, 'OL');
  await goOn(page);
  await keypad(page, '1.2k');
  await goOn(page);
  await heading('Cabinet sensor');
  await keypad(page, '9.8k');
  await verdict('Out: high');
  await fits();

  await page.getByRole('button', { name: /suspects/ }).tap();
  const strip = page.getByRole('dialog', { name: 'What could be wrong' });
  await expect(strip.getByRole('listitem').first()).toContainText('Cabinet sensor off');
  await strip.getByRole('button', { name: 'Close' }).tap();

  await page.getByRole('link', { name: /^Decide/ }).tap();
  await heading('It points to the cabinet sensor');
  await fits();
  await tap(page, /^Decide: Cabinet sensor/);
  await heading('Mend it');
  await fits();
  await tap(page, /^It is in/);
  await heading('All of it is done');
  await tap(page, /^To Prove/);
  await heading('Not proven yet');
  await fits();
  await tap(page, /^Measure it again/);
  await heading('Cabinet sensor');
  await tap(page, /CN7 out/, false);
  await keypad(page, '5.2k');
  await verdict('In');
  await page.getByRole('link', { name: /^Prove/ }).tap();
  await heading('Not proven yet');
  await proveBySheet(page, 'Prove it cold');
  await heading('The repair is proven');
  await fits();
  await tap(page, /^To Sign/);
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report).toContainText('Replace: Cabinet sensor TS-5010');
  await expect(report.getByRole('row').filter({ hasText: 'Cabinet sensor' }).first()).toContainText(
    /9\.8.kΩ.*4 to 6\.3.kΩ.*Out: high/,
  );
  await expect(report).toContainText('Skipped: Compressor windings, cannot reach it.');
  await fits();
  await page.getByLabel('Customer', { exact: true }).fill('Íris Candeia');
  await sayLeft(page);
  await fits();
  await signAs(page);
  await tap(page, /^Sign and close/);
  await expect(page.getByText(/^Signed \d/)).toBeVisible();
});

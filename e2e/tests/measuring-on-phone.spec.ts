/** The same three jobs with the thumb: keypad, taps, and nothing wider than the screen. */
import { keypad, PHONE, tap, tapFigure, THUMB } from '../support/phone';
import { expect, proveDead, provenDead, test, type Page } from '../support/test';

test.use(PHONE);

const verdict = (page: Page) => page.getByRole('status', { name: 'Verdict' });
const fits = async (page: Page) =>
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

test('the rooftop unit’s bridge and insulation', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/safe`);
  await tap(page, 'We hold what this job needs');
  await proveDead(page, { mainsOnly: true, hand: THUMB });
  await tap(page, /^☐ Inverter cover off/);
  await page.clock.fastForward('01:00');
  await keypad(page, '300');
  await page.clock.fastForward('00:30');
  await keypad(page, '180');
  await expect(page.getByRole('region', { name: 'How it falls' })).toContainText('unplug');
  await fits(page);
  // Stopping is in reach while the keypad stands.
  await expect(page.getByRole('button', { name: 'Stop here' })).toHaveCount(1);
  await proveDead(page, { store: '2.4', hand: THUMB });
  await fits(page);
  await page.goto(`/jobs/${id}/measure?test=igbt`);
  await tap(page, /U, V, W off/, false);
  for (const figure of ['.452', '.449', '.455', '.45', '.447', '.453']) await keypad(page, figure);
  for (let i = 0; i < 6; i += 1) await keypad(page, 'OL');
  await expect(page.getByRole('status', { name: 'Taken together' })).toContainText(
    '6 drops agree, 6 block.',
  );
  await fits(page);
  await page.goto(`/jobs/${id}/measure?test=insulation`);
  await tap(page, 'Take another meter');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Insulation tester/ })
    .tap();
  await keypad(page, '220M');
  await expect(verdict(page)).toContainText('In');
});

test('the dryer’s before and after', async ({ page, newJob }) => {
  const id = await newJob('dryer');
  await page.goto(`/jobs/${id}/measure?test=light`);
  await tap(page, /^Precautions taken/);
  await tap(page, /Top off/, false);
  await tap(page, /^Entered now/);
  const placement = page.getByRole('figure').first();
  for (const figure of ['126', '.2', '.4', '98']) {
    // Wherever the last one was left: the next placement is in view, and not under the header.
    await page.getByRole('main').getByRole('table').first().scrollIntoViewIfNeeded();
    await keypad(page, figure);
    await expect(placement).toBeInViewport({ ratio: 0.9 });
  }
  await expect(page.getByRole('row').filter({ hasText: /In$/ })).toHaveCount(4);
  await fits(page);
});

test('the boiler’s flame current as a track', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob('boiler');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=flame-current`);
  await tap(page, /Electrode lead off/, false);
  await tap(page, /^Precautions taken/);
  for (const [rate, current] of [
    ['20', '3.1µ'],
    ['50', '5.4µ'],
    ['75', '7.6µ'],
    ['100', '9.2µ'],
  ] as const) {
    await page.getByRole('textbox', { name: 'burner rate in percent' }).tap();
    await page.getByRole('textbox', { name: 'burner rate in percent' }).fill('');
    await tapFigure(page, rate);
    await page.getByLabel('Figure now').tap();
    await keypad(page, current);
    await page.clock.fastForward('00:08');
  }
  await expect(verdict(page)).toContainText('In');
  await tap(page, 'Keep this series');
  await expect(verdict(page)).toContainText('4 figures');
  await fits(page);
});

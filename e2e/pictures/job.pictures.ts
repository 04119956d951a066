/** Pictures of a job's screens, for the README. Each is looked at before it is committed. */
import { CHILLER_HISTORY } from '../support/chiller-history';
import { confirm, expect, kept, provenDead, reading, test, type Page } from '../support/test';

const FOLDER = 'docs/screenshots';

async function taken(page: Page, name: string): Promise<void> {
  await page.mouse.move(0, 0);
  // What is worth most is reckoned a moment after the last figure; bars grow.
  const worth = page.getByRole('region', { name: 'Worth most now' });
  if ((await worth.count()) > 0) await expect(worth).toHaveAttribute('aria-busy', 'false');
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
}

test('measuring the rooftop unit’s bridge, by day and by night', async ({ page, newJob }) => {
  const id = await newJob('rooftop');
  await provenDead(page, id);
  await kept(page, id, 3, [
    ['access', { access: 'lid' }],
    ['access', { access: 'inv-lid' }],
    ['access', { access: 'motor-off' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=igbt`);
  for (const figure of ['.452', '.449']) await reading(page, figure);
  await taken(page, 'measure');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize({ width: 390, height: 844 });
  await taken(page, 'measure-phone');
});

test('reading: the codes of the rooftop unit', async ({ page, newJob }) => {
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/read`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await kept(page, id, 1, [['code', { shown: '47 2' }]]);
  await page.reload();
  await taken(page, 'read');
});

test('decide: the chiller’s link', async ({ page, newJob }) => {
  const id = await newJob('chiller');
  await provenDead(page, id);
  await kept(page, id, 4, [
    ['access', { access: 'door' }],
    ['access', { access: 'cover-2' }],
    ['access', { access: 'link-off-2' }],
    ['code', { shown: 'A12', unit: '2' }],
    ['lead', { value: 0.2, half: 0.05 }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=link-ohms-2`);
  await reading(page, '0.3');
  await reading(page, '38');
  await page.keyboard.press('r');
  await reading(page, '38.2');
  await page.goto(`/jobs/${id}/decide`);
  await taken(page, 'decide');
});

test('a new part that did not help', async ({ page, newJob }) => {
  const id = await newJob('fridge');
  await provenDead(page, id);
  await kept(page, id, 3, [
    ['access', { access: 'rear-cover' }],
    ['access', { access: 'cn7-off' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  for (const figure of ['9.9k', '9.9k']) {
    await reading(page, figure);
    await page.keyboard.press('r');
  }
  await kept(page, id, 0, [['work', { what: 'fitted', part: 'sensor', note: '' }]]);
  await page.reload();
  await reading(page, '9.9k');
  await page.goto(`/jobs/${id}/prove`);
  await taken(page, 'prove');
});

test('every finding against every suspect', async ({ page, newJob }) => {
  const id = await newJob('rooftop');
  await provenDead(page, id);
  await kept(page, id, 3, [
    ['code', { shown: '43' }],
    ['access', { access: 'inv-lid' }],
    ['access', { access: 'motor-off' }],
    ['answer', { test: 'inv-looks', answer: 'clean' }],
    ['answer', { test: 'heatsink', answer: 'fins blocked' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=windings`);
  for (const figure of ['1.42', '1.41', '0.9']) await reading(page, figure);
  await page.goto(`/jobs/${id}/suspects`);
  await page.getByRole('table').waitFor();
  await taken(page, 'suspects');
});

test('the chiller’s history', async ({ page, newJob }) => {
  const id = await newJob('chiller');
  await page.goto(`/jobs/${id}/history`);
  await page.getByLabel('Paste it as it is printed; any layout').fill(CHILLER_HISTORY);
  await page.getByRole('button', { name: 'Keep these 6 entries' }).click();
  await page.getByRole('group', { name: 'Time line' }).waitFor();
  await taken(page, 'history');
});

test('making the rooftop unit safe', async ({ page, newJob }) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/safe`);
  await confirm(page, 'Isolated and locked');
  await taken(page, 'make-safe');
});

test('the report for the file', async ({ page, newJob }) => {
  const id = await newJob('rooftop');
  await provenDead(page, id);
  await kept(page, id, 30, [
    ['code', { shown: '47 2' }],
    ['access', { access: 'lid' }],
    ['access', { access: 'inv-lid' }],
    ['access', { access: 'motor-off' }],
    ['answer', { test: 'heatsink', answer: 'fins blocked' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=igbt`);
  for (const figure of ['.452', '.449', '.002', '.451', '.448', '.002'])
    await reading(page, figure);
  await kept(page, id, 2, [
    [
      'decided',
      {
        endings: [{ kind: 'replace', part: 'inv-board' }],
        leading: 'inv-board',
        probability: 0.97,
        reason: '',
      },
    ],
  ]);
  await page.goto(`/jobs/${id}/sign`);
  await page
    .getByRole('article', { name: 'Service report' })
    .evaluate((paper) => paper.scrollIntoView());
  await taken(page, 'report');
});

test('the shop’s own screens', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('region', { name: 'What is to come' }).waitFor();
  await taken(page, 'today');
  await page.goto('/week');
  await page
    .getByRole('button', { name: /Process chiller/ })
    .first()
    .waitFor();
  await taken(page, 'week');
});

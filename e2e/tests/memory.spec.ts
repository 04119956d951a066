/** What the shop remembers and learns, in the browser: found, looked back on, adopted, shown to a customer. */
import { readFile } from 'node:fs/promises';
import { cleaner } from '../support/clean';
import { expect, test, type Page } from '../support/test';

test.use({ history: true });
// One shop for all of them: its years take a moment to come in.
test.describe.configure({ mode: 'serial' });

const ROOF_2 = '01930000-0000-7000-8000-000000000022';

/** The years of visits come in beside everything else. */
async function historyIn(page: Page): Promise<void> {
  await expect(async () => {
    const answer = await page.request.get('/api/v1/records/visits');
    expect(((await answer.json()) as { of: number }).of).toBeGreaterThan(30);
  }).toPass({ timeout: 300_000, intervals: [500] });
}

const heading = (page: Page, name: string | RegExp) =>
  expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();

test('found by a mistyped word; a unit’s years, its site, its model; odds adopted and put back', async ({
  page,
}) => {
  await page.goto('/');
  await historyIn(page);
  await test.step('the finder knows jobs of any year, whatever was mistyped', async () => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill('rooftpo 2411');
    const records = page.getByRole('group', { name: 'In the records' });
    await expect(records).toContainText('Nothing has “rooftpo”; read as “rooftop”.');
    await expect(records.getByRole('option').first()).toContainText('Dead since dawn');
    await page.getByRole('combobox', { name: 'Find anything' }).fill('x'.repeat(250));
    await expect(page.getByText('A few words find more than that many.')).toBeVisible();
    await page.keyboard.press('Escape');
  });

  await test.step('a unit over the years: what falls, what came back, taken out as CSV', async () => {
    await page.goto(`/units/${ROOF_2}`);
    await heading(page, 'Rooftop unit 2');
    await expect(page.getByText('It is falling from visit to visit.')).toBeVisible();
    await expect(page.getByRole('img', { name: /: 3 readings from/ })).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'after 71 days' })).toContainText(
      'the same again',
    );
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Take them out as CSV' }).click();
    expect((await coming).suggestedFilename()).toBe('readings.csv');
    const steps = page.getByRole('region', { name: 'Time and presses of each step: rows' });
    const step = steps.getByRole('rowheader');
    await expect(step.first()).toHaveText('Arrive');
    await steps.getByRole('button', { name: 'Presses' }).click();
    await steps.getByRole('button', { name: 'Presses' }).click();
    await expect(step.first()).toHaveText('Measure');
    const small = page.waitForEvent('download');
    await page
      .getByRole('region', { name: 'Time and presses of each step', exact: true })
      .getByRole('button', { name: 'As CSV' })
      .click();
    const file = await small;
    expect(file.suggestedFilename()).toBe('time-and-presses-of-each-step.csv');
    const lines = (await readFile(await file.path(), 'utf8')).split('\r\n');
    expect(lines[0]).toContain('Step,Visits,Minutes');
    expect(lines[1]).toMatch(/^Measure,3,/);
    await cleaner(page)('unit', { coloured: true });
  });

  await test.step('its site, with what comes together there', async () => {
    await page.getByRole('link', { name: /^roof, Rua/ }).click();
    await heading(page, 'Pousada do Lume, roof');
    await expect(page.getByRole('article').first()).toContainText('What do they share?');
    await expect(page.getByRole('article').first()).toContainText('the same code: 47');
    await cleaner(page)('site');
  });

  await test.step('its model: a lead adopts what was learnt, and puts it back', async () => {
    await page.goto('/sheets/panvale-do3');
    await page.getByRole('link', { name: 'What we learnt' }).click();
    await heading(page, 'What we learnt: Panvale DO-3 deck oven');
    await expect(page.getByRole('row', { name: /^Lower element open/ })).toContainText('34');
    const parts = page.getByRole('region', { name: 'Codes and parts', exact: true });
    await parts.getByRole('searchbox', { name: 'Only rows with' }).fill('upper');
    await expect(parts.getByRole('status')).toHaveText('3 rows of 15.');
    await expect(parts.getByRole('row')).toHaveCount(4);
    await page.getByLabel('Why, for whoever asks later').fill('five years of it');
    await page.getByRole('button', { name: /^Adopt what \d+ jobs say/ }).click();
    await expect(
      page.getByRole('heading', { name: /the shop’s own odds, revision 1/ }),
    ).toBeVisible();
    await expect(page.getByText('five years of it')).toBeVisible();
    await cleaner(page)('model');
    await page.getByRole('button', { name: 'Put the sheet’s own back' }).click();
    await expect(page.getByRole('heading', { name: 'In use: the sheet’s own odds' })).toBeVisible();
  });
});

test('tables sorted and filtered, patterns, how right we were; by day, by night and on the phone', async ({
  page,
}) => {
  await page.goto('/records');
  await historyIn(page);
  await page.reload();
  await test.step('a press on a heading sorts, another turns it; words filter; both stand in the address', async () => {
    await page.getByRole('button', { name: 'Parts and work' }).click();
    await page.getByRole('searchbox', { name: 'Only rows with' }).fill('lower cedro');
    await page.getByRole('button', { name: 'Signed' }).click();
    await expect(page.getByRole('columnheader', { name: 'Signed' })).toHaveAttribute(
      'aria-sort',
      'ascending',
    );
    await expect(page.getByRole('row').nth(1)).toContainText('2021');
    await page.getByRole('button', { name: 'Signed' }).click();
    await expect(page.getByRole('row').nth(1)).toContainText('2025');
    await expect(page).toHaveURL(/table=parts.*q=lower\+cedro/);
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Take it out as CSV' }).click();
    expect((await coming).suggestedFilename()).toBe('parts.csv');
    await page.getByRole('button', { name: /^Came back/ }).click();
    await page.getByRole('searchbox', { name: 'Only rows with' }).fill('');
    await expect(page.getByRole('row', { name: /Callback/ })).toBeVisible();
  });
  const clean = cleaner(page);
  for (const [path, name] of [
    ['/records', 'Records'],
    ['/records/patterns', 'Patterns'],
    ['/records/right', 'How right were we'],
  ] as const) {
    await page.goto(path);
    await heading(page, name);
    await page.getByRole('main').locator('table, article').first().waitFor();
    await clean(path);
  }
  await expect(page.getByText(/Brier score/)).toBeVisible();
});

test('a customer sees their report by a link until it is ended, and nothing else', async ({
  page,
  browser,
}) => {
  await page.goto('/');
  const [visit] = (await (await page.request.get('/api/v1/jobs?status=signed&limit=1')).json()) as {
    id: string;
  }[];
  await page.goto(`/jobs/${visit!.id}/sign`);
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel('The link').inputValue();
  const customer = await browser.newContext();
  const theirs = await customer.newPage();
  await theirs.goto(link);
  await expect(theirs.getByRole('article', { name: 'Service report' })).toBeVisible();
  await cleaner(theirs)('a shared report');
  // The rest of the shop stays shut.
  await theirs.goto('/records');
  await expect(theirs.getByRole('heading', { name: 'Records' })).toHaveCount(0);
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText(/^Made .* ended by Davi Moura/)).toBeVisible();
  await theirs.goto(link);
  await expect(theirs.getByText('This link shows nothing, or nothing any more.')).toBeVisible();
  await customer.close();
});

/** Suspects in full: what each finding says of each, what would change it, and two of them side by side. */
import { found } from '../support/axe';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, reading, test } from '../support/test';

test('the rooftop unit: every finding against every suspect', async ({ page, newJob }) => {
  const id = await newJob('rooftop');
  await provenDead(page, id);
  await kept(page, id, 2, [
    ['code', { shown: '43' }],
    ['access', { access: 'inv-lid' }],
    ['access', { access: 'motor-off' }],
    ['answer', { test: 'heatsink', answer: 'fins blocked' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=windings`);
  for (const figure of ['1.42', '1.41']) await reading(page, figure);
  await page.getByRole('link', { name: 'Every finding against every suspect' }).click();
  await expect(page).toHaveURL(/\/suspects$/);
  const table = page.getByRole('table');
  const row = (name: string | RegExp) => table.getByRole('row', { name });

  await test.step('each finding as a word, its number on demand', async () => {
    await expect(table.getByRole('columnheader').nth(1)).toHaveText(
      'Compressor winding, turns shorted',
    );
    await expect(row(/Code 43/)).toContainText('strongly for');
    await expect(row(/Compressor windings UV, low/)).toContainText('strongly for');
    expect(await found(page, 'suspects in full')).toEqual([]);
    await page.getByRole('checkbox', { name: 'Numbers' }).check();
    await expect(row(/Code 43/)).toContainText(/×\d/);
    await expect(row(/Code 43/)).not.toContainText('strongly');
    await page.getByRole('checkbox', { name: 'All 20 suspects' }).check();
    await expect(table.getByRole('columnheader')).toHaveCount(21);
  });

  await test.step('how belief moved is said in words too', async () => {
    await expect(
      page.getByRole('img', { name: /^Compressor winding, turns shorted: from \d+ % to \d+ %/ }),
    ).toBeVisible();
  });

  await test.step('two side by side: the test that tells them apart is gone to by a press', async () => {
    await page
      .getByRole('combobox', { name: 'This one', exact: true })
      .selectOption('Inverter transistors shorted');
    await page
      .getByRole('combobox', { name: 'Against this one' })
      .selectOption('Gate driver failed');
    await expect(page.getByText('decides between them').first()).toBeVisible();
    // Choosing the one that stands opposite swaps them.
    await page
      .getByRole('combobox', { name: 'This one', exact: true })
      .selectOption('Gate driver failed');
    await expect(page.getByRole('combobox', { name: 'Against this one' })).toHaveValue('inv-igbt');
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await sideways(page, 'suspects on a phone')).toEqual([]);
    const apart = page.getByRole('region', { name: 'Two side by side' });
    await apart.getByRole('link', { name: /^Inverter transistors, twelve readings/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Inverter transistors');
  });
});

test('before anything is found, it says what it knows and what would come', async ({
  page,
  newJob,
}) => {
  const id = await newJob('furnace');
  await page.goto(`/jobs/${id}/suspects`);
  await expect(page.getByText('Nothing has been found yet.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What would change my mind' })).toBeVisible();
  expect(await found(page, 'suspects, nothing found')).toEqual([]);
});

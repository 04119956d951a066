/** The fault dictionary: computed in workers, stopped, kept, compared, taken over. */
import { found } from '../support/axe';
import { expect, test } from '../support/test';

test('a dictionary is computed, stopped, kept with its revision, and taken over into a new one', async ({
  page,
}) => {
  await page.goto('/sheets/panvale-do3');
  await page.getByRole('link', { name: 'Dictionary' }).click();
  await expect(page.getByRole('heading', { name: 'Fault dictionary' })).toBeVisible();
  await expect(page.getByText('Nothing is computed for this revision yet.')).toBeVisible();

  await test.step('stopped half way, nothing is changed', async () => {
    await page.getByRole('combobox').selectOption('100');
    await page.getByRole('button', { name: 'Compute' }).click();
    await expect(page.getByRole('progressbar', { name: 'Machines computed' })).toBeVisible();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('Stopped. Nothing was changed.')).toBeVisible();
  });

  await test.step('computed, and still there after a reload', async () => {
    await page.getByRole('combobox').selectOption('8');
    await page.getByRole('button', { name: 'Compute' }).click();
    await expect(page.getByRole('heading', { name: 'Furthest apart' })).toBeVisible({
      timeout: 120_000,
    });
    await page.reload();
    await expect(
      page.getByText(/8 machines for each of \d+ faults, computed \d{4}-/),
    ).toBeVisible();
    const cell = page.getByRole('button', { name: /^Lower element open, Elements, lower: bench/ });
    await expect(cell).toBeVisible();
    expect(await found(page, 'the dictionary')).toEqual([]);
  });

  await test.step('one cell taken over becomes a new revision', async () => {
    const first = page.getByRole('checkbox').first();
    await first.check();
    await page.getByRole('button', { name: 'Take over 1 chosen' }).click();
    await expect(page.getByRole('heading', { name: 'What changed' })).toBeVisible();
    await expect(page.getByText(/shows/).first()).toBeVisible();
  });
});

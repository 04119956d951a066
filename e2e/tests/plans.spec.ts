/** What each way costs: the best in one line, the others below, and at what that would change. */
import { found } from '../support/axe';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, test } from '../support/test';

test('the dairy’s chiller: the best way while an outage is cheap, and another once it is dear', async ({
  page,
  newJob,
}) => {
  const id = await newJob('chiller');
  await provenDead(page, id);
  await kept(page, id, 2, [
    ['code', { shown: 'A12-2' }],
    ['access', { access: 'door' }],
    ['answer', { test: 'driver-looks-2', answer: 'clean' }],
  ]);
  await page.goto(`/jobs/${id}/decide`);
  const ways = page.getByRole('list', { name: 'Ways from here, by expected cost' });
  const first = ways.getByRole('listitem').first();
  await expect(page.getByText(/^Costs least:/)).toContainText('mended at the first visit in');
  await expect(first).toContainText('Best');
  await expect(first).toContainText('if that does not help');
  expect(await found(page, 'plans')).toEqual([]);

  await test.step('an hour that costs a thousand: no part is worth waiting for', async () => {
    const outage = page.getByLabel('An hour without it costs its owner');
    await outage.fill('1e');
    await expect(page.getByRole('alert').filter({ hasText: 'no amount' })).toBeVisible();
    await outage.fill('1000');
    await expect(first).toContainText('Hand over, or a new unit');
    await page.reload();
    await expect(outage).toHaveValue('1000');
    await expect(first).toContainText('Hand over, or a new unit');
    await outage.fill('');
    await expect(first).toContainText('if that does not help');
  });

  await test.step('at what it would change, and its first visit ticked by a press', async () => {
    await page.getByText('At what this would change').click();
    await expect(page.getByRole('list', { name: /hangs on$/ })).toContainText(/(Below|Above) /);
    await first.getByRole('button', { name: /^Tick/ }).click({ timeout: 10_000 });
    await expect(page.getByRole('checkbox', { name: /^Replace: /, checked: true })).toHaveCount(1);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await sideways(page, 'plans on a phone')).toEqual([]);
  });
});

test('the shop’s prices: kept, refused where they are none, and reckoned with in a job', async ({
  page,
  newJob,
}) => {
  await page.goto('/shop');
  const hour = page.getByLabel('An hour of work');
  await hour.fill('minus');
  await expect(page.getByRole('button', { name: 'Keep the prices' })).toBeDisabled();
  // Nothing typed is lost on a reload, whether it is an amount or not.
  await page.reload();
  await expect(hour).toHaveValue('minus');
  await hour.fill('60');
  await page.getByLabel('Sign of the currency').fill('Cr');
  await page.getByRole('button', { name: 'Keep the prices' }).click();
  await expect(page.getByText('Jobs reckon with it from now on.')).toBeVisible();
  expect(await found(page, 'the shop')).toEqual([]);
  const id = await newJob('furnace');
  await page.goto(`/jobs/${id}/decide`);
  await expect(page.getByText(/^Costs least:/)).toContainText('Cr');
  // As it was, for whoever comes after on this server.
  await page.goto('/shop');
  await hour.fill('120');
  await page.getByLabel('Sign of the currency').fill('R$');
  await page.getByRole('button', { name: 'Keep the prices' }).click();
  await expect(page.getByText('Jobs reckon with it from now on.')).toBeVisible();
});

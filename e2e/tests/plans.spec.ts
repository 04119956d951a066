/** What each way costs: the best in one line, the others below, and at what that would change. */
import { found } from '../support/axe';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, test, type Page } from '../support/test';

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

  await test.step('an hour that costs a thousand: what can be done at once, and nothing that must be waited for', async () => {
    const outage = page.getByLabel('An hour without it costs its owner');
    await outage.fill('1e');
    await expect(page.getByRole('alert').filter({ hasText: 'no amount' })).toBeVisible();
    await expect(first).toContainText('harness');
    await outage.fill('1000');
    await expect(first).not.toContainText('harness');
    await page.reload();
    await expect(outage).toHaveValue('1000');
    await expect(first).toContainText('e-terminate link 2');
    await expect(first).not.toContainText('harness');
    await outage.fill('');
    await expect(first).toContainText('harness');
  });

  await test.step('at what it would change, and its first visit ticked by a press', async () => {
    await page.getByText('At what this would change').click();
    await expect(page.getByRole('list', { name: /hangs on$/ })).toContainText(/(Below|Above) /);
    await first.getByRole('button', { name: /^Tick/ }).click();
    await expect(page.getByRole('checkbox', { name: /^Replace: /, checked: true })).toHaveCount(1);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await sideways(page, 'plans on a phone')).toEqual([]);
    // Only the card scrolls: the machine’s state stays in view whatever is looked for below.
    await page
      .getByRole('region', { name: 'For the customer' })
      .evaluate((el) => el.scrollIntoView());
    await expect(page.getByRole('status', { name: /^Energy state/ })).toBeInViewport();
    expect(await page.evaluate(() => document.scrollingElement!.scrollTop)).toBe(0);
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

/** Prices of the shop for the time of a story; as they were afterwards. */
async function withPrices(page: Page, prices: Record<string, string>, story: () => Promise<void>) {
  const keep = async (of: Record<string, string>) => {
    await page.goto('/shop');
    for (const [name, amount] of Object.entries(of)) await page.getByLabel(name).fill(amount);
    await page.getByRole('button', { name: 'Keep the prices' }).click();
    await expect(page.getByText('Jobs reckon with it from now on.')).toBeVisible();
  };
  await page.goto('/shop');
  const before: Record<string, string> = {};
  for (const name of Object.keys(prices)) before[name] = await page.getByLabel(name).inputValue();
  await keep(prices);
  try {
    await story();
  } finally {
    await keep(before);
  }
}

test('the dairy’s chiller as a set because the outage is dear; one at a time while it is cheap', async ({
  page,
  newJob,
}) => {
  const id = await newJob('chiller');
  await provenDead(page, id);
  await kept(page, id, 2, [
    ['code', { shown: 'A12-2' }],
    ['answer', { test: 'runs-1', answer: 'it runs' }],
    ['answer', { test: 'runs-3', answer: 'it runs' }],
    ['answer', { test: 'flow-looks', answer: 'flows' }],
    ['access', { access: 'door' }],
    ['answer', { test: 'driver-looks-2', answer: 'clean' }],
  ]);
  // What else there is for a dairy is another chiller.
  await withPrices(page, { 'Handing over': '15000' }, async () => {
    await page.goto(`/jobs/${id}/decide`);
    const best = page
      .getByRole('list', { name: 'Ways from here, by expected cost' })
      .getByRole('listitem')
      .first()
      .getByRole('strong');
    const set = / and /;
    await expect(best).not.toHaveText('');
    await expect(best).not.toHaveText(set);
    await page.getByLabel('An hour without it costs its owner').fill('40');
    await expect(best).toHaveText(set);
  });
});

test('the television: what is tried by itself and does not help goes back, at what the shop loses by it', async ({
  page,
  newJob,
}) => {
  const id = await newJob('television');
  await provenDead(page, id);
  await kept(page, id, 2, [['symptom', { symptom: 'nothing' }]]);
  await page.goto(`/jobs/${id}/decide`);
  const ways = page.getByRole('list', { name: 'Ways from here, by expected cost' });
  const oneAtATime = ways
    .getByRole('listitem')
    .filter({ hasText: 'if that does not help' })
    .first();
  await expect(oneAtATime).toContainText('where it does not help it goes back for R$\u2009204');
  await test.step('the whole set new, once somebody says its price', async () => {
    await expect(ways).toContainText('Without its price it is left out.');
    await ways.getByLabel('Fitted, it costs').fill('300');
    await expect(ways).toContainText('It costs less than any mending');
  });
  await test.step('another way than the best asks why, and the report says what it was expected to cost', async () => {
    await page.getByRole('checkbox', { name: 'Replace: Backlight strips' }).check();
    const why = page.getByLabel(/Why this/);
    await why.fill('The customer has one in the cellar.');
    await page.getByRole('button', { name: /^Decide/ }).click();
    await page.goto(`/jobs/${id}/sign`);
    await expect(page.getByRole('article', { name: 'Service report' })).toContainText(
      'was expected to cost R$',
    );
  });
});

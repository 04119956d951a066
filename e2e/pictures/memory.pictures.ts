/** Pictures of what the shop remembers and learns, over the demo's years of visits. */
import { test, type Page } from '../support/test';

test.use({ history: true });

const FOLDER = 'docs/screenshots';

async function taken(page: Page, name: string, from?: string): Promise<void> {
  if (from !== undefined)
    await page
      .getByRole('heading', { name: from })
      .evaluate((line) => line.scrollIntoView({ block: 'start' }));
  await page.mouse.move(0, 0);
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
}

test('years, odds, patterns, and how right it was', async ({ page }) => {
  await page.goto('/records');
  for (;;) {
    const answer = await page.request.get('/api/v1/records/visits');
    if (((await answer.json()) as { of: number }).of > 30) break;
    await page.waitForTimeout(500);
  }
  await page.goto('/units/01930000-0000-7000-8000-000000000022');
  await page.getByText('It is falling from visit to visit.').waitFor();
  await taken(page, 'unit-years', 'Readings over the years');
  await page.goto('/records/patterns');
  await page.getByRole('article').first().waitFor();
  await taken(page, 'pattern');
  await page.goto('/sheets/panvale-do3/learnt');
  await page
    .getByRole('row', { name: /^Lower element/ })
    .first()
    .waitFor();
  await taken(page, 'odds');
  await page.goto('/records/right');
  await page.getByText(/Brier score/).waitFor();
  await taken(page, 'right');
});

/** Pictures of the door and the people. */
import { test, type Page } from '../support/test';

const FOLDER = 'docs/screenshots';

const taken = async (page: Page, name: string) => {
  await page.mouse.move(0, 0);
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
};

test('the door', async ({ page, context }) => {
  await context.clearCookies();
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who is at the machine?' }).waitFor();
  await taken(page, 'sign-in');
});

test('people', async ({ page }) => {
  await page.goto('/people');
  await page.getByText('▲ Gas work').waitFor();
  await taken(page, 'people');
});

/** Pictures of the door, the people, one's devices, and how everything is kept. */
import { expect, test, type Page } from '../support/test';
import { cookieOf } from '../support/signed-in';

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

test('one’s devices', async ({ page, context, jeitinho }) => {
  for (const device of ['Chrome on Android', 'Safari on iPad'])
    await cookieOf(jeitinho.url, 'Rute Sabiá', device);
  await context.clearCookies();
  await page.goto('/me');
  await page.getByRole('button', { name: /^Rute Sabiá/ }).click();
  await expect(page.getByRole('list', { name: 'Devices' }).getByRole('listitem')).not.toHaveCount(
    0,
  );
  await taken(page, 'devices');
});

test('keeping', async ({ page }) => {
  await page.goto('/keeping');
  await page.getByRole('button', { name: 'Make one now' }).click();
  await page.getByRole('cell', { name: 'whole', exact: true }).waitFor();
  await taken(page, 'keeping');
});

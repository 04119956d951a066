/** Signs: a lamp tapped along with, a code that another sheet lists, codes and symptoms found across all. */
import { found } from '../support/axe';
import { expect, test } from '../support/test';

test('the furnace’s lamp: two rounds that agree are a code, two that differ are none', async ({
  page,
  newJob,
}) => {
  const id = await newJob('furnace');
  await page.goto(`/jobs/${id}/read`);
  const tapper = page.getByRole('region', { name: 'Tap along with the lamp' });
  const press = (name: string) => tapper.getByRole('button', { name, exact: true }).click();
  const round = async (blinks: number) => {
    for (let i = 0; i < blinks; i += 1) await press('Short');
  };
  await expect(page.getByRole('heading', { name: 'What does the lamp say?' })).toBeVisible();
  await round(6);
  await expect(tapper.getByText(/^One round so far/)).toBeVisible();
  await press('Next round');
  await round(5);
  await expect(tapper.getByText(/^The last two rounds differ/)).toBeVisible();
  await press('Next round');
  await round(5);
  await expect(tapper.getByText(/^Twice the same: 5/)).toBeVisible();
  await press('Begin again');

  await test.step('in time with the lamp, by the space key', async () => {
    const pad = tapper.getByRole('button', { name: /^Tap along/ });
    await pad.focus();
    for (const pause of [300, 300, 2200, 300, 300, 0]) {
      await page.keyboard.down(' ');
      await page.waitForTimeout(200);
      await page.keyboard.up(' ');
      await page.waitForTimeout(pause);
    }
    await expect(tapper.getByText(/^Twice the same: 3/)).toContainText('Pressure switch');
    expect(await found(page, 'the lamp tapped')).toEqual([]);
    await press('Keep code 3');
    await expect(page.getByRole('region', { name: 'Code 3' })).toContainText('Pressure switch');
  });
});

test('a code that only another sheet lists is said to be on that one, and is found by its words', async ({
  page,
  newJob,
}) => {
  const id = await newJob('furnace');
  await page.goto(`/jobs/${id}/read`);
  await page.getByRole('textbox', { name: 'Code' }).fill('A30');
  await expect(page.getByRole('link', { name: /Brumal/ })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('watr flow');
  await expect(page.getByRole('option', { name: /A30.*Water flow/ })).toBeVisible();
  await page.getByRole('combobox').fill('screen dark');
  await page.getByRole('option', { name: /Sound, but the screen is dark/ }).click();
  await expect(page).toHaveURL(/\/sheets\/visorim-lt55$/);
});

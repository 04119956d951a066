/** Signs: a lamp tapped along with, a code that another sheet lists, codes and symptoms found across all. */
import { found } from '../support/axe';
import { expect, kept, provenDead, test, type Page } from '../support/test';

test('the furnace’s lamp: two rounds that agree are a code, two that differ are none', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
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
    // By a clock that stands still: however slow the machine, the lamp keeps its beat.
    await page.clock.pauseAt(Date.now() + 3_600_000);
    for (const pause of [300, 300, 2200, 300, 300, 300]) {
      await page.keyboard.down(' ');
      await page.clock.runFor(200);
      await page.keyboard.up(' ');
      await page.clock.runFor(pause);
    }
    await page.clock.resume();
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
  await page.getByRole('option', { name: /Sound, but the screen is dark.*LT-55/ }).click();
  await expect(page).toHaveURL(/\/sheets\/visorim-lt55$/);
});

test('the deck oven’s status word: each bit is a code, all kept at once', async ({
  page,
  newJob,
}) => {
  const id = await newJob('oven');
  await page.goto(`/jobs/${id}/read`);
  const complaint = page.getByRole('region', { name: 'The complaint' });
  await expect(complaint).toContainText('Do you see it yourself?');
  // Not seen says nothing before the machine was in a state that would show it.
  await expect(complaint.getByRole('button', { name: 'Not seen' })).toHaveCount(0);
  await complaint.getByRole('button', { name: 'Seen' }).click();
  await expect(complaint).toContainText('was seen here');
  await page.getByRole('textbox', { name: 'Code' }).fill('0x12');
  await expect(page.getByText('has 2 bits set')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Code E2' })).toContainText('Probe');
  await expect(page.getByRole('region', { name: 'Code E7' })).toBeVisible();
});

const suspects = (page: Page) => page.getByRole('list', { name: /^Suspects/ });

test('the television by hand and torch: a counted power cycle, then a faint picture', async ({
  page,
  newJob,
}) => {
  const id = await newJob('television');
  await page.goto(`/jobs/${id}/measure?test=torch`);
  const tries = page.getByRole('region', { name: 'Quick to try' });
  await expect(tries).toContainText(/Try: Power cycle, 4 min mends it by itself in \d/);
  await tries.getByRole('button', { name: /^Try: Power cycle/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Power cycle' });
  await dialog.getByRole('button', { name: 'Count 30 s' }).click();
  await expect(dialog.getByRole('timer')).toHaveText(/^0:(29|30)$/);
  expect(await found(page, 'a counted try')).toEqual([]);
  await dialog.getByRole('button', { name: 'Done: see whether it helped' }).click();
  await expect(page).toHaveURL(/\/prove$/);
  await page.goto(`/jobs/${id}/measure?test=torch`);
  // Done once, it is not offered again.
  await expect(tries).toHaveCount(0);
  await page.getByRole('button', { name: 'It is so now' }).click();
  await page.getByRole('button', { name: /faint picture in the torch/ }).click();
  const first = suspects(page).getByRole('listitem').first();
  await expect(first).toContainText('Backlight strip open');
  await expect(first).toContainText('for: Torch test, faint');
});

test('the television with its panel cable out: what wakes it up drags its supply', async ({
  page,
  newJob,
}) => {
  const id = await newJob('television');
  await provenDead(page, id);
  await kept(page, id, 90, [
    ['access', { access: 'back' }],
    ['access', { access: 'm4-off' }],
  ]);
  await kept(page, id, 60, [
    ['energised', { precautions: true }],
    ['window', { state: 'standby' }],
    ['window', { state: 'on' }],
  ]);
  await page.goto(`/jobs/${id}/measure?test=unplug-panel`);
  await page.getByRole('button', { name: /backlight comes on$/ }).click();
  const first = suspects(page).getByRole('listitem').first();
  await expect(first).toContainText(/Timing board drags the supply|Panel itself/);
  await expect(first).toContainText('for: Half-split: panel cable out, wakes');
});

test('the cold room: a silent outside unit accuses what commands it, and not the room’s own sensors', async ({
  page,
  newJob,
}) => {
  const id = await newJob('coldRoom');
  await page.goto(`/jobs/${id}/measure?test=outside-runs`);
  await page.getByRole('button', { name: 'It is so now' }).click();
  await page.getByRole('button', { name: /silent$/ }).click();
  const first = suspects(page).getByRole('listitem').first();
  await expect(first).toContainText('Outside unit does not run');
  await expect(first).toContainText('for: Outside unit, silent');
  await page.goto(`/jobs/${id}/suspects`);
  const row = page.getByRole('row', { name: /Outside unit, silent/ });
  await expect(row).toContainText('clearly for');
  await expect(
    page.getByRole('columnheader', { name: 'Controller gives no run command' }),
  ).toBeVisible();
});

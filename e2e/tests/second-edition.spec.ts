/** What a sheet says once for several: circuits, variants, paths; through whole stories in the real app. */
import { found } from '../support/axe';
import { expect, press, provenDead, reading, rollCount, test, type Page } from '../support/test';

const suspects = (page: Page) => page.getByRole('complementary').getByRole('listitem');

test('a code without its circuit is asked about; three circuits are three, and what they share rises', async ({
  page,
  newJob,
}) => {
  const id = await newJob('chiller');
  await page.goto(`/jobs/${id}/read`);
  const field = page.getByRole('textbox', { name: 'Code' });
  await field.fill('A12');
  const which = page.getByRole('group', { name: 'Which one it is about' });
  await expect(which.getByRole('button')).toHaveText(['Circuit 1', 'Circuit 2', 'Circuit 3']);
  // Enter alone decides nothing while it is not said which.
  const before = await rollCount(page);
  await field.press('Enter');
  expect(await rollCount(page)).toBe(before);
  expect(await found(page, 'which circuit')).toEqual([]);
  await which.getByRole('button', { name: 'Circuit 2' }).click();
  await expect(page.getByRole('region', { name: 'Code A12' })).toContainText('Circuit 2');
  await expect(suspects(page).first()).toContainText('2');
  // The display may say it itself.
  await field.fill('A12-3');
  await field.press('Enter');
  await field.fill('A12-1');
  await field.press('Enter');
  await expect(page.getByRole('region', { name: /^Code A12/ })).toHaveCount(3);
  await expect(page.getByText('Control supply low').first()).toBeVisible();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByText('Code A12, Circuit 2')).toBeVisible();
});

test('one sheet for two boards and two fans: asked once, and what is not there is neither asked nor suspected', async ({
  page,
  newJob,
}) => {
  const id = await newJob('heatPump');
  await provenDead(page, id);

  await test.step('what hangs on it waits for the answer', async () => {
    await page.goto(`/jobs/${id}/measure?test=map`);
    const asks = page.getByRole('group', { name: 'Which defrost board is fitted?' });
    await expect(asks).toBeVisible();
    await expect(page.getByRole('group', { name: 'Answers' })).toHaveCount(0);
    expect(await found(page, 'which board')).toEqual([]);
    await asks.getByRole('button', { name: 'a substitute, blue' }).click();
    await expect(page.getByRole('group', { name: 'Answers' })).toBeVisible();
    await press(page, '2');
    await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Out: miswired');
    await expect(suspects(page).first()).toContainText('Substitute board wired wrong');
  });

  await test.step('a wrong answer is corrected on Arrive: the finding stays in the roll and says nothing', async () => {
    await page.getByRole('link', { name: /^Arrive/ }).click();
    await page.getByRole('button', { name: /^Change the answer to Which defrost/ }).click();
    await page.getByRole('button', { name: 'the maker’s own, green' }).click();
    await expect(page.getByText('Which defrost board is fitted? the maker’s own')).toBeVisible();
    await expect(suspects(page).filter({ hasText: 'Substitute board' })).toHaveCount(0);
    await page.getByRole('tab', { name: /^Roll/ }).click();
    await expect(page.getByText('Which defrost board is fitted? a substitute, blue')).toBeVisible();
  });

  await test.step('with the electronic fan there is no capacitor to measure', async () => {
    const fan = page.getByRole('group', { name: 'Which outside fan?' });
    await fan.getByRole('button', { name: /^electronic/ }).click();
    // What this machine has not leads to something that it has.
    await page.goto(`/jobs/${id}/measure?at=map`);
    await expect(page.getByRole('heading', { level: 1, name: 'Coil sensor' })).toBeVisible();
    await page.goto(`/jobs/${id}/measure?test=fan-turns`);
    await expect(page.getByRole('heading', { level: 1, name: 'Outside fan' })).toBeVisible();
    await page.keyboard.press('e');
    const plan = page.getByRole('dialog', { name: 'The plan' });
    await expect(plan.getByRole('button', { name: /^\d+ Mains at the fan’s plug/ })).toBeVisible();
    await expect(plan.getByRole('button', { name: /Fan capacitor/ })).toHaveCount(0);
    await expect(plan.getByRole('button', { name: /Wires of the substitute/ })).toHaveCount(0);
  });
});

test('a sheet of several machines is read as one of them, chosen in its head', async ({ page }) => {
  await page.goto('/sheets/ventumbra-as08');
  const tests = page.getByRole('table', { name: 'Every test with its places and limits' });
  await expect(tests).toContainText('Fan capacitor');
  await expect(tests).not.toContainText('Mains at the fan’s plug');
  await page.getByLabel('Which outside fan?').selectOption('electronic, a plug of its own');
  await expect(tests).toContainText('Mains at the fan’s plug');
  await expect(tests).not.toContainText('Fan capacitor');
  // The address says which one it is.
  await page.reload();
  await expect(tests).toContainText('Mains at the fan’s plug');
  expect(await found(page, 'a sheet of several machines')).toEqual([]);
});

test('an open loop is halved reading by reading until one link is left', async ({
  page,
  newJob,
}) => {
  const id = await newJob('dryer');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?at=${encodeURIComponent('loop@whole')}`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  for (let i = 0; i < 3; i += 1) await press(page, 'a');
  const path = page.getByRole('region', { name: '127 V~ through the igniter', exact: false });
  await expect(path.first()).toContainText('Nothing of it is proven yet.');
  await page.keyboard.press('l');
  await reading(page, '0.2');
  await page.keyboard.type('OL');
  await press(page, 'Enter');
  await page.keyboard.press('c');
  await press(page, '1');
  await expect(path.first()).toContainText('It is broken at one of 9 dashed links.');
  await page
    .getByRole('button', { name: /^Halve it: to the igniter’s far end \(4 or 5 left\)/ })
    .click();
  await reading(page, '111');
  await expect(path.first()).toContainText('It is broken at one of 5 dashed links.');
  expect(await found(page, 'a path half split')).toEqual([]);
  await page.getByRole('button', { name: /^Halve it: wire back \(3 or 2 left\)/ }).click();
  await reading(page, '0.4');
  await expect(path.first()).toContainText('It is broken at one of 2 dashed links.');
  await page.getByRole('button', { name: /^Halve it:/ }).click();
  await reading(page, '0.3');
  await expect(path.first()).toContainText('It is broken at the one dashed link.');
  await expect(suspects(page).first()).toContainText('Radiant sensor stays open');
});

test('in the editor: a path by pressing pins, conditions as a table, a pasted table of codes, what stands for what', async ({
  page,
}) => {
  await page.goto('/sheets/secavento-gd7/edit');
  const sections = page.getByRole('navigation', { name: 'Sections of the sheet' });
  const show = (name: string) => sections.getByRole('button', { name, exact: true }).click();
  const checks = page.getByRole('complementary', { name: 'Checks' });

  await test.step('a path is drawn in the order in which it is pressed', async () => {
    await show('Paths');
    await page.getByRole('button', { name: '+ path' }).click();
    await page.getByLabel('what it carries, and for what').fill('Door loop');
    await page.getByRole('button', { name: 'C9 pin 2, door' }).click();
    await page.getByRole('button', { name: 'C9 pin 3, door' }).click();
    const strip = page.getByRole('region', { name: 'Path: Door loop' });
    await expect(strip.getByRole('listitem')).toHaveText([/C9 pin 2/, /C9 pin 3/]);
    await page.getByRole('button', { name: 'C9 pin 2, door' }).click();
    await expect(checks).toContainText('goes through “brd.C9.2” twice');
    await page.getByRole('button', { name: 'Take back brd.C9.2' }).click();
    await expect(checks).toContainText('It hangs together');
    expect(await found(page, 'drawing a path')).toEqual([]);
  });

  await test.step('a want is set in the table, a wrong one is told at once', async () => {
    await show('Conditions');
    const out = page.getByLabel('Mains at the board: out');
    await out.fill('top, lid');
    await out.blur();
    await expect(checks).toContainText('There is no access “lid”');
    await out.fill('top');
    await out.blur();
    await expect(checks).toContainText('It hangs together');
    expect(await found(page, 'the table of conditions')).toEqual([]);
  });

  await test.step('codes come in as a table, looked at first', async () => {
    await show('Codes');
    await page.getByRole('button', { name: 'Paste a table of codes' }).click();
    const dialog = page.getByRole('dialog', { name: 'A table of codes' });
    await dialog.getByRole('textbox').fill('Code\tTitle\tCauses\nF9\tDoor\tdoor open\n\tx\t');
    await expect(dialog.getByRole('status')).toContainText('1 new, 0 completed.');
    await expect(dialog.getByRole('status')).toContainText('Row 3: A row without its code.');
    await dialog.getByRole('button', { name: 'Take over 1' }).click();
    await expect(page.getByText('F9 · Door')).toBeVisible();
  });

  await test.step('what is written once shows what it stands for', async () => {
    await page.getByRole('button', { name: 'Discard my changes' }).click();
    await page.goto('/sheets/brumal-pc36/edit');
    await show('Written out');
    await expect(page.getByRole('row', { name: /igbt-up-\{c\}/ })).toContainText(
      'igbt-up-1 igbt-up-2 igbt-up-3',
    );
    await page.goto('/sheets/ventumbra-as08/edit');
    await show('Written out');
    await expect(page.getByRole('row', { name: /tests map/ })).toContainText('not there');
    await page.getByLabel('Which defrost board is fitted?').selectOption('a substitute, blue');
    await expect(page.getByRole('row', { name: /tests map/ })).not.toContainText('not there');
  });
});

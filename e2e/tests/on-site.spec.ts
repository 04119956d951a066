/** What a sheet cannot know: pins that stand elsewhere on the machine at hand, and a look that finds several things. */
import { found } from '../support/axe';
import { expect, opened, press, provenDead, reading, test } from '../support/test';

/** Coil 1 at 4, coil 2 at 1, coil 3 at 2, the common at 3: what this valve reads between its pins. */
const OHMS: Readonly<Record<string, string>> = {
  '1-2': '1780',
  '1-3': '562',
  '1-4': '1925',
  '2-3': '1220',
  '2-4': '2585',
  '3-4': '1360',
};

test('a plug in an unknown order is found pair by pair, measured there, and offered to the author', async ({
  page,
  newJob,
}) => {
  const id = await newJob('dryer');
  const asItWas = (await (await page.request.get('/api/v1/sheets/secavento-gd7')).json()) as object;
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?at=coils@1`);
  await page.getByRole('heading', { level: 1, name: 'Valve coils' }).waitFor();
  await press(page, 'a');
  await page.getByRole('button', { name: 'Is C6 pinned otherwise here?' }).click();
  // Plugged in, what hangs on it reads with it.
  await expect(page.getByText('First: C6 out. Then it can be found pair by pair.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave as it was' }).click();
  await press(page, 'a');

  await test.step('each pair is asked for until the order is known', async () => {
    await page.getByRole('button', { name: 'Is C6 pinned otherwise here?' }).click();
    const pairs = page.getByRole('region', { name: 'Pair by pair' });
    const field = pairs.getByRole('textbox');
    const told = pairs.getByRole('status', { name: 'Which pin is which' });
    expect(await found(page, 'pair by pair')).toEqual([]);
    await expect(pairs).toContainText('1.256 to 1.474 kΩ');
    await expect(pairs).toContainText('Service data GD, revision A, page 10');
    // What cannot be a figure says why and stays in the field, also when the dialog was left.
    await field.fill('-5');
    await expect(pairs).toContainText('shows nothing below zero');
    await page.getByRole('button', { name: 'Leave as it was' }).click();
    await page.getByRole('button', { name: 'Is C6 pinned otherwise here?' }).click();
    await expect(field).toHaveValue('-5');
    for (let i = 0; i < 6 && !(await told.isVisible()); i += 1) {
      const words = await pairs.getByText(/^Touch pin/).innerText();
      const [a, b] = words.match(/\d+/g)!;
      await field.fill(OHMS[`${a}-${b}`]!);
      await field.press('Enter');
      await expect(pairs.getByText(`${a} to ${b}:`)).toBeVisible();
    }
    await expect(told).toHaveText('Found: 1 at 4, 2 at 1, 3 at 2, 4 at 3.');
    await pairs.getByRole('button', { name: 'Put them so' }).click();
    await expect(page.getByLabel('Pin 1 of the sheet is here at')).toHaveValue('4');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
  });

  await test.step('the card, the roll and the report speak of the pins of this machine', async () => {
    await expect(page.getByText('C6 is pinned otherwise here: 1 at 4')).toBeVisible();
    await expect(page.getByText('Red on C6 pin 4, black on C6 pin 3').first()).toBeVisible();
    await reading(page, '1365');
    await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Point 1: In');
    await page.getByRole('tab', { name: /^Roll/ }).click();
    await expect(page.getByText('C6 pinned otherwise here: 1 at 4, 2 at 1')).toBeVisible();
    await page.goto(`/jobs/${id}/sign`);
    await expect(page.getByRole('article', { name: 'Service report' })).toContainText(
      'Red on C6 pin 4, black on C6 pin 3',
    );
    await expect(page.getByRole('article', { name: 'Service report' })).toContainText(
      'C6 pinned otherwise here: 1 at 4',
    );
  });

  await test.step('the author is offered it, and has it in the next revision at one press', async () => {
    await page.goto('/sheets/secavento-gd7');
    const offer = page.getByRole('region', { name: 'Pins found elsewhere' });
    await expect(offer).toContainText('Dryer board, C6: 1 at 4, 2 at 1, 3 at 2, 4 at 3');
    expect(await found(page, 'pins offered')).toEqual([]);
    await offer.getByRole('button', { name: /^Into the sheet/ }).click();
    await page.getByRole('heading', { level: 1, name: /^Editing/ }).waitFor();
    // Pressed once more over the draft, nothing is moved twice.
    await page.goto('/sheets/secavento-gd7');
    await offer.getByRole('button', { name: /^Into the sheet/ }).click();
    await page.getByRole('heading', { level: 1, name: /^Editing/ }).waitFor();
    const checks = page.getByRole('complementary', { name: 'Checks' });
    await expect(checks).toContainText('It hangs together');
    await page.getByRole('button', { name: /^Save as revision/ }).click();
    await page.getByRole('heading', { level: 1, name: /Secavento/ }).waitFor();
    await expect(page.getByRole('region', { name: 'Pins found elsewhere' })).toHaveCount(0);
    const saved = await page.request.get('/api/v1/sheets/secavento-gd7');
    const { tests, revision } = (await saved.json()) as {
      tests: { id: string; points?: object[] }[];
      revision: number;
    };
    expect(tests.find((each) => each.id === 'coils')?.points?.[0]).toMatchObject({
      red: 'brd.C6.4',
      black: 'brd.C6.3',
    });
    // Other stories share this server, and count on the sheet as it was.
    const back = await page.request.post('/api/v1/sheets', {
      data: { ...asItWas, revision: revision + 1 },
    });
    expect(back.status()).toBe(201);
  });
});

test('pins said by hand: two change places; taken back, everything stands as the sheet says', async ({
  page,
  newJob,
}) => {
  const id = await newJob('dryer');
  await page.goto(`/jobs/${id}/measure?at=coils@2`);
  await opened(page);
  await page.getByRole('button', { name: 'Is C6 pinned otherwise here?' }).click();
  // Nothing is proven dead: nobody is asked to put an ohmmeter on it.
  await expect(page.getByRole('region', { name: 'Pair by pair' })).toHaveCount(0);
  await page.getByLabel('Pin 2 of the sheet is here at').selectOption('1');
  await expect(page.getByLabel('Pin 1 of the sheet is here at')).toHaveValue('2');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByRole('row', { name: /^2 Red on C6 pin 1, black on C6 pin 4/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Change C6' }).click();
  await page.getByLabel('Pin 1 of the sheet is here at').selectOption('1');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(
    page.getByRole('row', { name: /^2 Red on C6 pin 2, black on C6 pin 4/ }),
  ).toBeVisible();
});

test('a look finds two things, each with its place; both suspects move, and the report has both', async ({
  page,
  newJob,
}) => {
  const id = await newJob('fridge');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=board-looks`);
  await page.getByRole('group', { name: 'Answers' }).waitFor();
  await press(page, '2');
  await page.getByRole('button', { name: 'Say where, or what else' }).click();
  const finds = page.getByRole('region', { name: 'What was found, and where' });
  await finds.getByLabel('Where: place or component').fill('R12');
  await finds.getByRole('button', { name: 'Add' }).click();
  await expect(finds.getByRole('listitem')).toHaveText(['burnt or cracked at R12']);
  await finds.getByLabel('Found', { exact: true }).selectOption('C1 swollen');
  await finds.getByLabel('Where: place or component').fill('C1, its top');
  await finds.getByLabel('Where: place or component').press('Enter');
  await expect(finds.getByRole('listitem')).toHaveCount(2);
  expect(await found(page, 'several findings')).toEqual([]);
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(
    page.getByText('Found: burnt or cracked at R12; C1 swollen at C1, its top'),
  ).toBeVisible();
  await page.reload();
  await expect(finds.getByRole('listitem')).toHaveCount(2);
  await finds.getByRole('button', { name: /^Not there.*C1 swollen/ }).click();
  await expect(finds.getByRole('listitem')).toHaveText(['burnt or cracked at R12']);
});

test('a sheet begun from another tells what differs by now', async ({ page }) => {
  await page.goto('/sheets/secavento-gd7');
  await page.getByRole('button', { name: 'Begin another from it' }).click();
  await page.getByRole('textbox', { name: 'Model' }).fill('GD9');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('heading', { level: 1, name: 'Editing a new sheet' }).waitFor();
  const differs = page.getByRole('region', { name: 'What differs' });
  await expect(differs).toContainText('Begun from Secavento');
  await differs.getByRole('button', { name: 'What differs' }).click();
  await expect(differs.getByRole('list', { name: 'Changes' })).toContainText('GD9');
  expect(await found(page, 'what differs')).toEqual([]);
  // Kept with the draft on this device.
  await page.reload();
  await expect(differs).toContainText('Begun from Secavento');
});

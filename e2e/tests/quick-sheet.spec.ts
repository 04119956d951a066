/** From a pin table inside a door to a judged reading, in one flow. */
import { confirm, expect, reading, test, type Page } from '../support/test';

const COOLER_JOB = '01930000-0000-7000-8000-000000000169';
const TABLE = [
  'Connector\tPins\tState\tExpected\tSignal',
  'CN1\t1-2\tstandby\t127 V ±10%\tmains',
  'CN2\t1-2\tstandby\t12 V\tfan',
  '\t3-4\t\t5 V ±5%\tdisplay',
  'CN3\t1-2\toff\t4,7 kΩ ±5%\tsensor',
  'CN4\t1-2\toff\t8–14 Ω\tcompressor',
].join('\n');

const paste = (page: Page, text: string) => page.getByLabel('Paste the rows here').fill(text);
const understood = (page: Page) => page.getByRole('region', { name: 'Rows as understood' });

test('a job without a sheet gets one from a pasted table, and a reading is judged by it', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Corridor water cooler/ }).click();
  await expect(page.getByText('A pin table from the manual or the door')).toBeVisible();
  await page.getByRole('link', { name: 'Make a quick sheet' }).click();
  // The unit is known already.
  await expect(page.getByLabel('Maker')).toHaveValue('Fontelar');
  await expect(page.getByLabel('Model')).toHaveValue('FB-2');
  await page.getByLabel('Where the figures come from').fill('Pin table inside the door');
  await page.getByLabel('Wait after isolating').fill('1');
  await paste(page, TABLE);
  await expect(understood(page)).toContainText('5 rows understood');
  const faults = page.getByRole('region', { name: 'Proposed faults' });
  await expect(faults).toContainText('Board, output at CN2');
  await expect(faults).toContainText('Supply upstream missing');
  await expect(faults).toContainText('Harness at CN4');
  await faults.getByRole('checkbox', { name: /Harness at CN3/ }).uncheck();
  await page.getByRole('button', { name: 'Save and measure with it' }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${COOLER_JOB}/arrive`));
  await page.goto(`/jobs/${COOLER_JOB}/measure?test=CN2-Vdc-standby`);
  await expect(page.getByRole('heading', { name: 'CN2, standby' })).toBeVisible();
  await confirm(page, 'Precautions taken');
  await reading(page, '3,1');
  // The mains were proposed as what feeds it: without them a bad figure accuses nothing.
  const verdict = page.getByRole('status', { name: 'Verdict' }).first();
  await expect(verdict).toContainText('“CN1, standby” feeds this, and was not taken');
  await page.goto(`/jobs/${COOLER_JOB}/measure?test=CN1-Vac-standby`);
  await expect(page.getByRole('heading', { name: 'CN1, standby' })).toBeVisible();
  await reading(page, '126,4');
  await page.goto(`/jobs/${COOLER_JOB}/measure?at=CN2-Vdc-standby@1-2`);
  await expect(verdict).toContainText('Out: low');
  // “12 V” states no tolerance: the house’s applies, and says so.
  await page.getByRole('button', { name: 'fan', exact: true }).click();
  await expect(page.getByText('house tolerance').first()).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Board, output at CN2' }).first(),
  ).toBeVisible();
});

test('what is not understood is named with its row; a column guessed wrong is set right', async ({
  page,
}) => {
  await page.goto('/sheets/quick');
  await paste(page, 'Where\tBetween\tWhat\nCN1\t1-2\t12 V\nCN1\t7\t5 V\nCN1\t3-4\tmuch');
  const rows = understood(page);
  await rows.getByLabel('Meaning of Where').selectOption('connector');
  await rows.getByLabel('Meaning of What').selectOption('expected');
  await expect(rows).toContainText('“7” is not two pins; write 1-2');
  await expect(rows).toContainText('“much” is not understood');
  await expect(rows).toContainText('1 rows understood');
  await expect(page.getByRole('button', { name: 'Save the sheet' })).toBeDisabled();
  // What was pasted survives a reload.
  await page.reload();
  await expect(page.getByLabel('Paste the rows here')).toHaveValue(/CN1\t7\t5 V/);
});

test('rows typed by hand and a CSV file with decimal commas make a sheet as well', async ({
  page,
}) => {
  await page.goto('/sheets/quick');
  await page.getByLabel('Paste the rows here').fill('');
  for (const [label, text] of [
    ['Maker', 'Brumal Sul'],
    ['Model', 'KF-2'],
    ['Kind of machine', 'fan'],
    ['Where the figures come from', 'Plate'],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByLabel('CSV or TSV file').setInputFiles({
    name: 'pins.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Conector;Pinos;Estado;Esperado;Unidade\r\nX1;1-2;ligado;24;V\r\nX2;1-2;desligado;4,7;kΩ\r\n',
      'latin1',
    ),
  });
  await expect(understood(page)).toContainText(/1 rows understood|2 rows understood/);
  await page
    .getByLabel('Paste the rows here')
    .fill('Connector;Pins;State;Expected\nX1;1-2;on;24 V\nX2;1-2;off;4,7 kΩ');
  await page.getByLabel('Connector', { exact: true }).fill('X3');
  await page.getByLabel('Pins', { exact: true }).fill('1-2');
  await page.getByLabel('State', { exact: true }).fill('off');
  await page.getByLabel('Expected', { exact: true }).fill('OL');
  await page.getByRole('button', { name: 'Add row' }).click();
  await expect(understood(page)).toContainText('2 rows understood');
  await page
    .getByLabel('Paste the rows here')
    .fill('Connector\tPins\tState\tExpected\nX1\t1-2\ton\t24 V');
  await page.getByLabel('Connector', { exact: true }).fill('X3');
  await page.getByLabel('Pins', { exact: true }).fill('1-2');
  await page.getByLabel('State', { exact: true }).fill('off');
  const expected = page.getByLabel('Expected', { exact: true });
  await expected.fill('> 1 M bananas');
  await page.getByRole('button', { name: 'Add row' }).click();
  // What is not understood stays where it was typed.
  await expect(page.getByText(/bananas/)).toBeVisible();
  await expect(expected).toHaveValue('> 1 M bananas');
  await expected.fill('> 1 MΩ');
  await page.getByRole('button', { name: 'Add row' }).click();
  await expect(understood(page)).toContainText('2 rows understood');
  await page.getByRole('button', { name: 'Save the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Brumal Sul KF-2' })).toBeVisible();
  await expect(
    page.getByRole('table', { name: 'Every test with its places and limits' }),
  ).toContainText('at least 1\u2009MΩ');
});

/** The library, reading a sheet, writing one, comparing, files in and out, two writers at once. */
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '../support/test';
import { fetch } from '../support/signed-in';

const BOILER = 'termalva-tb24';
const section = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Sections of the sheet' }).getByRole('button', { name });
const post = (url: string, sheet: unknown) =>
  fetch(`${url}/api/v1/sheets`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(sheet),
  });
const newest = async (url: string, id: string) =>
  (await (await fetch(`${url}/api/v1/sheets/${id}`)).json()) as Record<string, never> & {
    revision: number;
    title: string;
  };

test('a sheet is found by maker, model, code, connector and part, and says by what', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Sheets' }).click();
  const search = page.getByRole('searchbox', { name: /Maker, model, code/ });
  const results = page.getByRole('main').getByRole('listitem');
  await expect(results).not.toHaveCount(0);
  for (const [words, title, by] of [
    ['norveda', 'Norveda NX3 rooftop multi-split', undefined],
    ['TB-24 L', 'Termalva TB-24 gas boiler', 'model TB-24*'],
    ['e02', 'Termalva TB-24 gas boiler', 'code E02 Flame lost'],
    ['neck', 'Varredim VC-2 sensor vacuum', 'connector W4 Neck harness'],
    ['TT-7731', 'Termalva TB-24 gas boiler', 'part Electrode TT-7731'],
  ] as const) {
    await search.fill(words.replace(' L', ''));
    await expect(results.first()).toContainText(title);
    if (by) await expect(results.first()).toContainText(`found: ${by}`);
  }
  await search.fill('nothing of the kind');
  await expect(page.getByText('Nothing by those words')).toBeVisible();
});

test('a sheet is read: boards drawn, pins, codes, limits, what each fault shows, procedures', async ({
  page,
}) => {
  await page.goto(`/sheets/norveda-nx3`);
  await expect(
    page.getByRole('heading', { name: 'Norveda NX3 rooftop multi-split' }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: 'Drawing of the Inverter board.' })).toBeVisible();
  await expect(page.getByRole('table', { name: /^CN5/ }).first()).toContainText('data');
  await expect(page.getByRole('region', { name: 'Codes' })).toContainText('Compressor current');
  const tests = page.getByRole('table', { name: 'Every test with its places and limits' });
  await expect(tests).toContainText('Inverter bridge as a whole');
  await expect(tests).toContainText('pipe-ntc ± 2 K');
  await page.getByRole('button', { name: 'Inverter transistors shorted' }).click();
  await expect(page.getByRole('status', { name: 'Inverter transistors shorted' })).toContainText(
    'Ask after: blocked heat sink',
  );
  await expect(page.getByRole('region', { name: 'Procedures' })).toContainText('Paste as thin');
});

test('a sheet leaves as JSON and as CSV, and comes back as the next revision', async ({
  page,
  jeitinho,
}) => {
  await page.goto('/sheets/varredim-vc2');
  const file = async (name: string) => {
    await page.getByRole('button', { name: /^Export/ }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name }).click(),
    ]);
    return {
      name: download.suggestedFilename(),
      text: readFileSync(await download.path(), 'utf8'),
    };
  };
  const pins = await file('Pins, CSV');
  expect(pins.name).toBe('varredim-vc2-rev1-pins.csv');
  expect(pins.text).toContain('Supply board,W4,2,sensor,white');
  const json = await file('Whole sheet, JSON');
  const sheet = JSON.parse(json.text) as { title: string; shopNote?: string };
  sheet.title = 'Vacuum, brought back';
  sheet.shopNote = 'from the other shop';
  await page.goto('/sheets');
  await page.getByLabel('Sheet file or table to import').setInputFiles({
    name: 'vacuum.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(sheet)),
  });
  const dialog = page.getByRole('dialog', { name: 'Import vacuum.json' });
  await expect(dialog).toContainText('this becomes revision 2');
  await expect(dialog).toContainText('“shopNote” is not a field this program knows');
  await dialog.getByRole('button', { name: 'Save to the library' }).click();
  await expect(page.getByRole('heading', { name: 'Vacuum, brought back' })).toBeVisible();
  expect(await newest(jeitinho.url, 'varredim-vc2')).toMatchObject({
    revision: 2,
    shopNote: 'from the other shop',
  });
});

test('files that are no sheet are refused with a sentence, and nothing is stored', async ({
  page,
}, info) => {
  await page.goto('/sheets');
  const drop = async (name: string, content: Buffer) => {
    // From the disk: bytes handed over would cross as text, which took half a minute.
    const file = info.outputPath(name);
    writeFileSync(file, content);
    await page.getByLabel('Sheet file or table to import').setInputFiles(file);
    const dialog = page.getByRole('dialog', { name: `Import ${name}` });
    await expect(dialog).toBeVisible();
    const said = await dialog.innerText();
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect(dialog).toBeHidden();
    return said;
  };
  expect(await drop('huge.json', Buffer.alloc(50_000_000, 32))).toContain('8 MB is the most');
  expect(await drop('deep.json', Buffer.from('['.repeat(50_000) + ']'.repeat(50_000)))).toMatch(
    /deeper|one group of fields/,
  );
  expect(await drop('torn.json', Buffer.from('{ "format": '))).toContain('its JSON breaks off');
  expect(await drop('book.json', Buffer.from([0x50, 0x4b, 3, 4, 0, 0]))).toContain(
    'not a text file',
  );
  expect(await drop('later.json', Buffer.from('{"format":"jeitinho.sheet/3"}'))).toContain(
    'Update the program',
  );
  expect(await drop('bad.json', Buffer.from('{"format":"jeitinho.sheet/1","id":"x y"}'))).toContain(
    '“title” is missing; add it.',
  );
});

test('a sheet is written: live checks, undo, the board by drag and by keys, and saved as the next revision', async ({
  page,
  jeitinho,
}) => {
  const { revision } = await newest(jeitinho.url, BOILER);
  await page.goto(`/sheets/${BOILER}/edit`);
  await expect(page.getByText('It hangs together and can be saved.')).toBeVisible();
  const title = page.getByLabel('title', { exact: true });
  await title.fill('Boiler, second hand');
  // A dangling reference is named at once, and leads to its place.
  await section(page, 'Faults').click();
  await page
    .getByRole('button', { name: 'electrode-dirty · Electrode dirty', exact: true })
    .click();
  const part = page.getByLabel('part', { exact: true });
  await part.fill('nowhere');
  const checks = page.getByRole('complementary', { name: 'Checks' });
  await expect(checks).toContainText('There is no part “nowhere”');
  await expect(page.getByRole('button', { name: 'Mend first, then save' })).toBeDisabled();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(checks).toContainText('It hangs together');
  // What it shows, typed as shares.
  await page.getByLabel('electrode-look', { exact: true }).fill('dirty 0.9, ok 0.1');
  await expect(checks).toContainText('It hangs together');
  // The board: an arrow key moves a connector by a millimetre, the pointer drags it.
  await section(page, 'Boards').click();
  const plug = page.getByRole('button', { name: /^X3 Fan at/ });
  const before = /at (\d+), (\d+)/.exec((await plug.getAttribute('aria-label'))!)!;
  await plug.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(plug).toHaveAttribute(
    'aria-label',
    new RegExp(`at ${Number(before[1]) + 1}, ${Number(before[2]) + 10} `),
  );
  const box = (await plug.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 + 30, { steps: 4 });
  await page.mouse.up();
  await expect(plug).not.toHaveAttribute('aria-label', new RegExp(`at ${Number(before[1]) + 1}, `));
  // Pins by row.
  await page.getByRole('button', { name: '+ add to pins' }).click();
  await page.getByLabel('signal').last().fill('tacho');
  // A reload loses nothing that has been on screen for a moment.
  await page.waitForTimeout(500);
  await page.reload();
  await expect(page.getByText('Your changes of last time')).toBeVisible();
  await expect(title).toHaveValue('Boiler, second hand');
  await page.getByRole('button', { name: `Save as revision ${revision + 1}` }).click();
  await expect(page.getByRole('heading', { name: 'Boiler, second hand' })).toBeVisible();
  const saved = JSON.stringify(await newest(jeitinho.url, BOILER));
  expect(saved).toContain('"signal":"tacho"');
  expect(saved).toContain('"dirty":0.9');
  await page.getByRole('link', { name: 'Compare' }).click();
  const changes = page.getByRole('list', { name: 'Changes' });
  await expect(changes).toContainText('/boards/ctl/connectors/X3/pins/3');
  await expect(changes).toContainText('/faults/electrode-dirty/shows/electrode-look/dirty');
});

test('two people save one sheet: the second is told, sees both, loses nothing', async ({
  page,
  jeitinho,
}) => {
  const id = 'ondar-pb14';
  await page.goto(`/sheets/${id}/edit`);
  await page.getByLabel('title', { exact: true }).fill('Mine');
  await expect(page.getByRole('button', { name: 'Save as revision 2' })).toBeEnabled();
  const theirs = { ...(await newest(jeitinho.url, id)), revision: 2, title: 'Theirs' };
  expect((await post(jeitinho.url, theirs)).status).toBe(201);
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'saved revision 2 of this sheet meanwhile' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Compare with revision 2' }).click();
  await expect(page.getByRole('region', { name: 'Theirs and yours' })).toContainText('Theirs');
  await page.getByRole('button', { name: 'Save as revision 3' }).click();
  await expect(page.getByRole('heading', { name: 'Mine' })).toBeVisible();
  expect((await newest(jeitinho.url, id)).revision).toBe(3);
  const kept = await fetch(`${jeitinho.url}/api/v1/sheets/${id}/revisions/2`);
  expect(((await kept.json()) as { title: string }).title).toBe('Theirs');
});

test('a sheet as text: applied when it reads, kept when it does not', async ({ page }) => {
  await page.goto('/sheets/secavento-gd7/edit');
  await section(page, 'As text').click();
  const text = page.getByLabel('The whole sheet');
  const whole = await text.inputValue();
  await text.fill(whole.slice(0, 400));
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByText('Not applied, and nothing typed is lost')).toBeVisible();
  await expect(text).toHaveValue(whole.slice(0, 400));
  await text.fill(whole.replace('Secavento GD-7 gas dryer', 'Dryer by hand'));
  await page.getByRole('button', { name: 'Apply' }).click();
  await section(page, 'Machine').click();
  await expect(page.getByLabel('title', { exact: true })).toHaveValue('Dryer by hand');
  await page.getByRole('button', { name: 'Discard my changes' }).click();
  await expect(page.getByRole('heading', { name: 'Secavento GD-7 gas dryer' })).toBeVisible();
});

test('the library and a sheet seen before open without the server', async ({ page, context }) => {
  await page.goto('/sheets/panvale-do3');
  await expect(page.getByRole('heading', { name: 'Panvale DO-3 deck oven' })).toBeVisible();
  await page.getByRole('link', { name: 'Sheets' }).first().click();
  // The list itself, not the sheet’s own heading that was on screen a moment ago.
  await expect(page.getByRole('link', { name: /Panvale DO-3/ })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('searchbox').fill('oven');
  await page.getByRole('link', { name: /Panvale DO-3/ }).click();
  await expect(page.getByRole('heading', { name: 'Panvale DO-3 deck oven' })).toBeVisible();
});

test('a sheet for another model begins from a known one, and a taken name is not overwritten', async ({
  page,
  jeitinho,
}) => {
  const begin = async (model: string) => {
    await page.goto('/sheets/visorim-lt55');
    await page.getByRole('button', { name: 'Begin another from it' }).click();
    await page.getByLabel('Model', { exact: true }).fill(model);
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Editing a new sheet' })).toBeVisible();
  };
  await begin('LT-43');
  await page.getByRole('button', { name: 'Save as revision 1' }).click();
  await expect(page.getByRole('heading', { name: 'Visorim LT-43' })).toBeVisible();
  expect(await newest(jeitinho.url, 'visorim-lt-43')).toMatchObject({ revision: 1 });
  await begin('LT-43');
  await page.getByLabel('title', { exact: true }).fill('Second thoughts');
  await page.getByRole('button', { name: 'Save as revision 1' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved' })).toContainText(
    'revision 1',
  );
  expect(await newest(jeitinho.url, 'visorim-lt-43')).toMatchObject({ title: 'Visorim LT-43' });
  await page.getByRole('button', { name: 'Discard my changes' }).click();
  await expect(page.getByRole('heading', { name: 'Service sheets' })).toBeVisible();
});

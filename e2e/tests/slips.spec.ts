/** What goes wrong with two hands on probes: a lost prefix, exchanged leads, a clock set, a bad picture. */
import { writeFileSync } from 'node:fs';
import {
  bridgeDead,
  confirm,
  expect,
  opened,
  press,
  proveDead,
  provenDead,
  reading,
  rollCount,
  test,
  type Page,
} from '../support/test';
import { fetch } from '../support/signed-in';

test.use({ viewport: { width: 1280, height: 800 } });

const verdict = (page: Page) => page.getByRole('status', { name: 'Verdict' });

test('a figure a thousand times off is asked about, and kept either way', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  await press(page, 'a');
  const kept = await rollCount(page);
  await page.keyboard.type('5.2');
  await page.keyboard.press('Enter');
  const ask = page.getByRole('alert', { name: 'Which size' });
  await expect(ask).toContainText(/5\.2.kΩ or 5\.2.Ω\?/);
  expect(await rollCount(page)).toBe(kept);
  // Enter alone decides nothing: a double press must not.
  await page.keyboard.press('Enter');
  expect(await rollCount(page)).toBe(kept);
  await press(page, '1');
  await expect(verdict(page)).toContainText('In');
  await expect(page.getByRole('textbox', { name: /now 5\.2 kΩ/ })).toBeVisible();
  await page.keyboard.press('r');
  await page.keyboard.type('5.2');
  await page.keyboard.press('Enter');
  await press(page, '2');
  await expect(verdict(page)).toContainText('Out');
});

test('exchanged leads are seen, and the two readings exchanged in one press', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  await bridgeDead(page, await newJob('rooftop'));
  await reading(page, 'o');
  await page.goto(page.url().replace('U-P', 'P-U'));
  await page.getByRole('heading', { level: 1 }).waitFor();
  await reading(page, '0.45');
  const exchanged = page.getByRole('region', { name: 'Leads exchanged' });
  await expect(exchanged).toContainText('U upper, reversed and U upper look exchanged');
  await exchanged.getByRole('button').click();
  await expect(page.getByRole('row').filter({ hasText: /^U upperRed/ })).toContainText(/0\.45.*In/);
  await expect(page.getByRole('row').filter({ hasText: /^U upper, reversed/ })).toContainText(
    /OL.*In/,
  );
});

test('a page closed in the very moment of keeping loses nothing, and keeps nothing twice', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await confirm(page, 'Precautions taken');
  const before = await opened(page);
  // The key and the reload in one task: the store has had no time at all.
  await page.getByRole('textbox', { name: /^Reading/ }).fill('5.02');
  await page.getByRole('textbox', { name: /^Reading/ }).evaluate((field) => {
    field.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }),
    );
    window.location.reload();
  });
  await page.waitForLoadState();
  await expect(page.getByRole('textbox', { name: /now 5\.02/ })).toBeVisible();
  await expect.poll(() => rollCount(page)).toBe(before + 1);
});

test('a minus on DC is judged by its size and flagged; on ohms it is no reading', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await confirm(page, 'Precautions taken');
  await reading(page, '-5.02');
  await expect(verdict(page)).toContainText('In');
  await expect(verdict(page)).toContainText('leads swapped or polarity reversed');
});

test('a copied column fills the rest of the table, and leaving in its middle loses nothing', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await bridgeDead(page, id);
  await reading(page, '.452');
  await page.keyboard.type('.44');
  await page.getByRole('link', { name: /^Read/ }).click();
  await expect(page.getByRole('heading', { name: 'What does the display show?' })).toBeVisible();
  await page.goto(`/jobs/${id}/measure?test=igbt`);
  await expect(page.getByRole('textbox', { name: /^Reading/ })).toHaveValue('.44');
  await page.getByRole('textbox', { name: /^Reading/ }).fill('');
  await page.keyboard.press('g');
  const dialog = page.getByRole('dialog', { name: 'A column of readings' });
  const column = ['V-P\t0,449', 'W-P\t0.455', '.45', 'words', '.453', 'OL'];
  await dialog.getByLabel('One figure a line').fill(column.join('\n'));
  await expect(dialog.getByRole('row', { name: /^V lower/ })).toContainText('is not a figure');
  await expect(dialog.getByRole('button', { name: 'Keep 6 readings' })).toBeDisabled();
  await dialog.getByLabel('One figure a line').fill(column.join('\n').replace('words', '.447'));
  await expect(dialog.getByRole('row', { name: /^V lower/ })).toContainText(/0\.447/);
  await dialog.getByRole('button', { name: 'Keep 6 readings' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('row').filter({ hasText: /In$/ })).toHaveCount(7);
});

test('a column that is refused in its middle keeps its place: the rest goes where it belongs', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  await bridgeDead(page, await newJob('rooftop'));
  await page.keyboard.press('g');
  const dialog = page.getByRole('dialog', { name: 'A column of readings' });
  await dialog.getByLabel('One figure a line').fill('.452\n.449\n-.455\n.45');
  await dialog.getByRole('button', { name: 'Keep 4 readings' }).click();
  await expect(dialog).toContainText('A meter on diode shows nothing below zero.');
  await expect(dialog).toContainText('2 kept already');
  await expect(dialog.getByRole('row', { name: /^W upper/ })).toContainText('0.455');
  await dialog.getByLabel('One figure a line').fill('.452\n.449\n.455\n.45');
  await dialog.getByRole('button', { name: 'Keep 2 readings' }).click();
  await expect(dialog).toBeHidden();
  for (const [point, figure] of [
    [/^U upperRed/, '0.452'],
    [/^V upperRed/, '0.449'],
    [/^W upperRed/, '0.455'],
    [/^U lowerRed/, '0.45'],
  ] as const)
    await expect(page.getByRole('row').filter({ hasText: point })).toContainText(figure);
});

test('a clock set on the device moves no wait', async ({ page, newJob }) => {
  await page.clock.install({ time: new Date() });
  const id = await newJob();
  await page.goto(`/jobs/${id}/safe`);
  await proveDead(page, { mainsOnly: true });
  for (let i = 0; i < 2; i += 1) await press(page, 'a');
  await expect(page.getByRole('timer', { name: 'Time still to wait' })).toContainText(/4:[345]\d/);
  await page.clock.runFor(1500);
  await page.clock.setSystemTime(new Date(Date.now() - 3_600_000));
  await page.clock.runFor(2500);
  await expect(page.getByText('This device’s clock was set by −1 h.')).toBeVisible();
  await expect(page.getByRole('timer', { name: 'Time still to wait' })).toContainText(/4:[2345]\d/);
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByText(/clock was set by −1 h; waits were kept/)).toBeVisible();
});

test('a picture of 40 MB is shrunk and kept by its hash; what is no picture is refused', async ({
  page,
  newJob,
  jeitinho,
}, info) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('p');
  const dialog = page.getByRole('dialog', { name: 'Photograph' });
  await dialog.getByLabel('What it shows').fill('C1 bulged');
  await dialog
    .getByLabel('Picture file')
    .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not one') });
  await expect(dialog.getByRole('status').last()).toContainText('“notes.jpg” is not a picture');
  await expect(dialog.getByLabel('What it shows')).toHaveValue('C1 bulged');
  const before = await opened(page);
  // From the disk: bytes handed over would cross as text.
  const picture = info.outputPath('board.bmp');
  writeFileSync(picture, bitmap(3700, 3600));
  await dialog.getByLabel('Picture file').setInputFiles(picture);
  await expect(dialog).toBeHidden();
  await expect.poll(() => rollCount(page)).toBe(before + 1);
  await expect
    .poll(async () => {
      const list = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`);
      const { entries } = (await list.json()) as { entries: { kind: string; body: Photo }[] };
      const photo = entries.find(({ kind }) => kind === 'photo')?.body;
      if (!photo) return 'no entry yet';
      const file = await fetch(`${jeitinho.url}/api/v1/photos/${photo.hash}`);
      if (!file.ok) return 'no picture yet';
      const bytes = await file.arrayBuffer();
      expect(photo).toMatchObject({ width: 1600, caption: 'C1 bulged', bytes: bytes.byteLength });
      expect(bytes.byteLength).toBeLessThan(2_000_000);
      return photo.place;
    })
    .toBe('main.TP5');
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByRole('img', { name: /C1 bulged/ })).toBeVisible();
  await page.goto(`/jobs/${id}/sign`);
  await expect(
    page.getByRole('article', { name: 'Service report' }).getByRole('img', { name: 'C1 bulged' }),
  ).toBeVisible();
});

test('a logger’s table is laid onto a track: looked at first, its bad lines named', async ({
  page,
  newJob,
}) => {
  const id = await newJob('plasma');
  await page.goto(`/jobs/${id}/measure?test=vs-decay`);
  await confirm(page, 'Precautions taken');
  await page.getByRole('button', { name: 'From a logger’s file' }).click();
  const dialog = page.getByRole('dialog', { name: 'From a logger' });
  const file = (name: string, text: string | Buffer) =>
    dialog
      .getByLabel('Logger file')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file('book.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 0, 0, 0, 0]));
  await expect(dialog.getByRole('status')).toContainText('“book.xlsx” is not a text file');
  await file('one.csv', 'Volts\n200\n110');
  await expect(dialog.getByRole('status')).toContainText('One column only');
  await expect(dialog.getByRole('button', { name: 'Take these figures' })).toBeDisabled();
  await file(
    'vs.csv',
    'Time;Vs\n10:00:00;204,0\n10:00:20;118\n10:00:40;69\n10:00:50;---\n10:01:00;40\n10:01:30;18,5',
  );
  await expect(dialog.getByRole('status')).toContainText(/5 figures in 90 s, 18\.5.V to 204.V/);
  await expect(dialog.getByRole('status')).toContainText('Line 5: “---” is no figure; left out.');
  await dialog.getByRole('button', { name: 'Take these figures' }).click();
  await expect(page.getByRole('img', { name: /^Track of 5 figures over 90 s/ })).toBeVisible();
  await expect(verdict(page)).toContainText('In');
  await page.getByRole('button', { name: 'Keep this series' }).click();
  await expect(verdict(page)).toContainText('5 figures in 90 s');
});

interface Photo {
  readonly hash: string;
  readonly place?: string;
}

/** An uncompressed picture of that many pixels. */
function bitmap(width: number, height: number): Buffer {
  const row = Math.ceil((width * 3) / 4) * 4;
  const bytes = Buffer.alloc(54 + row * height, 0x66);
  bytes.write('BM');
  bytes.writeUInt32LE(bytes.length, 2);
  bytes.writeUInt32LE(0, 6);
  bytes.writeUInt32LE(54, 10);
  bytes.writeUInt32LE(40, 14);
  bytes.writeInt32LE(width, 18);
  bytes.writeInt32LE(height, 22);
  bytes.writeUInt16LE(1, 26);
  bytes.writeUInt16LE(24, 28);
  bytes.fill(0, 30, 54);
  return bytes;
}

test('a dead test is recorded neither LIVE nor NOT PROVEN, not even past the app', async ({
  newJob,
  jeitinho,
}) => {
  const id = await newJob();
  const post = async (kind: string, body: object) => {
    const entry = {
      id: `01950000-0000-7000-8000-${Math.floor(Math.random() * 1e12)
        .toString()
        .padStart(12, '0')}`,
      kind,
      at: new Date().toISOString(),
      author: 'Davi Moura',
      body,
    };
    const response = await fetch(`${jeitinho.url}/api/v1/jobs/${id}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [entry] }),
    });
    return (await response.json()) as { code?: string; detail?: string };
  };
  const dead = {
    test: 'inv-fuse',
    point: 'F1',
    function: 'ohm',
    reading: { kind: 'value', value: 0.4 },
    typed: '0.4',
  };
  const live = await post('reading', dead);
  expect(live.code).toBe('dead-not-proven');
  expect(live.detail).toContain('The unit is LIVE.');
  await post('safed', { step: 'isolated' });
  const unproven = await post('reading', dead);
  expect(unproven.code).toBe('dead-not-proven');
  expect(unproven.detail).toContain('Dead is not proven');
  expect((await post('access', { access: 'comp-off' })).code).toBe('dead-not-proven');
});

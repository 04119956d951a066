/** The end of a visit: a part held against what it must match, the customer's word, the proof watched, papers opened. */
import { readFileSync } from 'node:fs';
import { found } from '../support/axe';
import { downloaded, pdfText, unzipped } from '../support/papers';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, test } from '../support/test';

test('the heat pump’s substitute board: from its match over the wire map to a proven cycle and its papers', async ({
  page,
  newJob,
}) => {
  const id = await newJob('heatPump');
  await provenDead(page, id);
  await kept(page, id, 3, [
    [
      'decided',
      {
        endings: [{ kind: 'replace', part: 'defrost' }],
        leading: null,
        probability: 0.4,
        reason: 'Only a substitute is to be had.',
      },
    ],
  ]);

  await test.step('a board that feeds the valve the other way is held against it, and refused', async () => {
    await page.goto(`/jobs/${id}/mend`);
    await page.getByText('Hold it against the old one').click();
    await page.getByLabel('Number printed on the new part').fill('UD-7');
    await page.getByLabel('Supply, wanted 24 V~').fill('24 V~');
    await page.getByLabel('Sensor, wanted 10 kΩ NTC').fill('10 kΩ NTC');
    await page.getByLabel('Valve energised in, wanted cooling').fill('heating');
    await page.getByRole('button', { name: 'Hold it against', exact: true }).click();
    const before = page.getByRole('region', { name: 'Before it goes on: Defrost board' });
    await expect(before).toContainText('does not match, not to be fitted');
    await expect(before).toContainText('the wrong one turns heat into cold');
    expect(await found(page, 'a part held against')).toEqual([]);
    await page.getByRole('button', { name: /^It is in/ }).click();
    await expect(page.getByText('does not match what this machine asks for')).toBeVisible();
    await page.getByText('Hold another one against it', { exact: true }).click();
    await page.getByLabel('Valve energised in, wanted cooling').fill('cooling');
    await page.getByRole('button', { name: 'Hold it against', exact: true }).click();
    await expect(before).toContainText('a substitute that matches');
    await expect(before).toContainText('all is answered');
  });

  await test.step('the customer agrees to a sum, and it stands on Mend', async () => {
    await page.getByRole('link', { name: 'Note what they say' }).click();
    const agreed = page.getByRole('region', { name: 'For the customer' });
    await expect(agreed).toContainText('Another visit, for what is ordered');
    await agreed.getByLabel('Who says so').fill('Tomás Quintela');
    await agreed.getByLabel('Up to the sum of').fill('5oo');
    await expect(agreed.getByRole('button', { name: 'They agree' })).toBeDisabled();
    await agreed.getByLabel('Up to the sum of').fill('520');
    await agreed.getByLabel('How').selectOption('phone');
    await agreed.getByRole('button', { name: 'They agree' }).click();
    await expect(agreed.getByRole('status')).toContainText('Tomás Quintela agreed to R$');
    await page.goto(`/jobs/${id}/mend`);
    await expect(page.getByText('✓ Tomás Quintela agreed to')).toBeVisible();
  });

  await test.step('a jumper is copied, the wires are moved, the board is in', async () => {
    await page.getByLabel('Name of the setting').fill('Interval');
    await page.getByLabel('As it stands on the old part').fill('60 min');
    await page.getByRole('button', { name: 'Write it down' }).first().click();
    await page.getByRole('checkbox', { name: /^Interval: 60 min/ }).check();
    const wires = page.getByRole('list', { name: 'Wires, old to new' }).getByRole('button');
    for (let i = 0; i < (await wires.count()); i += 1) await wires.nth(i).click();
    await expect(page.getByText('Every wire is moved.')).toBeVisible();
    await page.getByRole('button', { name: /^It is in/ }).click();
    await expect(page.getByRole('heading', { name: 'All of it is done' })).toBeVisible();
  });

  await test.step('its forced cycle is watched: too little at first, then enough', async () => {
    await page.getByRole('button', { name: 'To Prove' }).click();
    await expect(page.getByText('To be proven it must run')).toBeVisible();
    await kept(page, id, 0, [['energised', { precautions: true }]]);
    await page.reload();
    const proving = page.getByRole('region', { name: 'Prove a defrost' });
    await proving.getByRole('checkbox', { name: 'Force a cycle.' }).check();
    await proving.getByRole('button', { name: 'Write its figures' }).click();
    const figure = proving.getByLabel('Figure now');
    for (const degrees of ['-8', '-3', '1']) {
      await figure.fill(degrees);
      await figure.press('Enter');
    }
    await expect(proving).toContainText('so far; watch it for 300 s');
    // An interruption: nothing of it is lost.
    await page.reload();
    for (const degrees of ['5', '9']) {
      await figure.fill(degrees);
      await figure.press('Enter');
    }
    await proving.getByRole('button', { name: 'Keep what was watched' }).click();
    await expect(proving.getByRole('button', { name: 'Watch it again' })).toBeVisible();
    await expect(proving).toContainText('It changed by 17');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not proven yet');
    await proving.getByRole('checkbox', { name: /^Leave it running/ }).check();
    expect(await found(page, 'a proof that was watched')).toEqual([]);
    await page.getByRole('button', { name: 'Not seen' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The repair is proven');
  });

  await test.step('signed by hand, with something to send back; the customer’s version says that it works', async () => {
    await page.getByRole('button', { name: 'To Sign' }).click();
    await page.getByLabel('What comes').selectOption('send-back');
    await page.getByLabel('Note (may stay blank)').fill('old board');
    await page.getByRole('button', { name: 'Put it down' }).click();
    const ahead = page.getByRole('region', { name: 'What is to come' });
    await expect(ahead).toContainText('Send back before: Defrost board, old board');
    const ics = await downloaded(page, () =>
      ahead.getByRole('button', { name: 'To a calendar' }).click(),
    );
    const event = readFileSync(ics, 'utf8');
    expect(event).toContain('BEGIN:VEVENT');
    expect(event).toMatch(/DTSTART;VALUE=DATE:\d{8}/);
    await page.getByRole('button', { name: 'For the customer' }).click();
    await expect(page.getByRole('article', { name: 'Service report' })).toContainText(
      'It was tried out after the work, and works',
    );
    await page.getByRole('checkbox', { name: /^It is left/ }).check();
    for (const back of await page.getByRole('button', { name: /^☐ Put back/ }).all())
      await back.click();
    await page.getByRole('button', { name: /^I am / }).click();
    const pad = page.getByRole('img', { name: /^By hand, who receives it/ });
    await pad.scrollIntoViewIfNeeded();
    const box = (await pad.boundingBox())!;
    await page.mouse.move(box.x + 20, box.y + 40);
    await page.mouse.down();
    for (let i = 1; i < 12; i += 1)
      await page.mouse.move(box.x + 20 + i * 15, box.y + 40 + (i % 2) * 25);
    await page.mouse.up();
    await expect(page.getByRole('img', { name: 'By hand, who receives it: drawn' })).toBeVisible();
    expect(await found(page, 'signing')).toEqual([]);
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await expect(page.getByText(/^Signed /)).toBeVisible();
  });

  await test.step('the PDF and the claim bundle hold what they promise', async () => {
    const customer = await downloaded(page, () =>
      page.getByRole('button', { name: 'PDF for the customer' }).click(),
    );
    const told = await pdfText(customer);
    expect(told).toContain('It was tried out after the work, and works');
    expect(told).toContain('Tomás Quintela agreed to R$ 520.00');
    expect(told).not.toContain('Likelihood');
    await page.getByRole('button', { name: 'For the file' }).click();
    const bundle = unzipped(
      await downloaded(page, () =>
        page.getByRole('button', { name: 'Warranty claim bundle' }).click(),
      ),
    );
    expect([...bundle.keys()].filter((name) => !name.startsWith('photos/')).sort()).toEqual([
      'contents.txt',
      'job.json',
      'readings.csv',
      'report.pdf',
    ]);
    expect([...bundle.keys()].filter((name) => name.endsWith('.png'))).toHaveLength(1);
    expect(bundle.get('contents.txt')!.toString()).toContain('  report.pdf');
    const file = JSON.parse(bundle.get('job.json')!.toString()) as { entries: { kind: string }[] };
    expect(file.entries.map(({ kind }) => kind)).toContain('watched');
    const order = await downloaded(page, () =>
      page.getByRole('button', { name: 'Parts order' }).click(),
    );
    expect(readFileSync(order, 'utf8')).toContain('VU-0821,Defrost board,1,310');
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await sideways(page, 'signed, on a phone')).toEqual([]);
  });

  await test.step('what is to come stands on Today and in the month, until it is done', async () => {
    await page.goto('/month');
    await expect(page.getByRole('link', { name: /Send back before: Defrost board/ })).toBeVisible();
    expect(await found(page, 'the month')).toEqual([]);
    expect(await sideways(page, 'the month on a phone')).toEqual([]);
    await page.goto(`/jobs/${id}/sign`);
    await page.getByRole('button', { name: /^Done ?: Send back/ }).click();
    await expect(page.getByRole('region', { name: 'What is to come' })).toContainText('Nothing.');
  });
});

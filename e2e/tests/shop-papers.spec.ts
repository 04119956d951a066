/** The price list in and out, and a job that goes to another shop as a file. */
import { readFileSync } from 'node:fs';
import { found } from '../support/axe';
import { downloaded } from '../support/papers';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, test } from '../support/test';

test('a price list: what is wrong in it is named, the rest goes in, comes out again and is reckoned with', async ({
  page,
  newJob,
}) => {
  await page.goto('/shop');
  const list = page.getByRole('region', { name: 'Price list' });
  await expect(list).toContainText('NV-3120');
  await page.getByText('Bring in a list').click();
  await page
    .getByLabel('Paste the rows here')
    .fill('number;price;stock;lead days\nLH-8005;450,50;1;\nZZ-1;minus;;\nLH-8005;455;1;\n');
  await expect(page.getByText('Row 3, price: “minus” is no figure of 0 or more.')).toBeVisible();
  await expect(page.getByText('LH-8005 stands more than once: the last holds')).toBeVisible();
  expect(await found(page, 'a price list')).toEqual([]);
  // Nothing typed is lost on a reload.
  await page.reload();
  await page.getByRole('button', { name: 'Bring in the others' }).click();
  await expect(page.getByText('Brought in: 1 new, 0 changed.')).toBeVisible();
  await page.getByLabel('Find a part').fill('lh-80');
  await expect(list.getByText('2 parts.')).toBeVisible();
  await expect(page.getByRole('row', { name: /LH-8005.*455/ })).toBeVisible();
  const csv = await downloaded(page, () =>
    page.getByRole('button', { name: 'Take it out as CSV' }).click(),
  );
  expect(readFileSync(csv, 'utf8')).toContain('LH-8005,,455,1');
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await sideways(page, 'the shop on a phone')).toEqual([]);

  await test.step('what lies here needs no other visit', async () => {
    const id = await newJob('furnace');
    await provenDead(page, id);
    await kept(page, id, 1, [
      [
        'decided',
        {
          endings: [{ kind: 'replace', part: 'control' }],
          leading: null,
          probability: 0.3,
          reason: 'x',
        },
      ],
    ]);
    await page.goto(`/jobs/${id}/decide`);
    const agreed = page.getByRole('region', { name: 'For the customer' });
    await expect(agreed).toContainText('part R$');
    await expect(agreed).toContainText('455');
    await expect(agreed).not.toContainText('Another visit');
  });
});

test('a job as a file: changed by hand it is refused with the entry, whole it is known here', async ({
  page,
  newJob,
}) => {
  const id = await newJob('oven');
  await provenDead(page, id);
  await kept(page, id, 1, [
    [
      'decided',
      {
        endings: [{ kind: 'hand-over', to: 'Otávio Lins', note: 'Needs another meter.' }],
        leading: null,
        probability: 0,
        reason: 'x',
      },
    ],
  ]);
  await page.goto(`/jobs/${id}/sign`);
  const path = await downloaded(page, () =>
    page.getByRole('button', { name: 'The job as a file' }).click(),
  );
  const text = readFileSync(path, 'utf8');
  const bring = (name: string, of: string) =>
    page.getByLabel('Job file').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(of),
    });
  await page.goto('/shop');
  await bring('changed.json', text.replace('Needs another meter.', 'Needs no meter at all.'));
  await expect(page.getByRole('region', { name: 'Files' }).getByRole('alert')).toContainText(
    'is not what was written',
  );
  await bring('torn.json', text.slice(0, 900));
  await expect(page.getByRole('region', { name: 'Files' }).getByRole('alert')).toContainText(
    'breaks off',
  );
  await bring('whole.json', text);
  await expect(page.getByText('This job was here already')).toBeVisible();
  expect(await found(page, 'files of the shop')).toEqual([]);
  await page.getByRole('link', { name: 'Open it' }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}`));
});

/** Customers, their units and the week: added, merged, brought in, moved, handed on; a visit without the server. */
import type { APIRequestContext } from '@playwright/test';
import { expect, test } from '../support/test';

test('★ a new customer’s unit is added, visited at an hour, moved by keys, and handed on', async ({
  page,
}) => {
  await page.goto('/customers');
  await page.getByRole('button', { name: 'New customer' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Beatriz Lacerda');
  await dialog.getByLabel(/^Street/).fill('Rua das Amoras 9');
  // What is typed survives a closed dialog.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New customer' }).click();
  await expect(dialog.getByLabel('Name', { exact: true })).toHaveValue('Beatriz Lacerda');
  await dialog.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('heading', { name: 'Beatriz Lacerda', level: 1 })).toBeVisible();

  await page.getByRole('button', { name: 'New unit' }).click();
  await expect(dialog.getByRole('button', { name: 'Add' })).toBeDisabled();
  await dialog.getByLabel(/^What it is called here/).fill('Kitchen fridge');
  await dialog.getByLabel('Maker').fill('Tarumbê');
  await dialog.getByLabel('Model').fill('UF-380i');
  await dialog.getByLabel(/^Serial/).fill('UF3-7001');
  await dialog.getByLabel(/^Kind/).fill('upright fridge');
  await dialog.getByLabel(/^Warranty/).fill('2099-01-31');
  await dialog.getByRole('button', { name: 'Add' }).click();
  // The sheet that covers it comes with it.
  await expect(page.getByRole('link', { name: /^Service sheet: Tarumbê UF-440i/ })).toBeVisible();
  await expect(page.getByText('until 31 January 2099')).toBeVisible();
  const unit = page.url();

  await page.getByRole('button', { name: 'New visit' }).click();
  await dialog.getByLabel('What the customer says').fill('Freezes the milk.');
  const day = new Date();
  day.setDate(day.getDate() + 1);
  await dialog.getByLabel(/^Day and hour/).fill(`${day.toLocaleDateString('sv-SE')}T12:00`);
  await dialog.getByRole('button', { name: 'Put it in the week' }).click();
  await expect(page.getByRole('link', { name: /“Freezes the milk.”/ })).toBeVisible();

  await page.goto('/week');
  const card = page.getByRole('button', { name: /Kitchen fridge/ });
  await expect(card).toContainText('12:00');
  await card.focus();
  await page.keyboard.press('Space');
  for (const key of ['ArrowRight', 'ArrowDown', 'ArrowDown', 'ArrowDown'])
    await page.keyboard.press(key);
  await expect(card).toContainText('12:45');
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Moved · Kitchen fridge: .*, 12:45$/)).toBeVisible();
  await page.reload();
  await expect(card).toContainText('12:45');

  await card.click();
  await dialog.getByLabel('To whom').fill('Rute Sabiá');
  await dialog.getByLabel(/^What they should know/).fill('Key is with the neighbour');
  await dialog.getByRole('button', { name: 'Hand it over' }).click();
  await expect(card).toContainText('Rute Sabiá');
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'What is owed' })).toContainText(
    'Rute Sabiá has it',
  );
  await page.goto(unit);
  await page.getByRole('link', { name: /“Freezes the milk.”/ }).click();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(
    page.getByText(/Handed to Rute Sabiá · with .*Measure: \d+ readings.*neighbour/),
  ).toBeVisible();
});

test('★ a visit is dragged to another hour, and moved back by a press', async ({
  page,
  newJob,
}) => {
  await newJob();
  await page.goto('/week');
  const card = page.getByRole('button', { name: /Cold room 1/ });
  const box = (await card.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 24, box.y + 40, { steps: 3 });
  // Two hours, 46 pixels each.
  await page.mouse.move(box.x + 20, box.y + 20 + 92, { steps: 4 });
  await expect(card).toContainText('10:30');
  await page.mouse.up();
  await expect(page.getByText(/^Moved · Cold room 1: .*, 10:30$/)).toBeVisible();
  // It stands there before it has come to the server.
  const came = page.waitForResponse((response) => response.request().method() !== 'GET');
  await page.getByRole('button', { name: 'Move it back' }).click();
  await expect(card).toContainText('08:30');
  expect((await came).ok()).toBe(true);
  await page.reload();
  await expect(card).toContainText('08:30');
});

/** A unit of its own, for what other stories must not meet. */
async function ownUnit(request: APIRequestContext, model: string, label: string) {
  const unit = {
    siteId: '01930000-0000-7000-8000-000000000105',
    label,
    maker: 'Fontelar',
    model,
    kind: 'water cooler',
  };
  const added = (await (await request.post('/api/v1/units', { data: unit })).json()) as {
    id: string;
  };
  const job = { unitId: added.id, complaint: `${label} does not cool.` };
  expect((await request.post('/api/v1/jobs', { data: job })).ok()).toBe(true);
  return added.id;
}

test('★ a list is looked through and brought in; the double in it is merged; its label opens the unit', async ({
  page,
  request,
}) => {
  const double = await ownUnit(request, 'FB-7', 'Double cooler');
  await page.goto('/customers/import');
  const rows = [
    'Cliente;Rua;Cidade;Equipamento;Fabricante;Modelo;Série;Tipo;Instalado',
    'Escola do Vale Alto;Praça do Cedro 1;Serra do Cipreste;Furnace in the gym;Lenharte;WF-80;WF-2219;warm-air furnace;20/08/2019',
    'Oficina do Rio;Rua do Rio 3;Serra do Cipreste;Dryer;Secavento;GD-7;GD-1;gas dryer;31/02/2020',
    'Oficina do Rio;Rua do Rio 3;Serra do Cipreste;Dryer;Secavento;GD-7;GD-2;gas dryer;05/03/2020',
  ].join('\n');
  await page.getByLabel('Paste the rows here, as copied from a spreadsheet').fill(rows);
  await expect(page.getByText('Row 3, installed: “31/02/2020” is no day')).toBeVisible();
  await page.getByRole('button', { name: 'Bring in the others' }).click();
  // The school’s furnace is known by its serial number.
  await expect(
    page.getByText(
      /Brought in: one customer, one place, one unit\. Known, and left as they are: one unit/,
    ),
  ).toBeVisible();

  await page.goto('/customers');
  await page.getByRole('searchbox').fill('rio GD-2');
  await page.getByRole('link', { name: /^Dryer GD-/ }).click();
  await page.getByRole('button', { name: 'Merge a double' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('searchbox').fill('double cooler');
  await dialog.getByRole('radio', { name: /^Double cooler/ }).click();
  await expect(dialog.getByText(/its visits belong to Dryer from then on/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Merge' }).click();
  // Its open visit came over.
  await expect(page.getByRole('link', { name: /“Double cooler does not cool/ })).toBeVisible();
  await page.getByRole('link', { name: 'Label' }).click();
  await expect(page.getByRole('img', { name: /^QR code of .*\/units\// })).toBeVisible();
  // A label printed for the double leads on.
  await page.goto(`/units/${double}`);
  await expect(page.getByRole('heading', { name: 'Dryer', exact: true })).toBeVisible();
});

test('a sheet that fits units without one is offered to them, and their visits get it', async ({
  page,
  request,
}) => {
  await ownUnit(request, 'FB-9', 'Hall cooler');
  const sheet = (await (await request.get('/api/v1/sheets/geadal-cr3')).json()) as {
    equipment: object;
  };
  const made = {
    ...sheet,
    id: 'fontelar-fb9',
    revision: 1,
    title: 'Fontelar FB-9',
    equipment: { ...sheet.equipment, maker: 'Fontelar', models: ['FB-9*'] },
  };
  expect((await request.post('/api/v1/sheets', { data: made })).ok()).toBe(true);
  await page.goto('/sheets/fontelar-fb9');
  const offer = page.getByRole('region', { name: 'Units that it fits' });
  await expect(offer).toContainText('Hall cooler');
  await offer.getByRole('button', { name: 'Give it to this unit' }).click();
  await expect(page.getByText('Given to one unit, and to one open visit')).toBeVisible();
  await expect(offer).toHaveCount(0);
});

test('★ without the server a visit is opened all the same, worked on, and goes out by itself', async ({
  page,
  context,
}) => {
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Next visit' })).toBeVisible();
  // The week and the shop’s units come onto the device by themselves.
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<boolean>((done) => {
            const opening = indexedDB.open('jeitinho');
            opening.onsuccess = () => {
              const asked = opening.result
                .transaction('documents')
                .objectStore('documents')
                .count('places-kept');
              asked.onsuccess = () => done(asked.result > 0);
            };
          }),
      ),
    )
    .toBe(true);
  await context.route('**/api/**', (route) => route.abort());
  await page.getByRole('button', { name: 'New visit' }).click();
  const dialog = page.getByRole('dialog', { name: 'New visit' });
  await dialog.getByLabel(/^Find the unit/).fill('lanterna foyer');
  await expect(dialog.getByLabel('Unit', { exact: true })).toContainText('Foyer television');
  await dialog.getByLabel('What the customer says').fill('Dark picture, sound is there.');
  await dialog.getByRole('button', { name: 'Open and go there' }).click();
  await expect(page.getByRole('heading', { name: /Dark picture/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/read$/);
  const id = /jobs\/([^/]+)/.exec(page.url())![1]!;
  await context.unroute('**/api/**');
  await expect
    .poll(async () => {
      const response = await page.request.get(`/api/v1/jobs/${id}/entries`);
      const { entries } = (await response.json()) as { entries?: { kind: string }[] };
      return entries?.map(({ kind }) => kind);
    })
    .toEqual(['opened', 'arrived']);
});

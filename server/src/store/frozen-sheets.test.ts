/** A database from before edition 2: its sheets are lifted as they are read, and nothing in it is rewritten. */
import type { JobResource, Report } from '@jeitinho/core';
import type { Sheet, WrittenSheet } from '@jeitinho/core/sheet';
import { demoWorld } from '@jeitinho/demo';
import { harness, type Harness } from '../../testing/harness';
import { raw } from './raw';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

type Loose = Record<string, unknown>;

/** A sheet as edition 1 wrote it: what is out is listed, and isolated is said of the whole test. */
function firstEdition({ tests, ...sheet }: WrittenSheet): Loose {
  return {
    ...sheet,
    format: 'jeitinho.sheet/1',
    tests: tests.map(({ access, isolates, ...test }) => ({
      ...test,
      ...(access && { access: Object.keys(access).filter((id) => access[id] === 'out') }),
      ...(isolates && { isolated: true }),
    })),
  };
}

test('a sheet of edition 1 in the database opens jobs, answers as edition 2, and stays as it is', async () => {
  const sheet = demoWorld.sheets.find(({ id }) => id === 'ondar-pb14')!;
  const old = JSON.stringify(firstEdition(sheet));
  await raw(h.store.sequelize, 'UPDATE sheets SET document = ? WHERE id = ?', [old, sheet.id]);
  const got = await h.get<Sheet>(`/api/v1/sheets/${sheet.id}`);
  expect(got.body.format).toBe('jeitinho.sheet/2');
  expect(got.body.tests.find(({ id }) => id === 'windings')).toMatchObject({
    access: { 'comp-off': 'out' },
    isolates: ['comp-off'],
  });
  const unit = demoWorld.units.find(({ sheetId }) => sheetId === sheet.id)!;
  const { body: job } = await h.post<JobResource>('/api/v1/jobs', {
    unitId: unit.id,
    complaint: 'hums',
  });
  expect(job.sheet?.format).toBe('jeitinho.sheet/2');
  const report = await h.get<Report>(`/api/v1/jobs/${job.id}/report`);
  expect(report.status).toBe(200);
  const [row] = await raw<{ text: string }[]>(
    h.store.sequelize,
    "SELECT CONCAT(document, '') AS text FROM sheets WHERE id = ?",
    [sheet.id],
  );
  expect(JSON.parse(row!.text)).toMatchObject({ format: 'jeitinho.sheet/1' });
});

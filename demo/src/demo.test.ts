import { assess, foldJob, refusalOf, type StoredEntry } from '@jeitinho/core';
import { readEntry, readSheet } from '@jeitinho/core/validate';
import { demoWorld } from './index';

describe('the demo world', () => {
  test.each(demoWorld.sheets.map((sheet) => [sheet.id, sheet]))(
    '%s passes every check',
    (_, sheet) => {
      const read = readSheet(sheet);
      expect(read.ok ? [] : read.problems).toEqual([]);
    },
  );

  test('the fridge sheet is rich enough to carry a job', () => {
    const sheet = demoWorld.sheets.find((each) => each.id === 'tarumbe-uf440i')!;
    expect(sheet.tests.length).toBeGreaterThanOrEqual(12);
    expect(sheet.faults.length).toBeGreaterThanOrEqual(8);
    expect(sheet.parts.length).toBeGreaterThanOrEqual(5);
    expect(sheet.codes.list).toHaveLength(3);
  });

  test('every entry of every job is well formed and could have been recorded', () => {
    for (const job of demoWorld.jobs) {
      const unit = demoWorld.units.find((each) => each.id === job.unitId)!;
      const sheet = demoWorld.sheets.find((each) => each.id === unit.sheetId);
      if (!sheet) {
        expect(job.entries).toEqual([]);
        continue;
      }
      const log: StoredEntry[] = [];
      for (const entry of job.entries) {
        expect(readEntry(entry)).toMatchObject({ ok: true });
        expect(refusalOf(sheet, foldJob(sheet, log), entry)).toBeUndefined();
        log.push({ ...entry, seq: log.length + 1 });
      }
    }
  });

  test('the closed visit decided on the part its own readings accuse, as likely as it then was', () => {
    const job = demoWorld.jobs.find((each) => each.openedAt !== undefined)!;
    const sheet = demoWorld.sheets[0]!;
    const decided = job.entries.findIndex((entry) => entry.kind === 'decision');
    const before = job.entries.slice(0, decided).map((entry, i) => ({ ...entry, seq: i + 1 }));
    const [first] = assess(sheet, foldJob(sheet, before)).parts;
    const decision = job.entries[decided]!.body as { part: string; probability: number };
    expect(first!.part.id).toBe(decision.part);
    expect(first!.p).toBeCloseTo(decision.probability, 3);
  });

  test('links resolve: every unit has its site, every site its customer', () => {
    const customers = new Set(demoWorld.customers.map((each) => each.id));
    const sites = new Set(demoWorld.sites.map((each) => each.id));
    for (const site of demoWorld.sites) expect(customers).toContain(site.customerId);
    for (const unit of demoWorld.units) expect(sites).toContain(unit.siteId);
  });
});

import { METER_FUNCTIONS, pairsOf, unfitFor } from '@jeitinho/core';
import {
  benchDisagreements,
  hasBench,
  HEALTHY,
  linksLeftOf,
  pathBreaks,
  sweep,
  type BenchedSheet,
} from '@jeitinho/core/bench';
import { assess, infer, modelOf, sharesOf } from '@jeitinho/core/diagnose';
import { foldJob, jobSheet, refusalOf, type StoredEntry } from '@jeitinho/core/job';
import {
  isMeasured,
  machinesOf,
  plainSheet,
  sheetSchema,
  testsOf,
  writeSheet,
  type Sheet,
  type WrittenSheet,
} from '@jeitinho/core/sheet';
import { check, readEntry, readSheet } from '@jeitinho/core/validate';
import { meterProfileSchema } from '@jeitinho/core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoWorld } from './index';
import { newestSheet, newestWritten } from './sheets';

const FOLDER = join(__dirname, '../sheets');
const newest = [...new Map(demoWorld.sheets.map((sheet) => [sheet.id, sheet])).values()];
/** Every machine that a sheet describes, with what tells it from the others of its sheet. */
const machinesIn = (written: WrittenSheet): [string, Sheet][] =>
  machinesOf(written.variants ?? []).map((chosen) => [
    [written.id, ...Object.values(chosen)].join(' '),
    plainSheet(written, chosen),
  ]);
const each = newest.flatMap(machinesIn);

describe('benches', () => {
  test.each(
    demoWorld.sheets
      .flatMap(machinesIn)
      .map(([name, sheet]): [string, number, Sheet] => [name, sheet.revision, sheet]),
  )(
    'the bench of %s, revision %i, reads what its sheet says, healthy and with every fault',
    (_, __, sheet) => {
      expect(hasBench(sheet)).toBe(true);
      expect(benchDisagreements(sheet)).toEqual([]);
    },
  );

  test.each(each)(
    'every placement of every test of %s is solved on the dead machine, at once and after eight minutes',
    (_, sheet) => {
      const { count, unsolved } = sweep(sheet as BenchedSheet, [HEALTHY], {
        waits: [0, 480],
        live: false,
        seconds: 0.5,
      });
      expect(count).toBeGreaterThan(20);
      expect(unsolved).toEqual([]);
    },
  );

  test.each(each.filter(([, sheet]) => sheet.paths))(
    'on every path of %s the readings find a break at whichever link, and none where there is none',
    (_, sheet) => {
      const benched = sheet as BenchedSheet;
      for (const path of sheet.paths!) {
        expect(linksLeftOf(benched, path, HEALTHY).broken).toBe(false);
        const breaks = pathBreaks(benched, path);
        expect(breaks.length).toBeGreaterThan(2);
        for (const { link, changes } of breaks) {
          const { left, broken } = linksLeftOf(benched, path, { changes, seed: 0 });
          expect({ link, found: broken && left.has(link) }).toEqual({ link, found: true });
          expect(left.size).toBeLessThan(path.through.length - 1);
        }
      }
    },
  );

  test.each(demoWorld.jobs.filter(({ hidden }) => hidden !== undefined))(
    'job $id may hide only what its sheet’s bench has, and every pair can be probed',
    ({ unitId, hidden }) => {
      const { sheetId } = demoWorld.units.find(({ id }) => id === unitId)!;
      if (sheetId === null) return expect(hidden).toEqual([]);
      const sheet = newestSheet(sheetId);
      expect(hidden!.length).toBeGreaterThan(0);
      for (const fault of hidden!) expect(Object.keys(sheet.bench!.faults!)).toContain(fault);
      for (const { from, to } of pairsOf(sheet))
        expect(sheet.bench!.nodes).toMatchObject({
          [from]: expect.any(String),
          [to]: expect.any(String),
        });
    },
  );
});

/** Made by the reading of a sheet or a job, never by an author; or one of several that differ by a figure only. */
const NOBODY_WRITES = new Set(['unitName', 'floor', 'limitHalf', 'rtd-pt100']);

/** Names of properties, and the fixed words among values, that a schema knows. */
function wordsOf(schema: unknown, words = new Set<string>(), named = false): Set<string> {
  if (typeof schema !== 'object' || schema === null) return words;
  for (const [key, value] of Object.entries(schema)) {
    if (named && !Array.isArray(schema)) words.add(key);
    if (!named && key === 'const') words.add(String(value));
    else wordsOf(value, words, !named && key === 'properties');
  }
  return words;
}

/** Keys and values of a document, at any depth. */
function collect(value: unknown, words: Set<string>): void {
  if (typeof value !== 'object' || value === null) return void words.add(String(value));
  for (const [key, each] of Object.entries(value)) {
    words.add(key);
    collect(each, words);
  }
}

describe('sheets', () => {
  test.each(readdirSync(FOLDER))(
    '%s passes every check without a warning, and is written as the writer writes',
    (file) => {
      const text = readFileSync(join(FOLDER, file), 'utf8');
      const read = readSheet(JSON.parse(text));
      expect(read.ok ? [] : read.problems).toEqual([]);
      expect(read.warnings).toEqual([]);
      expect(read.ok && writeSheet(read.value)).toBe(text);
    },
  );

  test('all files are part of the world, fourteen models at least', () => {
    expect(demoWorld.sheets).toHaveLength(readdirSync(FOLDER).length);
    expect(newest.length).toBeGreaterThanOrEqual(14);
  });

  test.each(each)('%s is rich enough to carry a job', (_, sheet) => {
    expect(sheet.faults.length).toBeGreaterThanOrEqual(8);
    expect(testsOf(sheet).length).toBeGreaterThanOrEqual(10);
    expect(sheet.parts.length).toBeGreaterThanOrEqual(5);
    expect(sheet.procedures?.length ?? 0).toBeGreaterThanOrEqual(1);
    expect(sheet.safety.cautions?.length ?? 0).toBeGreaterThanOrEqual(2);
    // Something to do without a meter, dead work, and live work.
    expect(testsOf(sheet).some((test) => !isMeasured(test))).toBe(true);
    const energies = new Set(sheet.states.map(({ energy }) => energy));
    expect(energies).toEqual(new Set(['dead', 'live']));
    const shown =
      sheet.codes.list.length > 0 ||
      sheet.tests.some(({ how }) => how === 'look' || how === 'listen');
    expect(shown).toBe(true);
  });

  test.each(each)('on %s the signs of each fault accuse its part before any other', (_, sheet) => {
    const model = modelOf(sheet);
    const wrong = sheet.faults.flatMap((fault) => {
      // What it most probably shows everywhere, as if all had been measured.
      const evidence = model.tests.map(({ id }) => {
        const shown = model.faults.find((each) => each.id === fault.id)!.shows[id] ?? 'ok';
        const outcome = Object.entries(sharesOf(shown)).sort((a, b) => b[1] - a[1])[0]![0];
        return { test: id, outcome };
      });
      const { parts } = infer(model, evidence).belief;
      const [leader] = Object.entries(parts).sort((a, b) => b[1] - a[1])[0]!;
      return leader === fault.part ? [] : [`${fault.id}: ${leader}`];
    });
    expect(wrong).toEqual([]);
  });

  test('every word that an author can write is in a sheet of the world', () => {
    const written = new Set<string>();
    for (const file of readdirSync(FOLDER))
      collect(JSON.parse(readFileSync(join(FOLDER, file), 'utf8')), written);
    const missing = [...wordsOf(sheetSchema)].filter((word) => !written.has(word));
    expect(missing.filter((word) => !NOBODY_WRITES.has(word))).toEqual([]);
  });

  test('the world has sequences and a wire map', () => {
    expect(newest.some((sheet) => (sheet.sequences?.length ?? 0) > 0)).toBe(true);
    expect(newest.some((sheet) => sheet.procedures?.some(({ wireMap }) => wireMap))).toBe(true);
  });
});

test('the shop’s meters are sound, and between them can do all that the sheets ask', () => {
  for (const meter of demoWorld.meters)
    expect(check(meterProfileSchema, meter)).toMatchObject({ ok: true });
  for (const sheet of newest)
    for (const test of testsOf(sheet)) {
      if (!isMeasured(test)) continue;
      const live = sheet.states.find(({ id }) => id === test.state)!.energy === 'live';
      for (const point of test.points) {
        const fn = point.function ?? test.function;
        const duty = {
          function: fn,
          live,
          volts: sheet.safety.volts,
          category: sheet.safety.category ?? 3,
        };
        expect([
          sheet.id,
          METER_FUNCTIONS[fn].words,
          demoWorld.meters.some((meter) => !unfitFor(meter, duty)),
        ]).toEqual([sheet.id, METER_FUNCTIONS[fn].words, true]);
      }
    }
});

describe('visits', () => {
  const closed = demoWorld.jobs.filter(({ openedAt }) => openedAt !== undefined);
  const sheetOf = (unitId: string) => demoWorld.units.find(({ id }) => id === unitId)!.sheetId;

  test('five today, one of them urgent; later ones; some closed', () => {
    const open = demoWorld.jobs.filter(({ openedAt }) => openedAt === undefined);
    const today = open.filter(({ visitInDays }) => !visitInDays);
    expect(today).toHaveLength(5);
    expect(today.filter(({ urgent }) => urgent)).toHaveLength(1);
    expect(open.length).toBeGreaterThanOrEqual(14);
    expect(closed.length).toBeGreaterThanOrEqual(8);
  });

  test('the same part failed twice on one site; a callback followed a substitute; a warranty case', () => {
    const decided = closed.map(({ unitId, entries }) => {
      const decision = entries.find(({ kind }) => kind === 'decision')!.body as { part: string };
      return {
        site: demoWorld.units.find(({ id }) => id === unitId)!.siteId,
        unitId,
        part: decision.part,
      };
    });
    const boards = decided.filter(({ part }) => part === 'inv-board');
    expect(new Set(boards.map(({ site }) => site)).size).toBe(1);
    expect(new Set(boards.map(({ unitId }) => unitId)).size).toBe(2);
    expect(decided.map(({ part }) => part)).toEqual(expect.arrayContaining(['defrost', 'wiring']));
    expect(JSON.stringify(closed)).toMatch('Under warranty');
  });

  test('every entry of every job is well formed and could have been recorded', () => {
    for (const job of [...demoWorld.jobs, ...demoWorld.past()]) {
      const sheetId = sheetOf(job.unitId);
      if (sheetId === null) {
        expect(job.entries).toEqual([]);
        continue;
      }
      const written = newestWritten(sheetId);
      const log: StoredEntry[] = [];
      for (const entry of job.entries) {
        expect(readEntry(entry)).toMatchObject({ ok: true });
        const sheet = jobSheet(written, log);
        expect([
          job.complaint,
          log.length,
          entry.kind,
          refusalOf(sheet, foldJob(sheet, log), entry)?.message,
        ]).toEqual([job.complaint, log.length, entry.kind, undefined]);
        log.push({ ...entry, seq: log.length + 1 });
      }
    }
  });

  test('each closed visit decided on the part that its own readings accuse, strongly', () => {
    for (const job of closed) {
      const until = job.entries.findIndex(({ kind }) => kind === 'decision');
      const before = job.entries.slice(0, until).map((entry, i) => ({ ...entry, seq: i + 1 }));
      const sheet = jobSheet(newestWritten(sheetOf(job.unitId)!), before);
      const [first] = assess(sheet, foldJob(sheet, before)).parts;
      const decision = job.entries[until]!.body as { part: string; probability: number };
      expect([job.complaint, first!.part.id]).toEqual([job.complaint, decision.part]);
      expect(first!.p).toBeGreaterThan(0.6);
      expect(decision.probability).toBeGreaterThan(0.6);
    }
  });

  test('ids are unique', () => {
    const ids = demoWorld.jobs.flatMap(({ id, entries }) => [
      id,
      ...entries.map((entry) => entry.id),
    ]);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

test('links resolve: every unit has its site, every site its customer', () => {
  const customers = new Set(demoWorld.customers.map(({ id }) => id));
  const sites = new Set(demoWorld.sites.map(({ id }) => id));
  for (const site of demoWorld.sites) expect(customers).toContain(site.customerId);
  for (const unit of demoWorld.units) expect(sites).toContain(unit.siteId);
  for (const unit of demoWorld.units)
    if (unit.sheetId) expect(newestSheet(unit.sheetId).equipment.maker).toBe(unit.maker);
});

/** Logs of every sort, the same ones each time: the demo’s own, and a thousand drawn from fixed seeds. */
import { dice, pairsOf, type MeterProfile } from '@jeitinho/core';
import {
  foldJob,
  jobSheet,
  inOneGo,
  JobFold,
  refusalOf,
  type EntryKind,
  type StoredEntry,
} from '@jeitinho/core/job';
import type { Reading } from '@jeitinho/core/judge';
import {
  functionOf,
  isMeasured,
  testsOf,
  type MeasureTest,
  type Sheet,
} from '@jeitinho/core/sheet';
import fc from 'fast-check';
import { attemptSheet, bodyOfStep, randomStep } from '../../core/test/random-steps';
import { smallMeter } from '../../core/test/small-sheet';
import { demoWorld, newestSheet, newestWritten, nextProvingStep } from '../src/index';

export interface AnyLog {
  readonly name: string;
  readonly sheet: Sheet;
  readonly entries: readonly StoredEntry[];
}

const START = Date.parse('2026-03-02T08:00:00.000Z');
const idOf = (n: number) => `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;

/** What is written down of a log: numbered, timed, by one device or by two that cross. */
class Writer {
  readonly entries: StoredEntry[] = [];
  minute = 0;

  add(kind: string, body: object, more: Partial<StoredEntry> = {}): StoredEntry {
    const seq = this.entries.length + 1;
    const entry = {
      id: idOf(seq),
      seq,
      kind: kind as EntryKind,
      at: new Date(START + this.minute * 60_000).toISOString(),
      author: 'Ana',
      body,
      ...more,
    } as unknown as StoredEntry;
    this.entries.push(entry);
    return entry;
  }
}

export function demoLogs(): AnyLog[] {
  return demoWorld.jobs.flatMap((job) => {
    const unit = demoWorld.units.find(({ id }) => id === job.unitId)!;
    if (unit.sheetId === null) return [];
    const opened = {
      id: idOf(0),
      seq: 1,
      kind: 'opened',
      at: job.openedAt ?? new Date(START).toISOString(),
      author: 'Ana',
      body: { complaint: job.complaint, meter: demoWorld.shop.meter },
    } as StoredEntry;
    const rest = job.entries.map((entry, i) => ({ ...entry, seq: i + 2 }) as StoredEntry);
    return [
      {
        name: `demo ${job.id}`,
        sheet: jobSheet(newestWritten(unit.sheetId), rest),
        entries: [opened, ...rest],
      },
    ];
  });
}

/** Steps without sense on the small machine; every other log is written by two devices. */
export function senselessLogs(count: number): AnyLog[] {
  const steps = fc.array(
    fc.record({ step: randomStep, minutes: fc.nat(4), device: fc.nat(1), blind: fc.nat(3) }),
    { maxLength: 40 },
  );
  return fc.sample(steps, { numRuns: count, seed: 20_261_126 }).map((drawn, n) => {
    const log = new Writer();
    log.add('opened', { complaint: 'x', meter: smallMeter });
    for (const { step, minutes, device, blind } of drawn) {
      log.minute += minutes;
      const more =
        n % 2 === 0
          ? {}
          : { device: `d${device}`, seen: Math.max(0, log.entries.length - blind * 2) };
      log.add(step.kind, bodyOfStep(step, log.entries), more);
    }
    return { name: `senseless ${n}`, sheet: attemptSheet, entries: log.entries };
  });
}

/** Visits on the demo’s sheets: proven dead, measured, live, measured, remarks, with figures near the limits. */
export function likelyLogs(count: number): AnyLog[] {
  const sheets = [...new Set(demoWorld.sheets.map(({ id }) => id))].map(newestSheet);
  return Array.from({ length: count }, (_, n) => {
    const sheet = sheets[n % sheets.length]!;
    return { name: `likely ${n}`, sheet, entries: likelyVisit(sheet, dice(n + 1)) };
  });
}

function likelyVisit(sheet: Sheet, random: () => number): StoredEntry[] {
  const log = new Writer();
  const meter = demoWorld.meters[Math.floor(random() * demoWorld.meters.length)]!;
  log.add('opened', { complaint: 'x', meter });
  if (random() < 0.5) log.add('meter', { meter: demoWorld.shop.meter satisfies MeterProfile });
  log.add('licence', { held: true, who: 'Ana' });
  if (random() < 0.5) log.add('lead', { value: 0.2, half: 0.05 });
  for (const kind of ['dead', 'live'] as const) {
    if (kind === 'dead') proveDead(sheet, log);
    else log.add('energised', { precautions: true, second: 'Rui' });
    for (const test of testsOf(sheet)) {
      if (sheet.states.find(({ id }) => id === test.state)?.energy !== kind) continue;
      if (random() < 0.3) continue;
      log.minute += 1;
      for (const access of Object.keys(test.access ?? {}))
        if (random() < 0.8) log.add('access', { access });
      if (!isMeasured(test)) {
        const answers = Object.keys(test.answers);
        log.add('answer', {
          test: test.id,
          answer: answers[Math.floor(random() * answers.length)]!,
        });
      } else measureAll(test, log, random);
      remarkOn(log, random);
    }
  }
  return log.entries;
}

function proveDead(sheet: Sheet, log: Writer): void {
  if (pairsOf(sheet).length === 0) return;
  for (let i = 0; i < 60; i += 1) {
    const state = foldJob(sheet, log.entries);
    const step = nextProvingStep(sheet, state, { store: 3 }, START + log.minute * 60_000);
    if (!step) return;
    log.minute += step.wait;
    log.add(step.kind, step.body);
  }
}

function measureAll(test: MeasureTest, log: Writer, random: () => number): void {
  if (random() < 0.5) log.add('given', { test: test.id, value: 5 + random() * 40, typed: '' });
  // One machine’s figures lie together, now and then one apart.
  const common = random();
  for (const point of test.points) {
    if (random() < 0.05) {
      log.add('skipped', { test: test.id, point: point.id, reason: 'dark' });
      continue;
    }
    const expect = point.expect ?? test.expect;
    const at = random() < 0.85 ? common : random();
    const fn = functionOf(test, point);
    const base = { test: test.id, point: point.id, function: fn };
    const centre = centreOf(expect as Record<string, unknown>);
    if (
      'seconds' in expect ||
      'event' in expect ||
      expect.kind === 'follows' ||
      expect.kind === 'flexed'
    ) {
      const slope = (random() - 0.6) * 0.1 * centre;
      const samples = Array.from({ length: 12 }, (_, i) => ({
        t: i * (1 + at * 10),
        value: Math.max(0, centre * (0.8 + at * 0.4) + slope * i),
        driver: i,
      }));
      log.add('series', { ...base, samples, ...('event' in expect && { event: 3 }) });
      continue;
    }
    const reading: Reading =
      random() < 0.05
        ? { kind: 'overload' }
        : { kind: 'value', value: centre * (0.85 + at * 0.3) * (1 + (random() - 0.5) * 0.02) };
    log.add('reading', {
      ...base,
      reading,
      typed: '',
      ...(random() < 0.5 && { contact: true }),
    });
  }
}

/** A figure in the middle of what is expected, or thereabouts. */
function centreOf(expect: Record<string, unknown>): number {
  const figure = (key: string) => (typeof expect[key] === 'number' ? (expect[key] as number) : NaN);
  const [low, high] = [figure('low'), figure('high')];
  const candidates = [
    figure('value'),
    (low + high) / 2,
    low * 1.2,
    high * 0.8,
    figure('above') * 1.2,
    figure('below'),
    figure('by'),
    figure('level'),
    figure('threshold'),
  ];
  return candidates.find((each) => Number.isFinite(each) && each !== 0) ?? 1;
}

function remarkOn(log: Writer, random: () => number): void {
  const last = log.entries.findLast(({ kind }) => ['reading', 'answer', 'series'].includes(kind));
  if (!last) return;
  const drawn = random();
  const entry = last.id;
  if (drawn < 0.06) log.add('voided', { entry, reason: 'so' });
  else if (drawn < 0.12)
    log.add('overruled', { entry, as: random() < 0.5 ? 'good' : 'bad', reason: 'so' });
  else if (drawn < 0.18) log.add('contact', { entry, how: 'leads-touched' });
  else if (drawn < 0.24) log.add('withdrawn', { entry, reason: 'so' });
}

/** Which entries a rule would refuse, and with which code, each judged by what stands before it. */
export function refusalsIn({ sheet, entries }: AnyLog): string[] {
  const fold = new JobFold(sheet);
  return entries.map((entry) => {
    const refusal = refusalOf(sheet, fold.state(), entry);
    inOneGo(fold.add(entry));
    return refusal ? `${refusal.code}: ${refusal.message}` : '';
  });
}

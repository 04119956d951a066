/** Going on from where a fold stands says what folding everything anew says. */
import fc from 'fast-check';
import { attemptSheet as sheet, bodyOfStep, randomStep } from '../../../test/random-steps';
import { smallMeter } from '../../../test/small-sheet';
import { admit, type RefusedEntry } from './admit';
import { refusalOf } from './refusal-of';
import type { StoredEntry } from '../kinds/index';
import { foldJob } from '../fold/fold';
import { inOneGo, JobFold } from '../fold/job-fold';
import { inLogOrder } from '../log/log-order';

const START = Date.parse('2026-03-02T08:00:00.000Z');

const steps = (most: number) =>
  fc.array(
    fc.record({
      step: randomStep,
      minute: fc.nat(40),
      device: fc.constantFrom('A', 'B'),
      /** How much of the log its device had not seen. */
      missed: fc.oneof({ weight: 3, arbitrary: fc.constant(0) }, fc.nat(5)),
    }),
    { maxLength: most },
  );
type Steps = readonly {
  readonly step: { readonly kind: string; readonly body: object };
  readonly minute: number;
  readonly device: string;
  readonly missed: number;
}[];

/** Numbered on from a log, as the server numbers them. */
function numbered(before: readonly StoredEntry[], raw: Steps): StoredEntry[] {
  return raw.map(({ step, minute, device, missed }, i) => {
    const seq = before.length + i + 1;
    return {
      id: `01950000-0000-7000-8000-${String(seq).padStart(12, '0')}`,
      seq,
      device,
      seen: Math.max(1, seq - 1 - missed),
      kind: step.kind,
      at: new Date(START + minute * 60_000).toISOString(),
      author: device,
      body: bodyOfStep(step, before),
    } as unknown as StoredEntry;
  });
}

const opened = {
  id: '01950000-0000-7000-8000-000000000001',
  seq: 1,
  kind: 'opened',
  at: new Date(START).toISOString(),
  author: 'office',
  body: { complaint: '', meter: smallMeter, rules: 2 },
} as StoredEntry;

/** The rule said plainly: everything folded anew for each entry. */
function admitPlainly(
  log: readonly StoredEntry[],
  batch: readonly StoredEntry[],
): RefusedEntry | undefined {
  const whole = [...log];
  for (const [index, entry] of batch.entries()) {
    const now = foldJob(sheet, whole);
    const ordered = inLogOrder([...whole, entry]);
    const place = ordered.findIndex(({ id }) => id === entry.id);
    const last = place === whole.length || now.signed || entry.kind === 'withdrawn';
    const before = last ? now : foldJob(sheet, ordered.slice(0, place));
    const refusal = refusalOf(sheet, before, entry);
    if (refusal) return { index, refusal };
    whole.push(entry);
  }
  return undefined;
}

test('a fold that goes on entry by entry is the fold of all of them', () => {
  fc.assert(
    fc.property(steps(25), (raw) => {
      const fold = new JobFold(sheet);
      const log = [opened, ...numbered([opened], raw)];
      for (const entry of log) {
        inOneGo(fold.add(entry));
        // Looked at on the way, so that nothing kept from an earlier look can stay.
        expect(fold.state().taken.length).toBeLessThanOrEqual(fold.length);
      }
      expect({ ...fold.state() }).toEqual(foldJob(sheet, log));
    }),
    { numRuns: 300 },
  );
});

test('a batch is let in or refused as when everything is folded anew for each entry', () => {
  let refused = 0;
  let crossed = 0;
  fc.assert(
    fc.property(steps(20), steps(6), fc.boolean(), (raw, more, oneDevice) => {
      const log = [opened, ...numbered([opened], raw)];
      const batch = numbered(
        log,
        oneDevice ? more.map((each) => ({ ...each, device: 'A', missed: 3 })) : more,
      );
      const fold = new JobFold(sheet, log);
      crossed += batch.some((entry) => !fold.comesLast(entry)) ? 1 : 0;
      const found = inOneGo(admit(fold, batch));
      expect(found).toEqual(admitPlainly(log, batch));
      if (found) refused += 1;
      else expect({ ...fold.state() }).toEqual(foldJob(sheet, [...log, ...batch]));
    }),
    { numRuns: 400 },
  );
  expect(refused).toBeGreaterThan(20);
  expect(crossed).toBeGreaterThan(20);
});

test('back to a mark, a fold is as if nothing had been added', () => {
  fc.assert(
    fc.property(steps(15), steps(8), steps(4), (raw, more, then) => {
      const log = [opened, ...numbered([opened], raw)];
      const fold = new JobFold(sheet, log);
      const mark = fold.mark();
      for (const entry of numbered(log, more)) inOneGo(fold.add(entry));
      fold.backTo(mark);
      expect({ ...fold.state() }).toEqual(foldJob(sheet, log));
      const other = numbered(log, then);
      for (const entry of other) inOneGo(fold.add(entry));
      expect({ ...fold.state() }).toEqual(foldJob(sheet, [...log, ...other]));
    }),
    { numRuns: 200 },
  );
});

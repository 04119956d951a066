/** What a closed job teaches: reckoned from its log, and only as much as was proven. */
import {
  busAt,
  logWriter,
  measured,
  onBattery,
  smallMeter,
  smallSheet as sheet,
  volts,
} from '../../test/small-sheet';
import { knownOf } from '../diagnose/assess';
import { foldJob } from '../job/fold/fold';
import { jobSheet } from '../job/fold/job-sheet';
import { lessonOf } from './lesson';
import { readingsKept } from './readings-kept';

type Log = ReturnType<typeof logWriter>;
const fold = (log: Log) => foldJob(sheet, log.entries);

const LEFT = { energy: 'live' as const, note: '', open: [] };

/** The rail reads 3 V; a part is fitted, and the rail reads what it reads. */
function visit({
  part = 'board',
  after = 5.02,
  signed = true,
  odds,
}: {
  part?: string;
  after?: number | undefined;
  signed?: boolean;
  odds?: Record<string, number>;
} = {}): Log {
  const log = logWriter();
  log.add('opened', {
    ...{ complaint: 'dead', meter: smallMeter },
    ...(odds && { odds: { revision: 1, shares: odds } }),
  });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 3));
  log.add('decided', {
    endings: [{ kind: 'replace', part }],
    ...{ leading: 'board', probability: 0.5, reason: 'it is' },
  });
  log.add('safed', { step: 'isolated' });
  log.add('safed', onBattery);
  log.wait(5);
  log.add('safed', busAt(volts(3)));
  log.add('safed', onBattery);
  log.add('work', { what: 'fitted', part, batch: '717', supplier: 'Peças Vale', note: '' });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', after));
  if (signed)
    log.add('signed', { technician: 'Ana', customer: 'Rui', note: '', left: LEFT, owed: 'x' });
  return log;
}

test('an open job teaches nothing', () => {
  expect(lessonOf(sheet, fold(visit({ signed: false })))).toBeUndefined();
});

test('a proven repair: which faults were there, what was done, and that the part said was the part', () => {
  const state = fold(visit());
  const lesson = lessonOf(sheet, state)!;
  const { belief } = knownOf(sheet, state).inference;
  expect(lesson.proven).toBe(true);
  expect(Object.keys(lesson.faults).sort()).toEqual(
    sheet.faults.flatMap(({ id, part }) => (part === 'board' ? [id] : [])).sort(),
  );
  for (const [id, p] of Object.entries(lesson.faults)) expect(p).toBeCloseTo(belief.faults[id]!, 6);
  expect(lesson.done).toEqual([
    expect.objectContaining({ kind: 'part', id: 'board', batch: '717', supplier: 'Peças Vale' }),
  ]);
  expect(lesson.said).toMatchObject({ part: 'board', right: true });
  // Said before the part went in: what was known by then, no more.
  const before = knownOf(sheet, foldJob(sheet, visit().entries.slice(0, 4))).inference.belief;
  expect(lesson.said!.p).toBeCloseTo(before.parts.board!, 5);
  expect(lesson.moved).toMatchObject({ rail: true });
  expect(lesson.entries).toMatchObject({ decide: 1, mend: 1 });
});

test('what did not help is not proven, and counts for no fault', () => {
  const lesson = lessonOf(sheet, fold(visit({ after: 3 })))!;
  expect(lesson).toMatchObject({ proven: false, faults: {} });
  expect(lesson.said).not.toHaveProperty('right');
});

test('another part than the one that led is an overruling, right or not', () => {
  const { said } = lessonOf(sheet, fold(visit({ part: 'power' })))!;
  expect(said).toMatchObject({ part: 'board', overruled: 'power' });
  expect(typeof said!.right).toBe('boolean');
  expect(typeof said!.chosenRight).toBe('boolean');
});

test('readings that count are kept with their limits, whatever became of the rest', () => {
  const kept = readingsKept(fold(visit()));
  expect(kept).toMatchObject([
    { observable: 'rail', unit: 'V', value: 3, verdict: 'out' },
    { observable: 'rail', unit: 'V', value: 5.02, verdict: 'in', after: true },
  ]);
  expect(kept[1]!.low).toBeLessThan(5.02);
  expect(kept[1]!.high).toBeGreaterThan(5.02);
});

test('a clock that runs backwards takes no time, and a night is not counted as work', () => {
  const log = visit();
  const entries = log.entries.map((entry, i) => ({
    ...entry,
    at: new Date(Date.UTC(2026, 0, 2) - i * 60_000).toISOString(),
  }));
  // All of one device, by their numbers; its clock ran back.
  const lesson = lessonOf(sheet, foldJob(sheet, entries))!;
  expect(Object.values(lesson.minutes).every((each) => each >= 0)).toBe(true);
  const long = log.entries.map((entry, i) => ({
    ...entry,
    at: new Date(Date.UTC(2026, 0, 2) + i * 3_600_000).toISOString(),
  }));
  expect(lessonOf(sheet, foldJob(sheet, long))!.minutes).toEqual({});
});

test('odds of the shop that a job was opened with are its odds, however its log is folded', () => {
  const shares = Object.fromEntries(
    sheet.faults.map(({ id, part }) => [id, part === 'board' ? 0.02 : 0.9]),
  );
  const [own, learnt] = [visit({ part: 'board' }), visit({ odds: shares })];
  const p = (log: Log) => {
    const weighed = jobSheet(sheet, log.entries);
    const state = foldJob(sheet, log.entries.slice(0, 1));
    return knownOf(weighed, state).inference.belief.parts.board!;
  };
  expect(p(learnt)).toBeLessThan(p(own) - 0.2);
  expect(jobSheet(sheet, learnt.entries)).toBe(jobSheet(sheet, learnt.entries));
  expect(jobSheet(sheet, own.entries)).toBe(sheet);
});

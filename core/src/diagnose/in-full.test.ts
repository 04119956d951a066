/** The table of findings on the small machine: figures against a belief reckoned from the definition. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import { infer } from './belief';
import { inFull } from './in-full';
import { shareOf, whoKey } from './leader';
import { modelOf } from './model';
import { oddsRatio } from './odds';

const full = ({ entries }: LogWriter) => inFull(smallSheet, foldJob(smallSheet, entries));

function powered(): LogWriter {
  const log = provenDead(undefined, 2);
  log.add('energised', { precautions: true });
  return log;
}

test('before any finding: the sheet’s odds, and no row', () => {
  const { rows, suspects, arrival, hangsOn } = full(provenDead(undefined, 2));
  expect(rows).toEqual([]);
  expect(hangsOn).toEqual([]);
  const [first, second] = suspects;
  expect(whoKey(first!)).toBe('supply');
  expect(first!.p).toBeCloseTo(shareOf(arrival, first!), 12);
  expect(first!.p).toBeGreaterThan(second!.p);
});

test('a row weighs what leaving its finding out does to the odds, and shows how it stood then', () => {
  const log = powered();
  log.add('code', { shown: 'E1' });
  log.add('reading', measured('rail', '12', 5));
  const { rows, arrival } = full(log);
  expect(rows).toHaveLength(2);
  const model = modelOf(smallSheet);
  const [code, rail] = rows.map(({ item }) => item.evidence);
  const [both, only] = [infer(model, [code!, rail!]).belief, infer(model, [code!]).belief];
  const { factor, direction, strength } = rows[1]!.tells.supply!;
  expect(factor).toBeCloseTo(oddsRatio(both.faults.supply!, only.faults.supply!), 9);
  expect([direction, strength]).toEqual(['against', 'strongly']);
  expect(rows[0]!.after.now.supply).toBeCloseTo(only.faults.supply!, 12);
  expect(rows[1]!.after.now.supply).toBeCloseTo(both.faults.supply!, 12);
  expect(arrival.now.supply).toBeCloseTo(infer(model, []).belief.faults.supply!, 12);
});

test('two findings that say the same are each said to, though neither is missed alone', () => {
  const log = provenDead(undefined, 2);
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  for (const point of ['U', 'U', 'V', 'V'])
    log.add('reading', measured('diode', point, 0.02, 'diode'));
  log.add('answer', { test: 'looks', answer: 'burnt' });
  const { rows } = full(log);
  const [row] = rows.filter(({ item }) => item.entry === log.entries.at(-1)!.id);
  const { shorted } = row!.tells;
  expect(shorted).toMatchObject({ direction: 'for', strength: 'strongly', shared: true });
  const alone = infer(modelOf(smallSheet), [row!.item.evidence]).belief.faults.shorted!;
  const prior = infer(modelOf(smallSheet), []).belief.faults.shorted!;
  expect(shorted!.factor).toBeCloseTo(oddsRatio(alone, prior), 9);
});

test('a conclusion that hangs on one finding is said to', () => {
  const log = powered();
  log.add('code', { shown: 'E1' });
  expect(full(log).hangsOn).toEqual([]);
  log.add('reading', measured('rail', '12', 5));
  const { suspects, hangsOn } = full(log);
  expect(whoKey(suspects[0]!)).toBe('driver');
  expect(hangsOn.map(({ item, instead }) => [item.from.kind, whoKey(instead)])).toEqual([
    ['taken', 'supply'],
  ]);
});

test('work is no finding, and what stands after it is what is left', () => {
  const log = powered();
  for (let i = 0; i < 2; i += 1)
    log.add('reading', { ...measured('rail', '12', 0.1), contact: true });
  const before = full(log).suspects[0]!;
  log.add('work', { what: 'set', part: 'board', note: 'supply rebuilt' });
  const { rows } = full(log);
  const work = rows.find(({ item }) => item.from.kind === 'work');
  expect(work?.tells ?? {}).toEqual({});
  expect(whoKey(before)).toBe('supply');
});

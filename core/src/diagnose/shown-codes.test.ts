/** A code of several circuits, and no code at all, as evidence. */
import { logWriter, smallMeter, smallSheet } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import { plainSheet } from '../sheet/expand/expand';
import type { WrittenSheet } from '../sheet/schema';
import { assess } from './assess';
import { evidenceName } from './evidence-name';
import { evidenceOf } from './evidence-of';

const written = structuredClone(smallSheet) as WrittenSheet;
written.repeats = [{ id: 'c', of: ['1', '2', '3'], name: 'Circuit {c}' }];
written.faults.push({
  per: 'c',
  id: 'sensor-{c}',
  name: 'Sensor {c}',
  part: 'board',
  prior: 2,
  shows: { looks: 'burnt' },
});
// What the circuits share stands once, and may show the code on each of them.
written.codes.list.push({
  per: 'c',
  code: 'S1',
  title: 'Sensor of {c.name}',
  suspects: { 'sensor-{c}': 0.9, supply: 0.6 },
});
written.codes.none = { suspects: { supply: 0.9 }, other: 0.1 };
const sheet = plainSheet(written);

const reading = (...codes: readonly ({ shown: string; unit?: string } | { shown: null })[]) => {
  const log = logWriter();
  log.add('opened', { complaint: 'x', meter: smallMeter, rules: 2 });
  for (const code of codes) log.add('code', code);
  const state = foldJob(sheet, log.entries);
  const { suspects } = assess(sheet, state);
  const chance = (id: string) => suspects.find(({ fault }) => fault.id === id)!.p;
  return { state, chance, evidence: evidenceOf(state, sheet) };
};

test('the same code on three circuits is three, and what they share rises above each', () => {
  const one = reading({ shown: 'S1', unit: '1' });
  expect(one.chance('sensor-1')).toBeGreaterThan(one.chance('supply'));
  expect(one.chance('sensor-1')).toBeGreaterThan(3 * one.chance('sensor-2'));
  const three = reading(
    { shown: 'S1', unit: '1' },
    { shown: 'S1', unit: '2' },
    { shown: 'S1', unit: '3' },
  );
  expect(three.evidence.map(({ evidence }) => evidence)).toEqual([
    { code: 'S1@1' },
    { code: 'S1@2' },
    { code: 'S1@3' },
  ]);
  expect(three.chance('supply')).toBeGreaterThan(three.chance('sensor-1'));
  expect(three.chance('supply')).toBeGreaterThan(one.chance('supply') * 2);
  expect(three.evidence.map(({ from }) => evidenceName(from, sheet))).toEqual([
    'code S1, Circuit 1',
    'code S1, Circuit 2',
    'code S1, Circuit 3',
  ]);
});

test('the same code of one circuit twice counts once; of no known circuit it moves nobody', () => {
  expect(reading({ shown: 'S1', unit: '2' }, { shown: 'S1', unit: '2' }).evidence).toHaveLength(1);
  const unsaid = reading({ shown: 'S1' });
  expect(unsaid.evidence).toEqual([]);
  expect(unsaid.state.codes).toMatchObject([{ shown: 'S1' }]);
});

test('no code is evidence where the sheet says of what, once', () => {
  const none = reading({ shown: null }, { shown: null });
  expect(none.evidence).toHaveLength(1);
  expect(evidenceName(none.evidence[0]!.from, sheet)).toBe('code none shown');
  expect(none.chance('supply')).toBeGreaterThan(reading().chance('supply') * 1.5);
  const log = logWriter();
  log.add('opened', { complaint: 'x', meter: smallMeter, rules: 2 });
  log.add('code', { shown: null });
  expect(evidenceOf(foldJob(smallSheet, log.entries), smallSheet)).toEqual([]);
});

/** What could still turn the mind, and what tells two suspects apart, on the small machine. */
import { measured, provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { infer } from '../diagnose/belief';
import type { Evidence } from '../diagnose/evidence';
import { whoKey } from '../diagnose/leader';
import { modelOf } from '../diagnose/model';
import { foldJob } from '../job/fold/fold';
import type { Fault } from '../sheet/schema';
import { whatWouldChange } from './change-of-mind';
import { compareSuspects } from './compare';

const NOW = Date.parse('2026-03-02T12:00:00.000Z');
const folded = ({ entries }: LogWriter) => foldJob(smallSheet, entries);
const fault = (id: string): Fault => smallSheet.faults.find((each) => each.id === id)!;

function withCode(): LogWriter {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  return log;
}

test('outcomes that would put somebody else first, with their chance and what would be left', () => {
  const turns = whatWouldChange(smallSheet, folded(withCode()));
  const rail = turns.find(({ test }) => test.id === 'rail')!;
  // The supply leads after the code; a good rail clears it.
  expect(rail).toMatchObject({ observable: 'rail', outcome: 'ok' });
  expect(whoKey(rail.then)).toBe('driver');
  expect(rail.left).toBeLessThan(0.1);
  // About a third: the driver and whatever else leaves the rail alone.
  expect(rail.chance).toBeGreaterThan(0.2);
  expect(rail.chance).toBeLessThan(0.5);
  expect([...turns].sort((a, b) => b.chance - a.chance)).toEqual(turns);
});

test('what is behind a feeder is asked with the feeder good, and said to come after it', () => {
  const turns = whatWouldChange(smallSheet, folded(withCode()));
  const out = turns.find(({ test }) => test.id === 'out');
  expect(out?.before.map(({ id }) => id)).toEqual(['rail']);
});

test('what is taken already turns nothing any more', () => {
  const log = withCode();
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', 5));
  expect(whatWouldChange(smallSheet, folded(log)).map(({ test }) => test.id)).not.toContain('rail');
});

test('two suspects: their odds, what spoke between them, and the test that separates them', () => {
  const pair = [fault('supply'), fault('driver')] as const;
  const { odds, between, tests } = compareSuspects(smallSheet, folded(withCode()), pair, NOW);
  const oddsBy = (evidence: readonly Evidence[]) => {
    const { faults } = infer(modelOf(smallSheet), evidence).belief;
    return faults.supply! / faults.driver!;
  };
  expect(odds).toBeCloseTo(oddsBy([{ code: 'E1' }]), 9);
  expect(between).toHaveLength(1);
  expect(between[0]!.factor).toBeCloseTo(oddsBy([{ code: 'E1' }]) / oddsBy([]), 9);
  const [best] = tests;
  // Good 98 % of the time under one, and 1 % under the other: 0.98 apart, by the noise of 2 % in five classes.
  expect(best).toMatchObject({ test: { id: 'rail' }, observable: 'rail' });
  expect(best!.shows.map(({ outcome }) => outcome)).toEqual(['none', 'ok']);
  expect(best!.apart).toBeCloseTo(0.98, 9);
  // The output reads dead under both: it separates nothing, and is not named.
  expect(tests.map(({ test }) => test.id)).not.toContain('out');
});

test('turned round, the odds are the inverse and the tests the same', () => {
  const state = folded(withCode());
  const one = compareSuspects(smallSheet, state, [fault('supply'), fault('driver')], NOW);
  const other = compareSuspects(smallSheet, state, [fault('driver'), fault('supply')], NOW);
  expect(one.odds * other.odds).toBeCloseTo(1, 12);
  expect(other.tests.map(({ test, apart }) => [test.id, apart])).toEqual(
    one.tests.map(({ test, apart }) => [test.id, apart]),
  );
});

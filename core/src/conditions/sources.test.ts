/** The meter is proven by its figure on a named source that the figure must fit. */
import fc from 'fast-check';
import { mainsSheet } from '../../test/mains-sheet';
import { smallSheet, volts } from '../../test/small-sheet';
import type { Sheet } from '../sheet/schema';
import { bandsOf, bandWords, sourceProblem, sourcesFor, supplyVolts } from './sources';

const on = (system: string, v: number): Sheet => ({
  ...mainsSheet,
  equipment: { ...mainsSheet.equipment, supply: { system, volts: v, hertz: 60 } },
});
const SUPPLY = { kind: 'supply' } as const;
const BATTERY = { kind: 'battery' } as const;

test('a supply fits from leg to leg and to neutral, within a fifth', () => {
  expect(supplyVolts(on('single-phase', 230))).toEqual([230]);
  const three = on('three-phase', 380);
  expect(supplyVolts(three)[1]).toBeCloseTo(219.4, 1);
  const fits = (v: number) => sourceProblem(three, 'V~', SUPPLY, volts(v)) === undefined;
  expect([304, 380, 456, 176, 219, 263].map(fits)).toEqual([true, true, true, true, true, true]);
  expect([300, 460, 170, 270, 0, 24].map(fits)).toEqual([false, false, false, false, false, false]);
  expect(bandWords(bandsOf(three, 'V~', SUPPLY))).toBe('304 to 456\u2009V or 176 to 263\u2009V');
  // Two legs and neutral, 220 V: 220/√3 = 127 V to neutral.
  expect(sourceProblem(on('two legs and neutral', 220), 'V~', SUPPLY, volts(126))).toBeUndefined();
  // Split-phase, 240 V: half of it to neutral.
  expect(sourceProblem(on('split-phase', 240), 'V~', SUPPLY, volts(120))).toBeUndefined();
});

test.each<[string, Parameters<typeof sourceProblem>, RegExp]>([
  ['0 V on the supply', [mainsSheet, 'V~', SUPPLY, volts(0)], /0.V does not fit the supply/],
  ['0.1 V on a battery', [mainsSheet, 'V=', BATTERY, volts(0.1)], /does not fit a battery/],
  ['no figure', [mainsSheet, 'V~', SUPPLY, undefined], /proven by its figure/],
  ['OL', [mainsSheet, 'V~', SUPPLY, { kind: 'overload' }], /OL on the supply proves nothing/],
  ['a battery on AC', [mainsSheet, 'V~', BATTERY, volts(9)], /A battery proves no meter on AC/],
  [
    'the supply on DC',
    [mainsSheet, 'V=', SUPPLY, volts(230)],
    /An AC supply proves no meter on DC/,
  ],
  ['the bus for a battery', [mainsSheet, 'V=', BATTERY, volts(310)], /does not fit a battery/],
  [
    'a proving unit without its mark',
    [mainsSheet, 'V=', { kind: 'proving-unit' }, volts(240)],
    /marked/,
  ],
  [
    'the bus as its own proof',
    [mainsSheet, 'V=', { kind: 'proving-unit', volts: 310 }, volts(309), [310]],
    /what the store itself read/,
  ],
  ['a supply that no sheet states', [smallSheet, 'V~', SUPPLY, volts(230)], /states no supply/],
])('%s proves nothing', (_, args, words) => {
  expect(sourceProblem(...args)).toMatch(words);
});

test('a battery from 1.2 to 13 V, either way round, and a proving unit within a tenth', () => {
  for (const v of [1.2, 1.5, 9, -9.1, 13])
    expect(sourceProblem(mainsSheet, 'V=', BATTERY, volts(v))).toBeUndefined();
  for (const v of [1.1, 13.2])
    expect(sourceProblem(mainsSheet, 'V=', BATTERY, volts(v))).toBeDefined();
  const unit = { kind: 'proving-unit', volts: 240 } as const;
  for (const v of [216, 264])
    expect(sourceProblem(mainsSheet, 'V~', unit, volts(v))).toBeUndefined();
  for (const v of [215, 265]) expect(sourceProblem(mainsSheet, 'V~', unit, volts(v))).toBeDefined();
});

test('what is offered can prove the function it is offered for', () => {
  for (const fn of ['V~', 'V='] as const)
    for (const kind of sourcesFor(mainsSheet, fn))
      expect(bandsOf(mainsSheet, fn, { kind, volts: 240 }).length).toBeGreaterThan(0);
  expect(sourcesFor(smallSheet, 'V~')).toEqual(['proving-unit']);
});

test('whatever fits is a live figure: nothing below a volt ever proves a meter', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('V~' as const, 'V=' as const),
      fc.constantFrom('supply' as const, 'battery' as const, 'proving-unit' as const),
      fc.double({ min: 10, max: 1500, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      (fn, kind, marked, v) =>
        sourceProblem(mainsSheet, fn, { kind, volts: marked }, volts(v)) !== undefined,
    ),
  );
});

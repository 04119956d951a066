import fc from 'fast-check';
import { busAt, logWriter, onBattery, smallMeter, smallSheet, volts } from '../../test/small-sheet';
import { wideSheet } from '../../test/wide-sheet';
import type { Sheet } from '../sheet/schema';
import { foldJob } from '../job/fold/fold';
import { dischargeOf as fallOf, limitsOfPair } from './discharge';
import { latestOf, mayUnplug } from './energy';
import { findPair } from './pairs';
import { storesOf } from './stores';

const START = Date.parse('2026-03-02T08:00:00.000Z');

/** Isolated, then bus readings so many seconds after the job was opened. */
function readings(sheet: Sheet, ...figures: readonly [seconds: number, volts: number][]) {
  const log = logWriter(START);
  log.add('opened', { complaint: '', meter: smallMeter });
  log.add('safed', { step: 'isolated' });
  log.add('safed', onBattery);
  let at = 180;
  for (const [seconds, value] of figures) {
    log.wait((seconds - at) / 60);
    log.add('safed', busAt(volts(value)));
    at = seconds + 60;
  }
  return foldJob(sheet, log.entries).energy;
}

const busOf = (sheet: Sheet) => findPair(sheet, 'bus')!;
const dischargeOf = (sheet: Sheet, energy: ReturnType<typeof readings>) =>
  fallOf(busOf(sheet), energy);

const seconds = (ms: number | undefined, energy: ReturnType<typeof readings>) =>
  (ms! - latestOf(energy, 'bus')!.time) / 1000;

test('two readings give τ and the time to each limit', () => {
  const energy = readings(wideSheet, [200, 310], [252, 186]);
  const fall = dischargeOf(wideSheet, energy)!;
  expect(fall).toMatchObject({ by: 'readings', stuck: false, volts: 186 });
  expect(fall.tau).toBeCloseTo(101.8, 1);
  const [unplug, dead] = fall.limits;
  expect([unplug!.title, unplug!.below, dead!.below]).toEqual(['unplug', 60, 24]);
  expect(seconds(unplug!.at, energy)).toBeCloseTo(115.2, 1);
  expect(seconds(dead!.at, energy)).toBeCloseTo(208.4, 1);
});

test('the next reading corrects the forecast, also when a drain was clipped on in between', () => {
  const slower = readings(wideSheet, [200, 310], [252, 186], [304, 130]);
  const fall = dischargeOf(wideSheet, slower)!;
  expect(fall.tau).toBeCloseTo(52 / Math.log(186 / 130), 1);
  const drained = readings(wideSheet, [200, 310], [260, 300], [280, 40]);
  expect(dischargeOf(wideSheet, drained)!.tau).toBeCloseTo(20 / Math.log(300 / 40), 1);
});

test('before the second reading the sheet’s capacitance and bleed foretell it, or nothing does', () => {
  const energy = readings(wideSheet, [200, 310]);
  expect(dischargeOf(wideSheet, energy)).toMatchObject({ by: 'nothing' });
  expect(dischargeOf(wideSheet, energy)!.limits[0]!.at).toBeUndefined();
  const told: Sheet = {
    ...wideSheet,
    safety: { ...wideSheet.safety, capacitance: 0.001, bleed: 100_000 },
  };
  const fall = dischargeOf(told, readings(told, [200, 310]))!;
  expect(fall).toMatchObject({ by: 'sheet', tau: 100 });
  expect(fall.joules).toBeCloseTo(48.05, 2);
});

test.each([
  ['stands', [200, 310], [260, 309.5]],
  ['rises', [200, 300], [260, 310]],
  ['falls so slowly that it would take hours', [200, 310], [320, 300]],
] as const)('a bus that %s is stuck', (_, first, second) => {
  const fall = dischargeOf(wideSheet, readings(wideSheet, [...first], [...second]))!;
  expect(fall.stuck).toBe(true);
  expect(fall.limits.every(({ at }) => at === undefined)).toBe(true);
});

test('a low bus that stays low is not stuck', () => {
  const fall = dischargeOf(wideSheet, readings(wideSheet, [200, 3], [260, 3]))!;
  expect(fall.stuck).toBe(false);
  expect(fall.limits.every(({ reached }) => reached)).toBe(true);
});

test('without any reading, or with OL alone, there is no forecast', () => {
  expect(dischargeOf(wideSheet, readings(wideSheet))).toBeUndefined();
});

test('unplugging needs its own limit, beyond the meter’s doubt', () => {
  const at = (value: number) => readings(wideSheet, [400, value]);
  expect(mayUnplug(wideSheet, at(50))).toBe(true);
  expect(mayUnplug(wideSheet, at(59.95))).toBe(false);
  expect(mayUnplug(wideSheet, at(70))).toBe(false);
  expect(mayUnplug(wideSheet, readings(wideSheet))).toBe(false);
  // A sheet that says nothing about unplugging allows it only dead.
  expect(mayUnplug(smallSheet, readings(smallSheet, [400, 3]))).toBe(false);
  expect(limitsOfPair(busOf(smallSheet)).map(({ id }) => id)).toEqual(['dead']);
});

describe('what stores charge', () => {
  const with_ = (safety: Partial<Sheet['safety']>): Sheet => ({
    ...smallSheet,
    safety: { ...smallSheet.safety, ...safety },
  });

  test('without a list it is whatever hangs on the pair, at the highest volts', () => {
    expect(storesOf(smallSheet)).toEqual([
      { name: 'Whatever hangs on the supply', where: 'Board', highest: 300 },
    ]);
    // 0.001 F at 300 V: 0.001·300²/2 = 45 J.
    expect(storesOf(with_({ capacitance: 0.001 }))).toMatchObject([{ highest: 300, joules: 45 }]);
  });

  test('energy is reckoned from the stated highest volts, not from the usual ones', () => {
    const bus = { name: 'Bus capacitors', at: 'b.P', volts: 510, farads: 0.0022 };
    // 0.0022·620²/2 = 422.84 J; at the usual 510 V it would be 286 J.
    const [stated] = storesOf(with_({ volts: 620, stores: [bus] }));
    expect(stated).toMatchObject({ highest: 620, usual: 510 });
    expect(stated!.joules).toBeCloseTo(422.84, 2);
    const [own] = storesOf(with_({ volts: 620, stores: [{ ...bus, highest: 550 }] }));
    expect(own!.joules).toBeCloseTo((0.0022 * 550 ** 2) / 2, 6);
  });

  test('it is not blank where the capacitance stands with the machine and not with the store', () => {
    const stores = [
      { name: 'Bus', at: 'b.P' },
      { name: 'Fan', at: 'b.U' },
    ];
    const all = storesOf(with_({ capacitance: 0.001, stores }));
    expect(all.map(({ joules }) => joules)).toEqual([45, undefined]);
  });
});

test('on an exact exponential every pair of readings foretells the same moment', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 900, noNaN: true }),
      fc.double({ min: 100, max: 600, noNaN: true }),
      fc.integer({ min: 12, max: 200 }),
      (tau, start, gap) => {
        const at = (t: number) => start * Math.exp(-(t - 200) / tau);
        const energy = readings(wideSheet, [200, at(200)], [200 + gap, at(200 + gap)]);
        const fall = dischargeOf(wideSheet, energy)!;
        const dead = fall.limits.at(-1)!;
        if (fall.stuck || dead.reached || dead.at === undefined) return true;
        const whole = (dead.at - START) / 1000 - 200;
        return Math.abs(whole - tau * Math.log(start / 24)) < 0.5 + 1e-3 * tau;
      },
    ),
  );
});

/** What a learner must not be shown: figures of the live display that no real meter would show. */
import type { MeterFunction } from '../../meter/functions';
import { readNetlist } from '../spice/read';
import { measure } from './measure';
import type { Track } from './over-time';
import { track } from './track';

const circuit = (...lines: string[]) => readNetlist(['title', ...lines].join('\n'));
const live = (lines: readonly string[], fn: MeterFunction, red: string, more: object = {}) =>
  track(circuit(...lines), { function: fn, red, black: '0', ...more }, { seconds: 3 });
const last = ({ updates }: Track) => updates.at(-1)!;

describe('the live display', () => {
  const RAIL = ['V1 a 0 24', 'R1 a 0 1k', 'C1 a 0 100u'];

  test('shows no alternating volts and no hertz on a steady rail', () => {
    expect(last(live(RAIL, 'V~', 'a')).value).toBe(0);
    expect(last(live(RAIL, 'Hz', 'a')).value).toBe(0);
  });

  test('shows next to no alternating volts on a bus that falls', () => {
    // 470 µF over 47 kΩ beside 10 MΩ: τ = 22.0 s, so 310 V fall by 14 V/s.
    const bus = circuit('C1 p 0 470u IC=310', 'R1 p 0 47k');
    const probing = { red: 'p', black: '0' };
    const options = { seconds: 2, start: 'initial' } as const;
    const ac = track(bus, { function: 'V~', ...probing }, options);
    for (const { value } of ac.updates) expect(value).toBeLessThan(0.01);
    const dc = last(track(bus, { function: 'V=', ...probing }, options)).value!;
    expect(dc).toBeCloseTo(310 * Math.exp(-1.9 / 22), -1);
  });

  test('takes the jack that bears the current: 24 V through 12 Ω', () => {
    // 12 Ω, two leads of 0.03 Ω, shunt and fuse of 0.03 Ω: 24 / 12.09 = 1.985 A.
    const lines = ['V1 a 0 24', 'R1 b 0 12'];
    const amps = track(circuit(...lines), { function: 'A=', red: 'a', black: 'b' }, { seconds: 3 });
    expect(last(amps).value).toBe(1.99);
    expect(measure(circuit(...lines), { function: 'A=', red: 'a', black: 'b' }).value).toBe(1.99);
  });

  test('blows its fuse on a supply, as the single reading does', () => {
    const { updates, hazards } = live(['V1 a 0 24'], 'A=', 'a');
    expect(updates).toEqual([]);
    expect(hazards).toEqual([{ kind: 'meter-fuse', amps: expect.any(Number) }]);
  });

  test('low impedance loads a ghost: 24 V behind 1 MΩ', () => {
    const lines = ['V1 s 0 24', 'R1 s w 1meg', 'C1 w 0 1n'];
    // 24 · 10 / 11 with 10 MΩ; 24 · 3 / 1003 with 3 kΩ.
    expect(last(live(lines, 'V=', 'w')).value).toBeCloseTo(21.82, 1);
    expect(last(live(lines, 'V=', 'w', { lowImpedance: true })).value).toBeCloseTo(0.0718, 3);
  });

  test('a ghost through 100 pF is loaded by the meter’s input and by nothing else of it', () => {
    // 311 V peak over the divider of 26.5 MΩ reactive and 10 MΩ: 219.9 · 10 / √(10² + 26.53²) = 77.6 V.
    const lines = ['V1 l 0 SIN(0 311 60)', 'C1 l w 100p'];
    expect(last(live(lines, 'V~', 'w')).value).toBeCloseTo(77.6, 1);
  });

  test('says beside its figure that a charge disturbs it', () => {
    const charged = circuit('C1 p 0 470u IC=12', 'R1 p 0 100k');
    const { updates } = track(
      charged,
      { function: 'ohm', red: 'p', black: '0' },
      { seconds: 2, start: 'initial' },
    );
    for (const { value, flags } of updates) {
      expect(value).toBeNull();
      expect(flags).toContain('disturbed');
    }
  });
});

test('a charge that is gone does not hide what still swings: ohms on a ghost of 78 V', () => {
  // 311 V peak over 26.5 MΩ of 100 pF and 10 MΩ: 77.6 V at the input.
  const ghost = circuit('V1 l 0 SIN(0 311 60)', 'C1 l w 100p', 'C2 p 0 10u IC=0', 'R2 p 0 1k');
  const { updates, hazards } = track(
    ghost,
    { function: 'ohm', red: 'w', black: '0' },
    { seconds: 1, start: 'initial' },
  );
  expect(updates).toEqual([]);
  expect(hazards).toEqual([{ kind: 'driven-live', volts: expect.closeTo(77.6, 0) }]);
});

describe('what drives, on points that are live', () => {
  const REVERSED = ['V1 s 0 -5', 'R1 s a 1k'];

  test('a voltage the other way round is no low resistance, and does not sound', () => {
    const ohms = measure(circuit(...REVERSED), { function: 'ohm', red: 'a', black: '0' });
    expect(ohms.value).toBeNull();
    expect(ohms.flags).toContain('disturbed');
    const buzzer = measure(circuit(...REVERSED), { function: 'continuity', red: 'a', black: '0' });
    expect(buzzer.flags).not.toContain('buzzer');
    expect(last(live(REVERSED, 'continuity', 'a')).flags).toEqual(['disturbed']);
  });

  test('insulation on 12 V shows what it shows, with the warning', () => {
    const lines = ['V1 s 0 12', 'R1 s a 10k'];
    expect(
      measure(circuit(...lines), { function: 'insulation', red: 'a', black: '0' }).flags,
    ).toEqual(['auto', 'disturbed']);
  });
});

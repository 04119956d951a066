/** What a real meter does on a real board must come out of the circuit, not out of a list. */
import { InvalidInputError, UnknownReferenceError } from '../../errors';
import type { MeterFunction } from '../../meter/functions';
import { changed } from '../changes';
import { dice } from '../../numeric/dice';
import { readNetlist } from '../spice/read';
import { BENCH_METER } from './bench-meter';
import { instrument } from './indicate';
import { measure } from './measure';
import type { MeasureOptions } from './shown';
import { chargedAs } from './charged-as';
import { track } from './track';

const circuit = (...lines: string[]) => readNetlist(['title', ...lines].join('\n'));
const read = (
  lines: readonly string[],
  fn: MeterFunction,
  red: string,
  black = '0',
  more: object = {},
  options: MeasureOptions = {},
) => measure(circuit(...lines), { function: fn, red, black, ...more }, options);

const BRIDGE = [
  '.model DF D(IS=2e-8 N=1.6 RS=0.02)',
  'DU1 u p DF',
  'DU2 n u DF',
  'DV1 v p DF',
  'DV2 n v DF',
  'RN n 0 1',
  'RB p n 47k',
];
/** The same with its bus capacitor, empty. */
const WITH_CAPACITOR = [...BRIDGE, 'C1 p n 2200u'];

describe('diode', () => {
  test('a bridge shows a drop one way and OL reversed', () => {
    expect(read(BRIDGE, 'diode', 'n', 'u').value).toBeCloseTo(0.448, 2);
    const reversed = read(BRIDGE, 'diode', 'u', 'n');
    expect(reversed.value).toBeNull();
    expect(reversed.flags).toContain('OL');
  });

  test('on a bus capacitor the drop drifts upwards', () => {
    const { updates } = track(
      circuit(...WITH_CAPACITOR),
      { function: 'diode', red: 'u', black: 'n' },
      { seconds: 3 },
    );
    const values = updates.slice(4).map(({ value }) => value!);
    expect(values.length).toBeGreaterThan(5);
    values.slice(1).forEach((value, i) => expect(value).toBeGreaterThanOrEqual(values[i]!));
    // 1 mA into 2200 µF: 0.45 V/s.
    expect(values.at(-1)! - values[0]!).toBeGreaterThan(0.5);
  });

  test('a shorted transistor shows next to nothing both ways', () => {
    const broken = changed(circuit(...BRIDGE), ['short du2']);
    for (const [red, black] of [
      ['n', 'u'],
      ['u', 'n'],
    ] as const)
      expect(measure(broken, { function: 'diode', red, black }).value).toBeLessThan(0.01);
  });
});

describe('ohms', () => {
  test('the leads are part of the figure', () => {
    expect(read(['R1 a 0 1'], 'ohm', 'a').value).toBeCloseTo(1.06, 2);
  });

  test('each range is chosen for its figure, and OL stands beyond the last', () => {
    for (const [ohms, shown] of [
      [470, 470.1],
      [4700, 4700],
      [47_000, 47_000],
      [4.7e6, 4.7e6],
    ] as const)
      expect(Math.abs(read([`R1 a 0 ${ohms}`], 'ohm', 'a').value! / shown - 1)).toBeLessThan(2e-3);
    expect(read(['R1 a 0 100meg', 'R2 b 0 1'], 'ohm', 'a').flags).toContain('OL');
  });

  test('an un-isolated resistor reads low by what lies beside it', () => {
    const lines = ['R1 a b 10k', 'R2 a 0 6.8k', 'R3 b 0 2.2k', 'R4 0 c 1'];
    // 10 k beside 6.8 k + 2.2 k: 4.737 k.
    expect(read(lines, 'ohm', 'a', 'b').value).toBeCloseTo(4737, -1);
    expect(
      measure(changed(circuit(...lines), ['open r2']), { function: 'ohm', red: 'a', black: 'b' })
        .value,
    ).toBe(10_000);
  });

  test('a bus capacitor makes ohms climb', () => {
    const { updates } = track(
      circuit('R1 p 0 100k', 'C1 p 0 10u'),
      { function: 'ohm', red: 'p', black: '0' },
      { seconds: 20 },
    );
    const values = updates.map(({ value }) => value ?? 0);
    // τ = 10 µF · 100 kΩ = 1 s: 63 kΩ after the first second, on the range in which it will end.
    expect(values[3]).toBeLessThan(63_500);
    for (const [i, value] of values.slice(1).entries())
      expect(value).toBeGreaterThanOrEqual(values[i]!);
    expect(values[20]).toBeGreaterThan(values[4]!);
    expect(values.at(-1)).toBeGreaterThan(98_000);
  });

  test('one shorted winding unbalances the three', () => {
    const star = ['RU u s 0.95', 'RV v s 0.95', 'RW w s 0.95', 'RG s 0 1g'];
    const three = (changes: string[]) =>
      (['uv', 'vw', 'wu'] as const).map(
        ([red, black]) =>
          measure(changed(circuit(...star), changes), { function: 'ohm', red: red!, black: black! })
            .value!,
      );
    const sound = three([]);
    expect(Math.max(...sound) - Math.min(...sound)).toBeLessThan(0.02);
    const [uv, vw, wu] = three(['scale ru 0.4']);
    expect(uv).toBeCloseTo(wu!, 1);
    expect(vw! - uv!).toBeGreaterThan(0.4);
  });

  test('on a live point it is a hazard, told and not read', () => {
    const { value, hazards } = read(['V1 a 0 SIN(0 311 60)', 'R1 a 0 10k'], 'ohm', 'a');
    expect(value).toBeNull();
    expect(hazards).toEqual([{ kind: 'driven-live', volts: expect.closeTo(220, 0) }]);
  });

  test('a residual volt or two disturbs it and says so', () => {
    const { flags, hazards } = read(['V1 a b 2', 'R1 b 0 10k'], 'ohm', 'a');
    expect(flags).toContain('disturbed');
    expect(hazards).toEqual([]);
  });

  test('the buzzer sounds below 40 Ω only', () => {
    expect(read(['R1 a 0 35'], 'continuity', 'a').flags).toContain('buzzer');
    expect(read(['R1 a 0 45'], 'continuity', 'a').flags).not.toContain('buzzer');
  });
});

describe('volts', () => {
  test('10 MΩ load a high-ohmic divider', () => {
    const lines = ['V1 a 0 12', 'R1 a b 4.7meg', 'R2 b 0 4.7meg'];
    // 4.7 M beside 10 M is 3.197 M: 12 · 3.197 / 7.897 = 4.858.
    expect(read(lines, 'V=', 'b').value).toBeCloseTo(4.858, 2);
  });

  test('a floating wire shows a ghost that vanishes on low impedance', () => {
    const lines = ['V1 l 0 SIN(0 311 60)', 'C1 l w 100p', 'RX w 0 1g'];
    expect(read(lines, 'V~', 'w').value).toBeGreaterThan(50);
    expect(read(lines, 'V~', 'w', '0', { lowImpedance: true }).value).toBeLessThan(0.1);
  });

  test('a rail sags under load', () => {
    const lines = ['V1 i 0 12', 'RS i r 20', 'RL r 0 1meg'];
    expect(read(lines, 'V=', 'r').value).toBeCloseTo(12, 2);
    expect(
      measure(changed(circuit(...lines), ['set rl 100']), { function: 'V=', red: 'r', black: '0' })
        .value,
    ).toBeCloseTo(10, 2);
  });

  test('mains reads its RMS, and none of it on DC', () => {
    const lines = ['V1 l 0 SIN(0 311.13 60)', 'R1 l 0 1k'];
    expect(read(lines, 'V~', 'l').value).toBeCloseTo(220, 0);
    expect(read(lines, 'V=', 'l').value).toBeCloseTo(0, 2);
    expect(read(lines, 'Hz', 'l').value).toBeCloseTo(60, 1);
  });

  test('a rectified bus reads its mean, and its ripple on AC', () => {
    const lines = [
      '.model DR D(IS=5e-9 N=1.7 RS=0.02)',
      'V1 l n SIN(0 311 60)',
      'D1 l p DR',
      'D2 n p DR',
      'D3 0 l DR',
      'D4 0 n DR',
      'C1 p 0 220u',
      'RL p 0 470',
    ];
    const bus = read(lines, 'V=', 'p').value!;
    const ripple = read(lines, 'V~', 'p').value!;
    expect(bus).toBeGreaterThan(285);
    expect(bus).toBeLessThan(311);
    expect(ripple).toBeGreaterThan(3);
    expect(ripple).toBeLessThan(12);
  });

  test('above its bandwidth the true-RMS converter falls off', () => {
    const sine = (hertz: number) =>
      read([`V1 l 0 SIN(0 14.142 ${hertz})`, 'R1 l 0 1k'], 'V~', 'l').value!;
    expect(sine(60)).toBeCloseTo(10, 1);
    expect(sine(50_000)).toBeLessThan(1.2);
  });

  test('the bus decays after isolation, as its bleed says', () => {
    const live = circuit('V1 s 0 310', 'R1 s p 1', 'C1 p 0 100u', 'RB p 0 220k');
    const dead = changed(live, ['set v1 0', 'open r1']);
    const { updates } = track(
      chargedAs(dead, live),
      { function: 'V=', red: 'p', black: '0' },
      { seconds: 44, start: 'initial' },
    );
    // The meter's 10 MΩ lie beside the bleed: τ = 100 µF · 215.3 kΩ = 21.5 s.
    const at = (t: number) => updates.find((each) => each.t >= t)!.value!;
    expect(at(21.5)).toBeCloseTo(310 * Math.exp(-1), -1);
    expect(at(43)).toBeCloseTo(310 * Math.exp(-2), -1);
  });

  test('OL stands above the highest range', () => {
    expect(read(['V1 a 0 1500', 'R1 a 0 1meg'], 'V=', 'a').flags).toContain('OL');
  });
});

describe('amps, capacitance, insulation', () => {
  test('in series it burdens, across a supply its fuse blows', () => {
    expect(read(['V1 a 0 1', 'R1 b 0 900'], 'A=', 'a', 'b').value).toBeCloseTo(1 / 1000, 5);
    const { hazards, flags, value } = read(['V1 a 0 24'], 'A=', 'a');
    expect(flags).toContain('fuse');
    expect(value).toBe(0);
    expect(hazards[0]).toMatchObject({ kind: 'meter-fuse' });
  });

  test('a clamp reads the current of the lead it lies around', () => {
    const lines = circuit('V1 l 0 SIN(0 311 60)', 'R1 l m 0.01', 'R2 m 0 22');
    expect(measure(lines, { function: 'clamp~', red: '0', clamp: 'r1' }).value).toBeCloseTo(
      9.99,
      1,
    );
  });

  test('capacitance is a time of charging: sound, weak, shorted, open', () => {
    const of = (changes: string[]) =>
      measure(changed(circuit('C1 a b 45u', 'RX b 0 1g'), changes), {
        function: 'capacitance',
        red: 'a',
        black: 'b',
      });
    expect(of([]).value! * 1e6).toBeCloseTo(45, 0);
    expect(of(['scale c1 0.5']).value! * 1e6).toBeCloseTo(22.5, 0);
    expect(of(['short c1']).flags).toContain('OL');
    expect(of(['open c1']).value).toBeLessThan(1e-9);
  });

  test('insulation drives 500 V, and what stands behind may not bear it', () => {
    const winding = ['RI u fr 20meg', 'RX fr 0 1g'];
    expect(read(winding, 'insulation', 'u', 'fr').value).toBeCloseTo(20e6, -6);
    const { hazards } = read(['RP pin 0 50meg', '*@ rated pin 7'], 'insulation', 'pin');
    expect(hazards[0]).toMatchObject({ kind: 'destroyed', node: 'pin' });
  });
});

describe('the instrument itself', () => {
  test('its error is its own, stays, and lies within what is stated', () => {
    const lines = ['V1 a 0 120', 'R1 a 0 1k'];
    const one = { deviation: instrument(dice(5)) };
    const first = read(lines, 'V=', 'a', '0', {}, one).value!;
    expect(read(lines, 'V=', 'a', '0', {}, one).value).toBe(first);
    const range = BENCH_METER.functions[0]!.ranges[3]!;
    expect(Math.abs(first - 120)).toBeLessThanOrEqual(
      (120 * range.percent) / 100 + range.counts * range.resolution,
    );
    const shown = new Set(
      Array.from(
        { length: 20 },
        (_, i) => read(lines, 'V=', 'a', '0', {}, { deviation: instrument(dice(i + 1)) }).value,
      ),
    );
    expect(shown.size).toBeGreaterThan(5);
  });

  test('a display settles over a few updates', () => {
    const {
      updates: [first, ...rest],
    } = track(
      circuit('V1 a 0 100', 'R1 a 0 1k'),
      { function: 'V=', red: 'a', black: '0' },
      { seconds: 3 },
    );
    expect(first!.value).toBeLessThan(90);
    expect(rest.at(-1)!.value).toBe(100);
    expect(first!.t).toBe(0.25);
  });

  test('places and functions that are not there are refused', () => {
    const lines = ['V1 a 0 5', 'R1 a 0 1k'];
    expect(() => read(lines, 'V=', 'x')).toThrow(UnknownReferenceError);
    expect(() => read(lines, 'clamp~', 'a', '0', { clamp: 'r9' })).toThrow(UnknownReferenceError);
    expect(() => read(lines, 'sparks' as MeterFunction, 'a')).toThrow(InvalidInputError);
  });
});

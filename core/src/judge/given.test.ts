import type { Curve } from '../curves/schema';
import { limitsOf } from './expectation';
import { askedBy, asTemperature, resolveExpectation } from './given';
import { parseGiven } from './given-words';
import { parallelCouldExplain } from './isolation';
import { judge } from './judge';
import { judgePurposes } from './purpose';
import { expectWords, limitProblem, outcomesOf } from './test-expectation';

const ntc: Curve = { id: 'ntc', kind: 'ntc-beta', r25: 10_000, beta: 3435 };
const steps: Curve = {
  id: 'steps',
  kind: 'table',
  points: [
    [0, 30_000],
    [50, 4000],
  ],
};
const value = (x: number) => ({ kind: 'value' as const, value: x });

test('the label of this very unit gives the limits: 205 V ± 2 %', () => {
  const label = { kind: 'label', asks: 'Vs', percent: 2, unit: 'V' } as const;
  expect(askedBy(label)).toEqual({ asks: 'Vs', unit: 'V' });
  expect(resolveExpectation(label, undefined, [])).toBeUndefined();
  const plain = resolveExpectation(label, 205, [])!;
  expect(plain).toMatchObject({ kind: 'nominal', value: 205, percent: 2, from: 'label' });
  expect(judge({ expect: plain, reading: value(208) }).verdict).toBe('in');
  expect(judge({ expect: plain, reading: value(212) }).verdict).toBe('out');
});

test('a reference instrument: gauge 400 kPa, display 415 kPa, ± 20 kPa', () => {
  const expect20 = { kind: 'reference', asks: 'gauge', plusMinus: 20e3, unit: 'Pa' } as const;
  const plain = resolveExpectation(expect20, 400e3, [])!;
  expect(judge({ expect: plain, reading: value(415e3) }).verdict).toBe('in');
  expect(judge({ expect: plain, reading: value(425e3) }).verdict).toBe('out');
});

test('a sensor is compared as a temperature: within 2 K of 20 °C', () => {
  const curve = { kind: 'curve', curve: 'ntc', within: 2, unit: 'ohm' } as const;
  expect(askedBy(curve)).toMatchObject({ unit: 'degC' });
  const plain = resolveExpectation(curve, 20, [ntc])!;
  // 21.5 °C and 23 °C by the beta equation
  const ohms = (t: number) => 10_000 * Math.exp(3435 * (1 / (t + 273.15) - 1 / 298.15));
  expect(judge({ expect: plain, reading: value(ohms(21.5)) }).verdict).toBe('in');
  expect(judge({ expect: plain, reading: value(ohms(23)) })).toMatchObject({ outcome: 'low' });
  expect(asTemperature(curve, ohms(21.5), [ntc])).toBeCloseTo(21.5, 6);
});

test('an ice bath needs no thermometer; beyond the curve there are no limits', () => {
  const ice = { kind: 'curve', curve: 'ntc', within: 0.7, at: 0, unit: 'ohm' } as const;
  expect(askedBy(ice)).toBeUndefined();
  expect(resolveExpectation(ice, undefined, [ntc])).toMatchObject({ kind: 'between' });
  const hot = { kind: 'curve', curve: 'steps', within: 2, unit: 'ohm' } as const;
  expect(resolveExpectation(hot, 300, [steps])).toBeUndefined();
  expect(limitProblem({ ...hot, at: 300 }, [steps])).toMatch('beyond the ends');
  expect(limitProblem(hot, [])).toMatch('no curve “steps”');
});

test('a count is a count: three clicks, not four', () => {
  const three = { kind: 'count', value: 3, unit: 'count' } as const;
  const plain = resolveExpectation(three, undefined, [])!;
  expect(judge({ expect: plain, reading: value(3) }).verdict).toBe('in');
  expect(judge({ expect: plain, reading: value(4) }).outcome).toBe('high');
  expect(judge({ expect: plain, reading: value(0) }).outcome).toBe('none');
  expect(outcomesOf(three, 'count', [])).toEqual(['ok', 'low', 'none', 'high', 'open']);
});

test('the purpose picks the limit: at 38 V unplug, do not measure ohms', () => {
  const bus = (high: number) => ({ kind: 'atMost' as const, high, unit: 'V' as const });
  const answers = judgePurposes(
    [
      { id: 'unplug', title: 'unplug', expect: bus(60) },
      { id: 'ohms', title: 'measure resistance', expect: bus(24) },
    ],
    { reading: value(38), function: 'V=' },
  );
  expect(answers.map(({ allowed }) => allowed)).toEqual([true, false]);
});

test('an absence owes contact before it accuses; a good absence does not', () => {
  const rail = { kind: 'nominal', value: 12, percent: 10, unit: 'V' } as const;
  expect(judge({ expect: rail, reading: value(0) }).contactOwed).toBe(true);
  expect(judge({ expect: rail, reading: value(9) }).contactOwed).toBe(false);
  const fuse = { kind: 'atMost', high: 1, unit: 'ohm' } as const;
  expect(judge({ expect: fuse, reading: { kind: 'overload' } }).contactOwed).toBe(true);
  const open = { kind: 'open', above: 1e6, unit: 'ohm' } as const;
  expect(judge({ expect: open, reading: { kind: 'overload' } }).contactOwed).toBe(false);
});

test('limits that nobody stated are the house’s, and say so', () => {
  const about = { kind: 'nominal', value: 5, percent: 10, unit: 'V', from: 'house' } as const;
  expect(judge({ expect: about, reading: value(5) }).assumed).toBe(true);
  expect(expectWords(about)).toMatch('house tolerance');
});

describe('a path that lies beside what is measured', () => {
  const between = { kind: 'between', low: 400, high: 900, unit: 'ohm' } as const;
  const atLeast = { kind: 'atLeast', low: 400, unit: 'ohm' } as const;
  const atMost = { kind: 'atMost', high: 900, unit: 'ohm' } as const;
  const micro = { kind: 'nominal', value: 40e-6, percent: 10, unit: 'F' } as const;
  /** Whether the path could have made the figure what it is. */
  test.each([
    ['a resistance below its band', between, 100, 'lowers', true],
    // 900 Ω of something else beside an open resistor reads 500 Ω just as well.
    ['a resistance within its band', between, 500, 'lowers', true],
    ['a resistance above its band', between, 2000, 'lowers', false],
    ['at least, met', atLeast, 500, 'lowers', false],
    ['at least, not met', atLeast, 100, 'lowers', true],
    ['at most, met', atMost, 500, 'lowers', true],
    ['at most, not met', atMost, 2000, 'lowers', false],
    ['a capacitance below its band', micro, 20e-6, 'raises', false],
    ['a capacitance within its band', micro, 40e-6, 'raises', true],
    ['a capacitance above its band', micro, 60e-6, 'raises', true],
    ['a continuity that is there', atMost, 1, 'fakes', true],
    ['a continuity that is not there', atMost, 5000, 'fakes', false],
  ] as const)('%s: %s at %s, where it %s it: %s', (_, expectation, at, effect, could) => {
    expect(parallelCouldExplain(judge({ expect: expectation, reading: value(at) }), effect)).toBe(
      could,
    );
  });
});

test('every expectation has its words', () => {
  const V = { unit: 'V' as const };
  const words = [
    expectWords({ kind: 'label', asks: 'x', percent: 2, ...V }),
    expectWords({ kind: 'reference', asks: 'x', plusMinus: 1, ...V }),
    expectWords({ kind: 'curve', curve: 'ntc', within: 2, at: 0, unit: 'ohm' }),
    expectWords({ kind: 'count', value: 3, unit: 'count' }),
    expectWords({ kind: 'steady', spread: 0.1, seconds: 5, ...V }),
    expectWords({ kind: 'decays', below: 24, seconds: 120, ...V }),
    expectWords({ kind: 'falls', by: 4, seconds: 60, unit: 'degC' }),
    expectWords({ kind: 'holds', low: 1, high: 3, seconds: 5, ...V }),
    expectWords({ kind: 'pulses', threshold: 6, seconds: 5, count: [1, 2], period: [1, 2], ...V }),
    expectWords({ kind: 'step', event: 'flame', before: [1, 2], after: [0, 1], ...V }),
    expectWords({ kind: 'follows', driver: 'rate', low: 1, ...V }),
    expectWords({ kind: 'acts-at', event: 'opens', low: 1, high: 2, ...V }),
    expectWords({ kind: 'within', event: 'hot', level: 20, side: 'above', after: [1, 2], ...V }),
    expectWords({ kind: 'flexed', high: 1, spread: 0.5, ...V }),
    expectWords({ kind: 'pattern', is: 'once-then-dark', seconds: 5, unit: 'count' }),
  ];
  for (const each of words) expect(each).not.toMatch(/undefined|NaN/);
  expect(words).toContain('below 24\u2009V within 120 s');
  expect(words).toContain('exactly 3');
});

describe('what stands beside a given figure', () => {
  const label = { kind: 'label', asks: 'coil', printed: true, unit: 'ohm' } as const;
  test('a printed tolerance makes the limits: 4.7 kΩ ± 5 %', () => {
    expect(askedBy(label)).toEqual({ asks: 'coil', unit: 'ohm', printed: true });
    expect(limitProblem(label, [])).toBeUndefined();
    expect(resolveExpectation(label, 4700, [])).toBeUndefined();
    const plain = resolveExpectation(label, { value: 4700, plusMinus: 235 }, [])!;
    expect(limitsOf(plain)).toEqual({ low: 4465, high: 4935 });
  });
  test('it takes the place of what the sheet says', () => {
    const two = { kind: 'label', asks: 'Vs', percent: 2, unit: 'V' } as const;
    const plain = resolveExpectation(two, { value: 200, plusMinus: 10 }, [])!;
    expect(limitsOf(plain)).toEqual({ low: 190, high: 210 });
  });
  test('at most what the plate says', () => {
    const plate = { kind: 'label', asks: 'amps', bound: 'atMost', percent: 10, unit: 'A' } as const;
    expect(limitProblem(plate, [])).toBeUndefined();
    expect(resolveExpectation(plate, 5, [])).toMatchObject({ kind: 'atMost', high: 5.5 });
    expect(expectWords(plate)).toBe('at most the label ± 10 %');
  });
  test('a thermometer that may be off by 0.5 K blurs a sensor’s limits by what that is in ohms', () => {
    const curve = { kind: 'curve', curve: 'ntc', within: 2, unit: 'ohm' } as const;
    const sharp = resolveExpectation(curve, 20, [ntc])!;
    const blurred = resolveExpectation(curve, { value: 20, plusMinus: 0.5 }, [ntc])!;
    expect(limitsOf(blurred)).toEqual(limitsOf(sharp));
    // dR/dT = −R·β/T² = −12 171 · 3435 / 293.15² = −486.5 Ω/K; half a kelvin of it
    expect(blurred.limitHalf).toBeCloseTo(243.3, 0);
  });
  test.each([
    ['205', 'V', { value: 205 }],
    ['4.7k ±5%', 'ohm', { value: 4700, plusMinus: 235 }],
    ['21.5 +/- 0,5', 'degC', { value: 21.5, plusMinus: 0.5 }],
    ['12.5+-0.3', 'A', { value: 12.5, plusMinus: 0.3 }],
  ] as const)('%s is understood', (typed, unit, given) => {
    expect(parseGiven(typed, unit)).toMatchObject({ kind: 'value', ...given });
  });
  test.each(['5 ±', '5 ±x', '±5%', '5 ±-1', '5 ± OL'])('%s is not', (typed) => {
    expect(parseGiven(typed, 'V').kind).not.toBe('value');
  });
});

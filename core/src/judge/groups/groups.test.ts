import fc from 'fast-check';
import type { Expectation } from '../expectation';
import { judge } from '../judge';
import { type Accuracy } from '../reading';
import { unbalancePercent } from './balance';
import type { GroupReading } from './readings';
import {
  judgeEarly,
  judgeTogether,
  pointsOf,
  ruleOutcomes,
  ruleTitle,
  type TogetherRule,
} from './index';
import { ruleLimitWords } from './limit-words';
import { nameTerminals } from './sum';
import type { Unit } from '../../units/units';

const ohms: Expectation = { kind: 'between', low: 1, high: 100, unit: 'ohm' };
const drop: Expectation = { kind: 'between', low: 0.33, high: 0.62, unit: 'V' };
const blocked: Expectation = { kind: 'atLeast', low: 1.2, unit: 'V' };

function take(
  id: string,
  value: number | 'OL',
  expect: Expectation = ohms,
  { meter, red, black, fn }: { meter?: Accuracy; red?: string; black?: string; fn?: string } = {},
): GroupReading {
  const reading =
    value === 'OL' ? ({ kind: 'overload' } as const) : ({ kind: 'value', value } as const);
  return {
    id,
    unit: expect.unit,
    reading,
    judgement: judge({ expect, reading, ...(meter && { meter }), ...(fn && { function: fn }) }),
    ...(red && { red }),
    ...(black && { black }),
  };
}
const three = (a: number | 'OL', b: number | 'OL', c: number | 'OL', meter?: Accuracy) => [
  take('UV', a, ohms, { ...(meter && { meter }) }),
  take('VW', b, ohms, { ...(meter && { meter }) }),
  take('WU', c, ohms, { ...(meter && { meter }) }),
];

describe('balance', () => {
  const rule: TogetherRule = { id: 'a', kind: 'balance', percent: 4 };
  test('7.0, 7.1 and 6.6 Ω lie 4.35 % off their mean: unequal at 4 %, and the odd one is named', () => {
    expect(unbalancePercent([7, 7.1, 6.6])).toBeCloseTo(4.3478, 4);
    const got = judgeTogether(rule, three(7, 7.1, 6.6));
    expect(got).toMatchObject({ verdict: 'out', outcome: 'unequal' });
    expect(got.sentence).toMatch('WU stands out');
    expect(judgeTogether({ ...rule, percent: 5 }, three(7, 7.1, 6.6)).verdict).toBe('in');
  });
  test('the meter’s doubt can hide it: cannot tell, and what would', () => {
    const got = judgeTogether(rule, three(7, 7.1, 6.65, { percent: 1, absolute: 0.2 }));
    expect(got.verdict).toBe('cannot-tell');
    expect(got.sentence).toMatch('finest range');
    expect(got.p.ok! + got.p.unequal!).toBeCloseTo(1, 9);
  });
  test('one OL among figures is unequal; all OL are equal', () => {
    expect(judgeTogether(rule, three(7, 'OL', 7)).outcome).toBe('unequal');
    expect(judgeTogether(rule, three('OL', 'OL', 'OL')).verdict).toBe('in');
  });
  test('a spread in volts: 0.44 to 0.46 V within 0.04 V', () => {
    const rule: TogetherRule = { id: 'a', kind: 'balance', spread: 0.04 };
    const drops = (c: number) => [take('U', 0.44, drop), take('V', 0.45, drop), take('W', c, drop)];
    expect(judgeTogether(rule, drops(0.46)).verdict).toBe('in');
    expect(judgeTogether(rule, drops(0.53)).verdict).toBe('out');
  });
  test('around zero there is no ratio, and no NaN', () => {
    const got = judgeTogether(rule, three(-1, 0, 1));
    expect(got.verdict).toBe('out');
    expect(Object.values(got.p)).toEqual([0, 1]);
    expect(judgeTogether(rule, three(0, 0, 0)).verdict).toBe('in');
  });
});

describe('sum', () => {
  const rule: TogetherRule = { id: 's', kind: 'sum', percent: 5 };
  const windings = (a: number, b: number, c: number) => [
    { red: 'm.1', black: 'm.2', value: a },
    { red: 'm.2', black: 'm.3', value: b },
    { red: 'm.3', black: 'm.1', value: c },
  ];
  const motor = (a: number | 'OL', b: number, c: number) => [
    take('12', a, ohms, { red: 'm.1', black: 'm.2' }),
    take('23', b, ohms, { red: 'm.2', black: 'm.3' }),
    take('31', c, ohms, { red: 'm.3', black: 'm.1' }),
  ];
  test('8.0 = 5.5 + 2.5: holds; common is 3, run 1, start 2', () => {
    const got = judgeTogether(rule, motor(8, 5.5, 2.5));
    expect(got.verdict).toBe('in');
    expect(got.sentence).toMatch('Common is 3, run 1, start 2');
    expect(nameTerminals(windings(8, 5.5, 2.5))).toEqual({ common: '3', run: '1', start: '2' });
  });
  test('7.0 is not 5.5 + 2.5; an open winding is open', () => {
    expect(judgeTogether(rule, motor(7, 5.5, 2.5)).outcome).toBe('sum');
    expect(judgeTogether(rule, motor('OL', 5.5, 2.5)).outcome).toBe('open');
  });
  test('without three terminals nothing is named', () => {
    expect(judgeTogether(rule, three(8, 5.5, 2.5)).sentence).not.toMatch('Common');
    expect(nameTerminals(windings(8, 5.5, 2.5).slice(1))).toBeUndefined();
    expect(
      nameTerminals([...windings(8, 5.5, 2.5).slice(1), { red: 'm.1', black: 'm.4', value: 1 }]),
    ).toBeUndefined();
  });
});

describe('same, ratio, removed', () => {
  const volts: Expectation = { kind: 'nominal', value: 120, percent: 10, unit: 'V' };
  test('119.8 and 119.6 V within a volt clear the piece between; 119.8 and 0 accuse it', () => {
    const rule: TogetherRule = { id: 's', kind: 'same', plusMinus: 1 };
    expect(judgeTogether(rule, [take('a', 119.8, volts), take('b', 119.6, volts)]).verdict).toBe(
      'in',
    );
    expect(judgeTogether(rule, [take('a', 119.8, volts), take('b', 0, volts)]).outcome).toBe(
      'apart',
    );
    expect(judgeTogether(rule, [take('a', 'OL'), take('b', 'OL')]).verdict).toBe('in');
    expect(judgeTogether(rule, [take('a', 'OL'), take('b', 3)]).outcome).toBe('apart');
  });
  test('percent of the second, the reference', () => {
    const rule: TogetherRule = { id: 's', kind: 'same', percent: 5 };
    expect(judgeTogether(rule, [take('a', 104, volts), take('b', 100, volts)]).verdict).toBe('in');
    expect(judgeTogether(rule, [take('a', 106, volts), take('b', 100, volts)]).verdict).toBe('out');
  });
  test('5.0 V that keeps 2.0 under load has the ratio 0.40', () => {
    const rule: TogetherRule = {
      id: 'r',
      kind: 'ratio',
      loaded: 'l',
      unloaded: 'u',
      low: 0.3,
      high: 0.6,
    };
    const got = judgeTogether(rule, [take('l', 2, volts), take('u', 5, volts)]);
    expect(got).toMatchObject({ verdict: 'in', corrected: 0.4 });
    expect(judgeTogether(rule, [take('l', 0.4, volts), take('u', 5, volts)]).outcome).toBe('sags');
    expect(judgeTogether(rule, [take('l', 5, volts), take('u', 5, volts)]).outcome).toBe('stiff');
    expect(judgeTogether(rule, [take('l', 0, volts), take('u', 0, volts)]).verdict).toBe(
      'not-settled',
    );
  });
  test('a rail that comes back without its fan was dragged down by it', () => {
    const rail: Expectation = { kind: 'nominal', value: 12, percent: 10, unit: 'V' };
    const rule: TogetherRule = {
      id: 'r',
      kind: 'removed',
      inPlace: 'w',
      without: 'o',
      what: 'the fan',
    };
    const got = (w: number, o: number) =>
      judgeTogether(rule, [take('w', w, rail), take('o', o, rail)]);
    expect(got(3.1, 12.1)).toMatchObject({
      outcome: 'load',
      sentence: expect.stringContaining('the fan') as string,
    });
    expect(got(3.1, 3.1).outcome).toBe('source');
    expect(got(12, 12).verdict).toBe('in');
    expect(got(12, 3).outcome).toBe('needs-it');
  });
});

describe('junctions', () => {
  const oneWay: TogetherRule = { id: 'w', kind: 'one-way', forward: 'f', reverse: 'r' };
  const both = (f: number | 'OL', r: number | 'OL') =>
    judgeTogether(oneWay, [
      take('f', f, drop, { fn: 'diode' }),
      take('r', r, blocked, { fn: 'diode' }),
    ]).outcome;
  test('0.52 V one way and OL the other is sound; every other pair has its name', () => {
    expect(both(0.52, 'OL')).toBe('ok');
    expect(both(0, 0)).toBe('short');
    expect(both(0.52, 0.52)).toBe('short');
    expect(both('OL', 'OL')).toBe('open');
    expect(both('OL', 0.5)).toBe('reversed');
  });

  const matrix: TogetherRule = {
    id: 'm',
    kind: 'matrix',
    forward: ['UP', 'VP', 'WP'],
    blocked: ['PU', 'PV', 'PW'],
    spread: 0.04,
  };
  const bridge = (forward: (number | 'OL')[], back: (number | 'OL')[]) =>
    judgeTogether(matrix, [
      ...forward.map((v, i) =>
        take(matrix.kind === 'matrix' ? matrix.forward[i]! : '', v, drop, { fn: 'diode' }),
      ),
      ...back.map((v, i) =>
        take(matrix.kind === 'matrix' ? matrix.blocked[i]! : '', v, blocked, { fn: 'diode' }),
      ),
    ]);
  test('three drops that agree and three that block: sound', () => {
    expect(bridge([0.44, 0.45, 0.46], ['OL', 'OL', 'OL'])).toMatchObject({
      verdict: 'in',
      sentence: '3 drops agree, 3 block.',
    });
  });
  test('one short decides and is named, then one open leg, then disagreement', () => {
    const short = bridge([0.44, 0, 'OL'], ['OL', 0.001, 'OL']);
    expect(short.outcome).toBe('short');
    expect(short.sentence).toMatch('VP, PV');
    expect(bridge([0.44, 'OL', 0.45], ['OL', 'OL', 'OL'])).toMatchObject({
      outcome: 'open',
      sentence: 'Does not conduct at VP.',
    });
    expect(bridge([0.35, 0.45, 0.55], ['OL', 'OL', 'OL']).outcome).toBe('unequal');
  });
  test('before the last reading only a short is told, and always where the readings so far show one', () => {
    const pairs = ['UP', 'VP', 'WP', 'PU', 'PV', 'PW'] as const;
    const figure = fc.constantFrom(
      0,
      0.001,
      0.02,
      0.1,
      0.2,
      0.3,
      0.35,
      0.45,
      0.55,
      1.2,
      'OL' as const,
    );
    fc.assert(
      fc.property(fc.array(figure, { minLength: 1, maxLength: 5 }), (figures) => {
        const readings = figures.map((v, i) =>
          take(pairs[i]!, v, i < 3 ? drop : blocked, { fn: 'diode' }),
        );
        const here = pairs.slice(0, figures.length);
        const part = { ...matrix, forward: here.slice(0, 3), blocked: here.slice(3) };
        const whole = judgeTogether(part as TogetherRule, readings);
        expect(judgeEarly(matrix, readings)?.outcome).toBe(
          whole.outcome === 'short' && whole.verdict === 'out' ? 'short' : undefined,
        );
      }),
    );
  });
});

test('commanded and not delivered, not commanded, and witnesses that disagree', () => {
  const rule: TogetherRule = {
    id: 'w',
    kind: 'witnesses',
    command: 'hz',
    witnesses: ['amps', 'cold'],
  };
  const at = (hz: number, amps: number, cold: number) =>
    judgeTogether(rule, [
      take('hz', hz, { kind: 'atLeast', low: 30, unit: 'Hz' }),
      take('amps', amps, { kind: 'between', low: 4, high: 16, unit: 'A' }),
      take('cold', cold, { kind: 'atLeast', low: 2, unit: 'degC' }),
    ]);
  expect(at(60, 8, 4).verdict).toBe('in');
  expect(at(60, 0, 0)).toMatchObject({
    outcome: 'not-delivered',
    sentence: expect.stringContaining('between the command and the motor') as string,
  });
  expect(at(0, 0, 0).outcome).toBe('not-commanded');
  expect(at(60, 8, 0)).toMatchObject({
    outcome: 'contradictory',
    sentence: expect.stringContaining('cold') as string,
  });
});

test('what a rule allows is said with its unit, kelvins between temperatures', () => {
  const said = (rule: object, unit: Unit) =>
    ruleLimitWords({ id: 'r', ...rule } as TogetherRule, unit);
  expect(said({ kind: 'same', plusMinus: 3 }, 'V')).toBe('± 3\u2009V');
  expect(said({ kind: 'balance', spread: 0.04 }, 'V')).toBe('at most 0.04\u2009V apart');
  expect(said({ kind: 'sum', percent: 10 }, 'ohm')).toBe('within 10 %');
  expect(said({ kind: 'differs', least: 6e5 }, 'Pa')).toBe('at least 600\u2009kPa apart');
  expect(said({ kind: 'difference', first: 'a', less: 'b', low: 4, high: 12 }, 'degC')).toBe(
    '4 to 12\u2009K',
  );
  expect(said({ kind: 'ratio', loaded: 'a', unloaded: 'b', low: 0.3, high: 0.5 }, 'V')).toBe(
    '0.3 to 0.5',
  );
  expect(said({ kind: 'equal' }, 'ohm')).toBe('');
});

describe('difference and differs', () => {
  const water: Expectation = { kind: 'between', low: -20, high: 60, unit: 'degC' };
  const rule: TogetherRule = {
    id: 'd',
    kind: 'difference',
    first: 'in',
    less: 'out',
    low: 4,
    high: 7,
  };
  const between = (a: number, b: number, meter?: Accuracy) =>
    judgeTogether(rule, [
      take('in', a, water, { ...(meter && { meter }) }),
      take('out', b, water, { ...(meter && { meter }) }),
    ]);
  test('12.3 less 7.1 °C is 5.2 K: in; 3.1 K is low, 9 K high, wherever both lie', () => {
    expect(between(12.3, 7.1)).toMatchObject({ verdict: 'in', outcome: 'ok' });
    expect(between(12.3, 7.1).corrected).toBeCloseTo(5.2, 9);
    expect(between(12.3, 7.1).sentence).toBe(
      'The difference is 5.2\u2009K; 4 to 7\u2009K is right.',
    );
    expect(between(40.2, 37.1)).toMatchObject({ verdict: 'out', outcome: 'low' });
    expect(between(12, 3)).toMatchObject({ verdict: 'out', outcome: 'high' });
  });
  test('one meter’s gain is common to both and all but falls out; its counts do not', () => {
    // 2 % of 60 °C would be 1.2 K each; of their difference it is 0.1 K.
    expect(between(60, 55.2, { percent: 2, absolute: 0 }).verdict).toBe('in');
    expect(between(60, 55.8, { percent: 0, absolute: 1 }).verdict).toBe('cannot-tell');
  });
  test('pressures that must not be equal, and an overload that has no difference', () => {
    const pumps: TogetherRule = { id: 'p', kind: 'differs', least: 2e5 };
    const at = (a: number | 'OL', b: number) => {
      const wide: Expectation = { kind: 'between', low: 0, high: 5e6, unit: 'Pa' };
      return judgeTogether(pumps, [take('suction', a, wide), take('discharge', b, wide)]);
    };
    expect(at(9.8e5, 9.8e5)).toMatchObject({ verdict: 'out', outcome: 'equal' });
    expect(at(4.2e5, 18e5).verdict).toBe('in');
    expect(at('OL', 18e5).verdict).toBe('not-settled');
  });
});

describe('equal, whatever they read', () => {
  const rule: TogetherRule = { id: 'e', kind: 'equal' };
  const meter: Accuracy = { percent: 0.5, absolute: 0.03 };
  test('2.31, 2.30, 2.32 Ω are equal for this meter; 2.95 Ω among them is not', () => {
    expect(judgeTogether(rule, three(2.31, 2.3, 2.32, meter))).toMatchObject({ outcome: 'ok' });
    expect(judgeTogether(rule, three(2.31, 2.3, 2.32, meter)).verdict).toBe('in');
    expect(judgeTogether(rule, three(2.31, 2.3, 2.95, meter))).toMatchObject({
      verdict: 'out',
      outcome: 'unequal',
    });
  });
  test('three equal digits are equal by any meter; with an exact one any difference is one', () => {
    expect(judgeTogether(rule, three(2.3, 2.3, 2.3, { percent: 5, absolute: 1 })).verdict).toBe(
      'in',
    );
    expect(judgeTogether(rule, three(2.31, 2.3, 2.3)).verdict).toBe('out');
  });
  test('a coarser meter never finds more unequal', () => {
    const figure = fc.double({ min: 1, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(figure, figure, figure), ([a, b, c]) => {
        const fine = judgeTogether(rule, three(a, b, c, { percent: 0, absolute: 0.05 }));
        const coarse = judgeTogether(rule, three(a, b, c, { percent: 0, absolute: 0.5 }));
        if (fine.verdict === 'in') expect(coarse.verdict).toBe('in');
      }),
      { numRuns: 20 },
    );
  });
});

describe('the legs of a supply', () => {
  const rule: TogetherRule = {
    id: 'l',
    kind: 'legs',
    legs: ['L1', 'L2', 'L3'],
    pairs: ['UV', 'VW', 'WU'],
  };
  const mains: Expectation = { kind: 'nominal', value: 380, percent: 10, unit: 'V' };
  const at = (...volts: readonly [number, number, number]) =>
    judgeTogether(
      rule,
      volts.map((v, i) => take(['UV', 'VW', 'WU'][i]!, v, mains)),
    );
  test('381, 194 and 187 V: L3 is lost, and what it shows is fed backwards', () => {
    const got = at(381, 194, 187);
    expect(got).toMatchObject({ verdict: 'out', outcome: 'lost' });
    expect(got.sentence).toMatch(/^L3 is lost.*194.V that it shows are fed backwards/);
    expect(at(190, 382, 3).sentence).toMatch(/^L1 is lost.*fed backwards/);
    expect(at(2, 1, 380).sentence).toBe(
      'L2 is lost: both pairs with it are wrong, the third is right.',
    );
  });
  test('all right, none right, and one pair alone, which no lost leg does', () => {
    expect(at(381, 379, 383).outcome).toBe('ok');
    expect(at(0, 0, 0).outcome).toBe('none');
    expect(at(381, 379, 250).outcome).toBe('unequal');
  });
});

describe('a contact in two states', () => {
  const rest: Expectation = { kind: 'open', above: 1e6, unit: 'ohm' };
  const called: Expectation = { kind: 'atMost', high: 1, unit: 'ohm' };
  const rule: TogetherRule = { id: 's', kind: 'switches', open: 'rest', closed: 'called' };
  const both = (a: number | 'OL', b: number | 'OL') =>
    judgeTogether(rule, [take('rest', a, rest), take('called', b, called)]).outcome;
  test('open then closed; welded, dead, and the other contact', () => {
    expect(both('OL', 0.2)).toBe('ok');
    expect(both(0.2, 0.2)).toBe('stuck-closed');
    expect(both('OL', 'OL')).toBe('stuck-open');
    expect(both(0.2, 'OL')).toBe('reversed');
  });
});

test('nothing one way and OL the other contradict each other: repeated, not condemned', () => {
  const rule: TogetherRule = { id: 'w', kind: 'one-way', forward: 'f', reverse: 'b' };
  const got = judgeTogether(rule, [
    take('f', 0, drop, { fn: 'diode' }),
    take('b', 'OL', blocked, { fn: 'diode' }),
  ]);
  expect(got.verdict).toBe('not-settled');
  expect(got.sentence).toMatch('repeat both');
});

test('of three where two are open, the terminal that they share is named', () => {
  const rule: TogetherRule = { id: 'a', kind: 'balance', percent: 4 };
  const got = judgeTogether(rule, [
    take('UV', 'OL', ohms, { red: 'm.U', black: 'm.V' }),
    take('VW', 'OL', ohms, { red: 'm.V', black: 'm.W' }),
    take('WU', 7, ohms, { red: 'm.W', black: 'm.U' }),
  ]);
  expect(got.sentence).toMatch('Both touch V: it is open there.');
});

const RULES: readonly TogetherRule[] = [
  { id: 'r', kind: 'balance', percent: 5 },
  { id: 'r', kind: 'balance', spread: 0.5 },
  { id: 'r', kind: 'sum', percent: 5, points: ['a', 'b', 'c'] },
  { id: 'r', kind: 'same', plusMinus: 1, points: ['a', 'b'] },
  { id: 'r', kind: 'ratio', loaded: 'a', unloaded: 'b', low: 0.2, high: 0.8 },
  { id: 'r', kind: 'one-way', forward: 'a', reverse: 'b' },
  { id: 'r', kind: 'matrix', forward: ['a', 'b'], blocked: ['c'], spread: 0.1 },
  { id: 'r', kind: 'witnesses', command: 'a', witnesses: ['b', 'c'] },
  { id: 'r', kind: 'removed', inPlace: 'a', without: 'b' },
  { id: 'r', kind: 'equal' },
  { id: 'r', kind: 'difference', first: 'a', less: 'b', low: -3, high: 5 },
  { id: 'r', kind: 'differs', least: 2, points: ['a', 'b'] },
  { id: 'r', kind: 'switches', open: 'a', closed: 'b' },
  { id: 'r', kind: 'legs', legs: ['L1', 'L2', 'L3'], pairs: ['a', 'b', 'c'] },
];

test('every rule names its points, its outcomes and itself', () => {
  for (const rule of RULES) {
    expect(pointsOf(rule, ['a', 'b', 'c']).length).toBeGreaterThanOrEqual(2);
    expect(ruleOutcomes(rule)[0]).toBe('ok');
    expect(ruleTitle(rule)).not.toBe('');
  }
});

const figure = fc.oneof(fc.double({ min: -1e4, max: 1e4, noNaN: true }), fc.constant<'OL'>('OL'));
const accuracy = fc.record({
  percent: fc.double({ min: 0, max: 5, noNaN: true }),
  absolute: fc.double({ min: 0, max: 10, noNaN: true }),
});

test('any readings at all: probabilities sum to 1, name possible outcomes, and nothing is NaN', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...RULES),
      fc.tuple(figure, figure, figure),
      accuracy,
      (rule, values, meter) => {
        const readings = pointsOf(rule, ['a', 'b', 'c']).map((id, i) =>
          take(id, values[i]!, ohms, { meter }),
        );
        const got = judgeTogether(rule, readings);
        const p = Object.values(got.p);
        expect(p.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
        for (const each of p) expect(each).toBeGreaterThanOrEqual(-1e-9);
        for (const outcome of Object.keys(got.p)) expect(ruleOutcomes(rule)).toContain(outcome);
        expect(got.sentence).not.toMatch(/NaN|undefined/);
      },
    ),
    { numRuns: 600 },
  );
});

test('scale-free: kilohms in balance judge as ohms do', () => {
  const positive = fc.double({ min: 1, max: 1e3, noNaN: true });
  fc.assert(
    fc.property(fc.tuple(positive, positive, positive), (values) => {
      const at = (scale: number) =>
        judgeTogether(
          { id: 'r', kind: 'balance', percent: 5 },
          values.map((v, i) => take(`${i}`, v * scale, ohms)),
        ).verdict;
      expect(at(1024)).toBe(at(1));
    }),
  );
});

test('monotone: moving one of three further from equal never makes balance likelier', () => {
  const step = fc.double({ min: 0, max: 5, noNaN: true });
  fc.assert(
    fc.property(step, step, (a, b) => {
      const [near, far] = [Math.min(a, b), Math.max(a, b)];
      const at = (off: number) =>
        judgeTogether(
          { id: 'r', kind: 'balance', percent: 5 },
          three(7, 7, 7 + off, { percent: 1, absolute: 0.1 }),
        ).p.ok!;
      expect(at(far)).toBeLessThanOrEqual(at(near) + 1e-9);
    }),
  );
});

import fc from 'fast-check';
import { InvalidInputError } from '../errors';
import { daysBetween, outageCost, swapCost, warrantyEnd } from './business';
import { findFormula, FORMULAS } from './catalogue/index';
import {
  capacitanceUnderLoad,
  dischargeTime,
  heaterOhms,
  insulationAt40,
  leastInsulation,
  nearestTap,
  rectifiedPeak,
  rectifiedThreePhase,
  timeConstant,
} from './electricity';
import { answer, outputAt, pictureOf, startValues } from './formula';
import { airPressure, SEA_LEVEL, subcooling, superheat } from './refrigeration';
import { saturationPressure } from './refrigerants';

describe('circuits, worked by hand', () => {
  test('buses', () => {
    expect(rectifiedPeak(220)).toBeCloseTo(311.13, 2);
    expect(rectifiedThreePhase(380)).toBeCloseTo(513.18, 2);
  });
  test('2200 µF over 47 kΩ from 310 to 24 V: 264.5 s', () => {
    expect(dischargeTime(47_000, 2200e-6, 310, 24)).toBeCloseTo(103.4 * Math.log(310 / 24), 6);
    expect(dischargeTime(47_000, 2200e-6, 20, 24)).toBe(0);
    expect(() => dischargeTime(0, 1e-3, 310, 24)).toThrow(InvalidInputError);
  });
  test('180 to 95 V in a minute is τ = 93.9 s', () => {
    expect(timeConstant(180, 95, 60)).toBeCloseTo(93.88, 1);
    expect(() => timeConstant(95, 180, 60)).toThrow('lower');
  });
  test('3.9 A at 290 V and 60 Hz is 35.7 µF, which is 2650·I/V', () => {
    expect(capacitanceUnderLoad(3.9, 290, 60) * 1e6).toBeCloseTo((2652.58 * 3.9) / 290, 2);
  });
  test('2200 W at 220 V is 22 Ω', () => expect(heaterOhms(220, 2200)).toBeCloseTo(22, 9));
  test('24 MΩ at 20 °C is 6 MΩ at 40 °C; 380 V wants 1.38 MΩ', () => {
    expect(insulationAt40(24e6, 20)).toBeCloseTo(6e6, 3);
    expect(leastInsulation(380)).toBeCloseTo(1.38e6, 3);
  });
  test('228 V lies nearest to the 220 V tap', () => {
    expect(nearestTap(228, [208, 220, 240])).toBe(220);
    expect(() => nearestTap(228, [])).toThrow(InvalidInputError);
  });
});

describe('refrigeration', () => {
  test('air is thinner higher up: 89.9 kPa at 1000 m', () => {
    expect(airPressure(0)).toBe(SEA_LEVEL);
    expect(airPressure(1000) / 1000).toBeCloseTo(89.87, 1);
  });
  test('superheat from the dew line, subcooling from the bubble line', () => {
    const suction = saturationPressure('R-407C', 'dew', 2);
    expect(superheat('R-407C', suction, 9)).toBeCloseTo(7, 6);
    const liquid = saturationPressure('R-407C', 'bubble', 40);
    expect(subcooling('R-407C', liquid, 34)).toBeCloseTo(6, 6);
    // On the wrong line of a blend it would be several kelvin off.
    expect(Math.abs(superheat('R-407C', liquid, 40))).toBeGreaterThan(3);
  });
});

describe('dates and money', () => {
  test.each([
    ['2024-03-15', 24, '2026-03-14'],
    ['2024-01-31', 1, '2024-02-29'],
    ['2023-12-01', 12, '2024-11-30'],
    ['2024-02-29', 12, '2025-02-28'],
  ])('%s and %d months end on %s', (from, months, end) => {
    expect(warrantyEnd(from, months)).toBe(end);
  });
  test('days that are none', () => {
    for (const day of ['2024-02-30', '2024-13-01', 'soon', ''])
      expect(() => warrantyEnd(day, 12)).toThrow(InvalidInputError);
    expect(daysBetween('2024-02-28', '2024-03-01')).toBe(2);
  });
  test('a swap at 60 % for 420 with 15 % restocking and 90 labour costs 367.20', () => {
    expect(swapCost({ price: 420, restock: 0.15, labour: 90, chance: 0.6 })).toBeCloseTo(367.2, 9);
    expect(outageCost(180, 48)).toBe(8640);
  });
});

describe('the catalogue', () => {
  test('ids are unique and found', () => {
    expect(new Set(FORMULAS.map(({ id }) => id)).size).toBe(FORMULAS.length);
    expect(findFormula('ntc')?.title).toMatch('NTC');
    expect(findFormula('?')).toBeUndefined();
  });

  test.each(FORMULAS.map((formula) => [formula.id, formula] as const))(
    '%s answers from its own start',
    (_, formula) => {
      const values = startValues(formula);
      const halves = Object.fromEntries(
        formula.inputs.flatMap((input) =>
          input.kind === 'number' && input.plusMinus ? [[input.id, input.plusMinus]] : [],
        ),
      );
      const got = answer(formula, values, halves);
      expect(got.outputs.length + got.remarks.length).toBeGreaterThan(0);
      for (const output of got.outputs) {
        expect(Number.isFinite(output.value)).toBe(true);
        if (Object.keys(halves).length > 0 && output.u !== undefined)
          expect(output.u).toBeGreaterThanOrEqual(0);
      }
      expect(formula.source).not.toBe('');
      if (formula.picture) {
        const points = pictureOf(formula, values);
        expect(points.length).toBeGreaterThan(40);
        expect(Number.isFinite(outputAt(formula, values, formula.picture.output))).toBe(true);
      }
    },
  );

  test('an answer carries the uncertainty of what went in', () => {
    const lead = findFormula('lead-zero')!;
    const got = answer(
      lead,
      { numbers: { shown: 0.8, leads: 0.3 }, texts: {} },
      { shown: 0.2, leads: 0.2 },
    );
    // u² = 2·(0.2/√3)²
    expect(got.outputs[0]).toMatchObject({
      value: expect.closeTo(0.5, 9) as number,
      u: expect.closeTo(0.2 * Math.sqrt(2 / 3), 9) as number,
    });
    expect(
      answer(lead, { numbers: { shown: 0.8, leads: 0.3 }, texts: {} }).outputs[0]!.u,
    ).toBeUndefined();
  });

  test('0.0047 µF is 4.7 nF is 4700 pF', () => {
    const { outputs } = findFormula('prefixes')!.compute({
      numbers: { figure: 0.0047 },
      texts: { prefix: 'micro' },
    });
    const at = (id: string) => outputs.find((each) => each.id === id)!;
    expect(at('nano')).toMatchObject({ value: expect.closeTo(4.7, 9) as number, main: true });
    expect(at('pico').value).toBeCloseTo(4700, 6);
    expect(outputs.filter(({ main }) => main)).toHaveLength(1);
  });

  test('the supply check tells a star from split-phase and from a lost neutral', () => {
    const supply = findFormula('supply')!;
    const said = (l1: number, l2: number, ll: number) =>
      supply.compute({ numbers: { l1, l2, ll, l3: NaN }, texts: {} }).remarks[0]!.text;
    expect(said(127, 127, 220)).toMatch('star');
    expect(said(120, 120, 240)).toMatch('split-phase');
    expect(said(120, 120, 0)).toMatch('same one');
    expect(said(90, 160, 180)).toMatch('neutral');
    // The phasor sum alone would call this a star.
    expect(said(120, 0, 120)).toMatch('missing');
  });

  test('no figures at all make a formula crash with anything but its own error', () => {
    const any = fc.double({ min: -1e6, max: 1e6, noNaN: false });
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMULAS),
        fc.array(any, { minLength: 8, maxLength: 8 }),
        (formula, figures) => {
          const start = startValues(formula);
          const numbers = Object.fromEntries(
            Object.keys(start.numbers).map((id, i) => [id, figures[i % 8]!]),
          );
          try {
            formula.compute({ ...start, numbers });
          } catch (error) {
            expect(error).toBeInstanceOf(InvalidInputError);
          }
        },
      ),
      { numRuns: 500 },
    );
  });
});

import { judgeTaken } from '../job/findings/judge-taken';
import { smallSheet } from '../../test/small-sheet';
import type { MeasureTest, Sheet } from '../sheet/schema';
import type { Expectation } from './expectation';
import { asInsulated } from './insulation';

const expect100: Expectation = {
  kind: 'atLeast',
  low: 100e6,
  unit: 'ohm',
  statedAt: { seconds: 60, celsius: 40 },
};

test('100 MΩ after 60 s at 40 °C is 400 MΩ at 20 °C and 50 MΩ at 50 °C', () => {
  expect(asInsulated(expect100, { seconds: 60, celsius: 20 })).toMatchObject({ low: 400e6 });
  expect(asInsulated(expect100, { seconds: 90, celsius: 50 })).toMatchObject({ low: 50e6 });
});

test('read too soon it tells nothing; what is not known is taken as stated', () => {
  expect(asInsulated(expect100, { seconds: 15, celsius: 40 })).toMatch('after 60 s');
  expect(asInsulated(expect100, {})).toEqual(expect100);
  expect(asInsulated(expect100, undefined)).toEqual(expect100);
  const plain: Expectation = { kind: 'atLeast', low: 1e6, unit: 'ohm' };
  expect(asInsulated(plain, { seconds: 1, celsius: 90 })).toBe(plain);
});

test('in a job: 150 MΩ is low at 20 °C, in at 40 °C, and not settled after 15 s', () => {
  const test: MeasureTest = {
    ...(smallSheet.tests[0] as MeasureTest),
    function: 'insulation',
    expect: expect100,
  };
  const at = (insulation: { seconds?: number; celsius?: number }) =>
    judgeTaken(
      smallSheet as Sheet,
      test,
      test.points[0]!,
      { kind: 'value', value: 150e6 },
      {
        meters: [],
        insulation,
      },
    )!;
  expect(at({ seconds: 60, celsius: 20 })).toMatchObject({ verdict: 'out', outcome: 'low' });
  expect(at({ seconds: 60, celsius: 40 }).verdict).toBe('in');
  expect(at({ seconds: 15, celsius: 40 })).toMatchObject({ verdict: 'not-settled' });
});

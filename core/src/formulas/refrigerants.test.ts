import fc from 'fast-check';
import { InvalidInputError } from '../errors';
import {
  COLDEST,
  criticalTemperature,
  REFRIGERANT_NAMES,
  saturationPressure,
  saturationTemperature,
  type Refrigerant,
  type SaturationLine,
} from './refrigerants';

describe('saturation pressures agree with published tables within 0.5 %', () => {
  test.each<[Refrigerant, SaturationLine, number, number]>([
    ['R-134a', 'dew', 0, 292.8],
    ['R-134a', 'dew', 40, 1016.6],
    ['R-290', 'dew', 20, 836.5],
    ['R-32', 'dew', 20, 1474.6],
    ['R-404A', 'dew', 0, 600.3],
    ['R-407C', 'dew', 0, 460.7],
    ['R-407C', 'bubble', 0, 567.9],
  ])('%s %s at %d °C: %d kPa', (name, line, t, kPa) => {
    expect(Math.abs(saturationPressure(name, line, t) / 1000 / kPa - 1)).toBeLessThan(0.005);
  });
});

test('at the critical temperature the pressure is the critical one, and beyond it an error', () => {
  for (const name of REFRIGERANT_NAMES) {
    const t = criticalTemperature(name);
    expect(saturationPressure(name, 'dew', t - 1e-6)).toBeGreaterThan(3e6);
    expect(() => saturationPressure(name, 'dew', t + 1)).toThrow(InvalidInputError);
    expect(() => saturationPressure(name, 'bubble', COLDEST - 1)).toThrow(InvalidInputError);
    expect(() => saturationTemperature(name, 'dew', 9e6)).toThrow(InvalidInputError);
    expect(() => saturationTemperature(name, 'dew', NaN)).toThrow(InvalidInputError);
  }
});

const anyFluid = fc.constantFrom(...REFRIGERANT_NAMES);
const anyLine = fc.constantFrom<SaturationLine>('bubble', 'dew');

test('pressure rises with temperature, bubble never below dew, and the way back returns', () => {
  fc.assert(
    fc.property(
      anyFluid,
      anyLine,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (name, line, share) => {
        const t = COLDEST + share * (criticalTemperature(name) - 3 - COLDEST);
        const p = saturationPressure(name, line, t);
        expect(saturationPressure(name, line, t + 1)).toBeGreaterThan(p);
        expect(saturationTemperature(name, line, p)).toBeCloseTo(t, 5);
        const [bubble, dew] = (['bubble', 'dew'] as const).map((l) =>
          saturationPressure(name, l, t),
        );
        expect(bubble! - dew!).toBeGreaterThan(-0.002 * dew!);
      },
    ),
  );
});

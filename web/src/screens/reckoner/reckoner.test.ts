import { readFigure } from './number-entry';
import {
  answerWords,
  figureWords,
  shownUnit,
  START_CHOICES,
  toShown,
  toSi,
} from './quantity-units';

const units = START_CHOICES;

test('a temperature and a difference of temperatures are not the same in °F', () => {
  const fahrenheit = { ...units, temperature: '°F' as const };
  expect(toShown(100, shownUnit('temperature', fahrenheit, 100))).toBeCloseTo(212, 9);
  expect(toSi(32, shownUnit('temperature', fahrenheit, 0))).toBeCloseTo(0, 9);
  expect(toShown(10, shownUnit('temperature-difference', fahrenheit, 10))).toBeCloseTo(18, 9);
});

test('pressures in kPa, bar and psi', () => {
  const at = (pressure: 'kPa' | 'bar' | 'psi') =>
    toShown(1e5, shownUnit('pressure', { ...units, pressure }, 1e5));
  expect([at('kPa'), at('bar'), at('psi')]).toEqual([100, 1, expect.closeTo(14.5038, 4)]);
});

test('ohms, farads and amps take their prefix from their size', () => {
  const symbol = (quantity: 'resistance' | 'capacitance' | 'current', size: number) =>
    shownUnit(quantity, units, size).symbol;
  expect([
    symbol('resistance', 4700),
    symbol('resistance', 0.3),
    symbol('capacitance', 45e-6),
    symbol('current', 3e-6),
  ]).toEqual(['kΩ', 'Ω', 'µF', 'µA']);
});

test('an answer stands to the place that its uncertainty reaches', () => {
  const kelvin = shownUnit('temperature-difference', units, 6);
  expect(answerWords(6.1273, 0.6, kelvin)).toEqual({ figure: '6.1', spread: '1.2' });
  expect(answerWords(-6.1273, 0.006, kelvin)).toEqual({ figure: '\u22126.127', spread: '0.012' });
  expect(answerWords(1234.5, 60, kelvin)).toEqual({ figure: '1230', spread: '120' });
  expect(answerWords(1.23456, undefined, kelvin)).toEqual({ figure: '1.235', spread: undefined });
  expect(figureWords(NaN, kelvin)).toBe('—');
});

test('figures as technicians type them, in the unit beside the field or with a prefix of their own', () => {
  const kilo = shownUnit('resistance', units, 4700);
  expect(readFigure('4,7', kilo)).toBe(4700);
  expect(readFigure('470', kilo)).toBe(470_000);
  expect(readFigure('470m', kilo)).toBeCloseTo(0.47, 9);
  expect(readFigure('2.2M', kilo)).toBe(2.2e6);
  expect(readFigure('\u22123', kilo)).toBe(-3000);
  expect(readFigure('', kilo)).toBeNaN();
  expect(readFigure('4 x', kilo)).toBeUndefined();
});

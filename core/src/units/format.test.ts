import { InvalidInputError } from '../errors';
import { formatQuantity, splitQuantity } from './format';
import { asUnit, unitSymbol, type Unit } from './units';

test.each<[number, Unit, string]>([
  [1950, 'ohm', '1.95\u2009kΩ'],
  [0.46, 'V', '0.46\u2009V'],
  [0.0046, 'V', '4.6\u2009mV'],
  [0.3, 'ohm', '0.3\u2009Ω'],
  [12e-6, 'A', '12\u2009µA'],
  [0.25, 'A', '250\u2009mA'],
  [999.96, 'ohm', '1\u2009kΩ'],
  [1e7, 'ohm', '10\u2009MΩ'],
  [-12.1, 'V', '\u221212.1\u2009V'],
  [0, 'V', '0\u2009V'],
  [23.456, 'degC', '23.46\u2009°C'],
  [47e-6, 'F', '47\u2009µF'],
])('%p %p is set as %p', (value, unit, set) => {
  expect(formatQuantity(value, unit)).toBe(set);
});

test('digits and unit come apart for setting the reading large', () => {
  expect(splitQuantity(5200, 'ohm')).toEqual({ digits: '5.2', unit: 'kΩ' });
});

test('a unit has one symbol, and an unknown one is refused', () => {
  expect(unitSymbol('ohm')).toBe('Ω');
  expect(asUnit('V')).toBe('V');
  expect(() => asUnit('furlong')).toThrow(InvalidInputError);
});

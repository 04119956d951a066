/** Sums written and read. */
import { amountIn, money } from './money';

test('whole and grouped, with the sign of the shop', () => {
  expect(money(1234.6, '')).toBe('1,235');
  expect(money(0.4, '€')).toBe('€\u20090');
});

test('either decimal mark is read; what is no sum is none', () => {
  expect(amountIn(' 12,5 ')).toBe(12.5);
  expect(amountIn('0')).toBe(0);
  for (const text of ['', '  ', '-1', '1e12', 'x', '1.2.3', 'Infinity'])
    expect(amountIn(text)).toBeUndefined();
});

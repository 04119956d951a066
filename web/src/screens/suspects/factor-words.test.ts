/** Factors in words, either way. */
import { sized, timesWords } from './factor-words';

test('two figures, for and against, and no more than a thousand', () => {
  expect([14.3, 1.52, 1 / 120, 1, 5e6, 1e-9].map(timesWords)).toEqual([
    '×14',
    '×1.5',
    '÷120',
    '×1',
    '×>1000',
    '÷>1000',
  ]);
  expect([3.14, 2e9].map(sized)).toEqual(['3.1', 'more than 1000']);
});

import { smallSheet } from '../../test/small-sheet';
import { matchCode, normaliseCode } from './match';

test('case and spaces do not matter', () => {
  expect(normaliseCode(' e 1 ')).toBe('E1');
  expect(matchCode(smallSheet, 'e1')?.title).toBe('No output');
});
test('a code that the sheet does not list is not guessed', () => {
  expect(matchCode(smallSheet, 'E11')).toBeUndefined();
});

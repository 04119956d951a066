import { smallSheet } from '../../../test/small-sheet';
import { decodeCode, matchCode, normaliseCode } from './match';
import { codePattern } from './pattern';

test('case and spaces do not matter', () => {
  expect(normaliseCode(' e 1 ')).toBe('E1');
  expect(matchCode(smallSheet, 'e1')?.title).toBe('No output');
});
test('a code that the sheet does not list is not guessed', () => {
  expect(matchCode(smallSheet, 'E11')).toBeUndefined();
});

describe('patterns', () => {
  test('groups are counted and matched; case does not matter', () => {
    const pattern = codePattern('^(\\d{2})([a-c])?$')!;
    expect(pattern.groups).toBe(2);
    expect(pattern.match('47B')).toEqual(['47B', '47', 'B']);
    expect(pattern.match('47')).toEqual(['47', '47', undefined]);
    expect(pattern.match('4')).toBeUndefined();
  });

  test('what is no pattern, or would have to go back, is none', () => {
    for (const source of ['(', '[a', '(a)\\1', '(?=a)b', 'a{5000}'])
      expect(codePattern(source)).toBeUndefined();
  });

  test('a pattern that would keep a backtracking matcher busy for ever is done in a moment', () => {
    const codes = { schemes: [{ pattern: '^((\\w+)+)+(-)$', code: 1, unit: 3 }], list: [] };
    // A matcher that goes back needs more than 2 to the power of 60 steps for this.
    expect(decodeCode({ codes } as never, 'A'.repeat(60))).toEqual({ code: 'A'.repeat(60) });
    expect(decodeCode({ codes } as never, 'AB-')).toEqual({ code: 'AB', unit: '-' });
  });
});

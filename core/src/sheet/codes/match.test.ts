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

describe('spellings and schemes', () => {
  const codes = {
    schemes: [
      { id: 'remote', shown: 'digits' as const, pattern: '^E-(\\d+)$', code: 1 },
      { id: 'unit', shown: 'digits' as const, pattern: '^(\\d{2})(\\d)$', code: 1, unit: 2 },
    ],
    list: [
      { code: '47', title: 'Current', suspects: {}, also: ['U4-07', '48'] },
      { code: '48', title: 'Voltage', suspects: {} },
    ],
  };
  const decode = (shown: string, said?: string) => decodeCode({ codes }, shown, said);
  test('a scheme without a unit is tried too, and the first that leads to a listed code decides', () => {
    expect(decode('e-47')).toMatchObject({ code: '47', listed: { title: 'Current' } });
    expect(decode('e-47')).not.toHaveProperty('unit');
    expect(decode('472')).toMatchObject({ code: '47', unit: '2', listed: { code: '47' } });
    expect(decode('992')).toEqual({ code: '99', unit: '2' });
  });
  test('another spelling finds it, and never takes a code’s own name from it', () => {
    expect(decode('u4-07').listed?.title).toBe('Current');
    expect(decode('48').listed?.title).toBe('Voltage');
  });
  test('the unit that was said is kept where the display names none', () => {
    expect(decode('47', '3')).toMatchObject({ code: '47', unit: '3' });
  });
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

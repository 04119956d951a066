/** Status words, bit by bit. */
import { flaggedCodes } from './flags';

const sheet = (more: object = {}) => ({
  codes: {
    schemes: [
      { id: 'plain', shown: 'digits' as const, pattern: '^E\\d$' },
      {
        id: 'status',
        shown: 'digits' as const,
        pattern: '^0X([0-9A-F]{2})$',
        code: 1,
        flags: { '1': 'E2', '4': 'E5', '6': 'X9' },
        ...more,
      },
    ],
    list: [
      { code: 'E2', title: 'Probe', suspects: {} },
      { code: 'E5', title: 'Door', suspects: {} },
    ],
  },
});
const said = (shown: string, more?: object) =>
  flaggedCodes(sheet(more), shown)?.map(
    ({ bit, code, listed }) => `${bit} ${code} ${listed?.title}`,
  );

test('each bit that is set is a code; one that the sheet does not list is said without words', () => {
  expect(said('0x12')).toEqual(['1 E2 Probe', '4 E5 Door']);
  expect(said(' 0X52 ')).toEqual(['1 E2 Probe', '4 E5 Door', '6 X9 undefined']);
});

test('no named bit, no number, another pattern: nothing', () => {
  for (const shown of ['0x00', '0x01', '0xG1', 'E2', '', '0x123'])
    expect(said(shown)).toBeUndefined();
});

test('in another base, and without a pattern', () => {
  expect(said('10010', { pattern: undefined, code: undefined, base: 2 })).toEqual([
    '1 E2 Probe',
    '4 E5 Door',
  ]);
  expect(said('18', { pattern: undefined, code: undefined, base: 10 })).toEqual([
    '1 E2 Probe',
    '4 E5 Door',
  ]);
  expect(said('9'.repeat(40), { pattern: undefined, code: undefined, base: 10 })).toBeUndefined();
});

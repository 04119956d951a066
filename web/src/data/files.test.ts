import { decodeText } from './files';

const bytes = (...all: number[]) => new Uint8Array(all);
const utf8 = (text: string) => new TextEncoder().encode(text);

test('UTF-8 with and without its mark', () => {
  expect(decodeText(utf8('4,7 kΩ'), 'a')).toMatchObject({
    ok: true,
    text: '4,7 kΩ',
    encoding: 'utf-8',
  });
  expect(decodeText(bytes(0xef, 0xbb, 0xbf, 0x41), 'a')).toMatchObject({ text: 'A' });
});

test('what a spreadsheet writes in its old code page, and UTF-16 by its mark', () => {
  // “Ligação” in windows-1252
  expect(decodeText(bytes(0x4c, 0x69, 0x67, 0x61, 0xe7, 0xe3, 0x6f), 'a')).toMatchObject({
    text: 'Ligação',
    encoding: 'windows-1252',
  });
  expect(decodeText(bytes(0xff, 0xfe, 0x41, 0, 0x42, 0), 'a')).toMatchObject({
    text: 'AB',
    encoding: 'utf-16le',
  });
  expect(decodeText(bytes(0xfe, 0xff, 0, 0x41), 'a')).toMatchObject({ text: 'A' });
});

test('a spreadsheet’s own format is named as what it is not', () => {
  expect(decodeText(bytes(0x50, 0x4b, 3, 4, 0, 0), 'pins.xlsx')).toMatchObject({
    ok: false,
    problem: expect.stringContaining('Save the table as CSV') as string,
  });
});

/** Tables of codes, parts and pins into a sheet, and what stands for what on one machine. */
import { smallSheet } from '../../test/small-sheet';
import { readSheet } from '../validate';
import { standsFor } from './expand/stands-for';
import { pasteCodes, pasteParts, pastePins } from './paste-table';
import type { WrittenSheet } from './schema';

const sheet = structuredClone(smallSheet) as WrittenSheet;

test('codes: new ones are added, known ones completed, a row without a code is named', () => {
  const got = pasteCodes(sheet, [
    ['Error code', 'Meaning', 'Possible causes', 'Description'],
    ['E1', 'Nothing comes out.', '', ''],
    ['E2', '', 'fuse; loose plug', 'Hot'],
    ['', 'x', '', ''],
    ['E1', 'Nothing comes out.', '', ''],
  ]);
  expect(got).toMatchObject({ added: 1, changed: 1, problems: [{ row: 4 }] });
  expect(got.items).toMatchObject([
    { code: 'E1', title: 'No output', means: 'Nothing comes out.', suspects: { supply: 0.8 } },
    { code: 'E2', title: 'Hot', causes: ['fuse', 'loose plug'], suspects: {} },
  ]);
  const read = readSheet({ ...sheet, codes: { ...sheet.codes, list: got.items } });
  expect(read.ok).toBe(true);
});

test('parts: by number where there is one, else by name; figures as they are written', () => {
  const got = pasteParts(sheet, [
    ['Part no.', 'Name', 'Price', 'Minutes'],
    ['C-1', 'Control board', 'R$ 310,50', '40'],
    ['', 'Power board', '', '25'],
    ['C-9', 'Fã ventilador', '80', ''],
  ]);
  expect(got).toMatchObject({ added: 1, changed: 2, problems: [] });
  expect(got.items).toMatchObject([
    { id: 'board', price: 310.5, minutes: 40, before: ['Photograph the plugs.'] },
    { id: 'power', minutes: 25 },
    { id: 'fa-ventilador', number: 'C-9', price: 80 },
  ]);
});

test('pins: onto connectors that are there, and new ones put on the board', () => {
  const got = pastePins(sheet.boards[0]!, [
    ['Connector', 'Pin', 'Signal', 'Colour'],
    ['CN1', '1', '5 V', 'orange'],
    ['CN7', '2', 'ground', 'black'],
    ['CN7', 'pin 1', '12 V', 'red'],
    ['CN7', 'x', '', ''],
  ]);
  expect(got).toMatchObject({ added: 2, changed: 1, problems: [{ row: 5 }] });
  expect(got.items.connectors).toMatchObject([
    { id: 'CN1', pins: [{ n: 1, wire: 'orange' }, { n: 2 }] },
    {
      id: 'CN7',
      pins: [
        { n: 1, signal: '12 V' },
        { n: 2, signal: 'ground' },
      ],
    },
  ]);
  expect(sheet.boards[0]!.connectors).toHaveLength(1);
});

test('a table without its columns is one problem, and changes nothing', () => {
  const got = pasteCodes(sheet, [
    ['a', 'b'],
    ['1', '2'],
  ]);
  expect(got).toMatchObject({ added: 0, changed: 0, problems: [{ row: 1 }] });
  expect(got.items).toEqual(sheet.codes.list);
  expect(pasteParts(sheet, []).problems).toHaveLength(1);
});

test('what a thing written once stands for, and what this machine has not', () => {
  const written = structuredClone(sheet);
  written.repeats = [{ id: 'c', of: ['1', '2'] }];
  written.variants = [{ id: 'v', asks: 'Which?', answers: { a: 'va', b: 'vb' } }];
  written.parts.push(
    { per: 'c', id: 'fan-{c}', name: 'Fan {c}' },
    { only: ['vb'], id: 'valve', name: 'Valve' },
  );
  written.codes.list.push({ per: 'c', code: 'F', title: 'Fan', suspects: {} });
  const named = (v: string) =>
    standsFor(written, { v }).map(({ list, written: as, copies }) => [list, as, copies]);
  expect(named('va')).toEqual([
    ['codes/list', 'F', ['F, 1', 'F, 2']],
    ['parts', 'fan-{c}', ['fan-1', 'fan-2']],
    ['parts', 'valve', []],
  ]);
  expect(named('vb').at(-1)).toEqual(['parts', 'valve', ['valve']]);
});

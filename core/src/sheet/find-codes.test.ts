/** Codes and symptoms found across sheets. */
import { codeFinder } from './find-codes';

const facets = (codes: string[], symptoms: string[] = []) => ({
  kind: 'heat pump',
  models: ['X'],
  codes,
  symptoms,
  connectors: [],
  parts: [],
  boards: [],
  makers: [],
  tests: 1,
  faults: 1,
});
const finder = codeFinder([
  {
    id: 'a',
    title: 'Rooftop',
    maker: 'Norveda',
    facets: facets(['47 Compressor current', '47 Compressor current', '31 Coil sensor']),
  },
  {
    id: 'b',
    title: 'Brumal Chiller',
    maker: 'Brumal',
    facets: facets(['A12-2 Driver silent', '47 Water flow'], ['Does not cool, the lamp is lit']),
  },
]);
const said = (words: string) =>
  finder.find(words).map(({ sheetId, code, title }) => `${sheetId} ${code} ${title}`.trim());

test('by the code, each sheet once; with the maker only that one', () => {
  expect(said('47').sort()).toEqual(['a 47 Compressor current', 'b 47 Water flow']);
  expect(said('norveda 47')).toEqual(['a 47 Compressor current']);
});

test('by words, mistyped, begun or in another order', () => {
  for (const words of ['compressor curent', 'current comp', 'COMPRESOR'])
    expect(said(words)).toEqual(['a 47 Compressor current']);
  expect(said('sensr coil')).toEqual(['a 31 Coil sensor']);
});

test('its sheet is named with its maker, once', () => {
  expect(finder.find('47').map(({ sheet }) => sheet)).toEqual([
    'Norveda Rooftop',
    'Brumal Chiller',
  ]);
});

test('by a symptom, where there is no code', () => {
  expect(finder.find('lamp lit')[0]).toMatchObject({ kind: 'symptom', sheetId: 'b', code: '' });
});

test('a short code is never guessed, and nonsense finds nothing', () => {
  expect(said('48')).toEqual([]);
  for (const words of ['', '   ', 'zzzzzz', '"[(*', 'x'.repeat(10_000)])
    expect(finder.find(words)).toEqual([]);
});

test('sheets that list one very code', () => {
  expect(finder.listing(' a12-2 ').map(({ sheetId }) => sheetId)).toEqual(['b']);
  expect(finder.listing('A12')).toEqual([]);
});

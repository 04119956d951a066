/** What a point may say for itself: another end, a side, a warmth of its own, what a machine is also called. */
import { logWriter, provenDead, smallSheet } from '../../test/small-sheet';
import { checkSheet } from '../checks/check';
import { facetsOf, searchSheets } from '../sheet/search';
import type { MeasureTest, Sheet } from '../sheet/schema';
import { foldJob } from './fold/fold';
import { entryWords } from './kinds/said-of';
import { refusalOf } from './admission/refusal-of';

const sheet: Sheet = structuredClone(smallSheet);
const diode = sheet.tests[0] as MeasureTest;
diode.points[0]!.or = 'b.P';
sheet.curves = [{ id: 'ntc', kind: 'ntc-beta', r25: 10_000, beta: 3435 }];
sheet.tests.push({
  id: 'sensor',
  title: 'Sensor, cold and warm',
  how: 'measure',
  state: 'dead',
  access: { plug: 'out' },
  function: 'ohm',
  points: ['cold', 'warm'].map((id) => ({
    id,
    red: 'b.CN1.1',
    black: 'b.CN1.2',
    expect: { kind: 'curve', curve: 'ntc', within: 2, unit: 'ohm' },
  })),
  expect: { kind: 'curve', curve: 'ntc', within: 2, unit: 'ohm' },
});

const at = (point: string, value: number) => ({
  test: 'sensor',
  point,
  function: 'ohm' as const,
  reading: { kind: 'value' as const, value },
  typed: String(value),
});

test('neutral or earth: which one the black probe lay on is recorded and told', () => {
  const log = provenDead(logWriter(), 2);
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  const reading = log.add('reading', {
    test: 'diode',
    point: 'U',
    function: 'diode',
    reading: { kind: 'value', value: 0.45 },
    typed: '0.45',
    or: true,
  });
  const taken = foldJob(sheet, log.entries).current.get('diode@U')!;
  expect(taken).toMatchObject({
    point: { red: 'b.N', black: 'b.P' },
    judgement: { verdict: 'in' },
  });
  expect(entryWords(reading, sheet)).toMatch('Red on N, black on P');
  const none = log.make('reading', {
    ...at('cold', 0.4),
    test: 'diode',
    point: 'V',
    function: 'diode',
    or: true,
  });
  expect(refusalOf(sheet, foldJob(sheet, log.entries), none)?.code).toBe('unknown-place');
});

test('one sensor at two warmths: each point has its own reference, and is a finding of its own', () => {
  const log = provenDead(logWriter(), 2);
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  log.add('given', { test: 'sensor', point: 'cold', value: 0, typed: '0' });
  log.add('given', { test: 'sensor', point: 'warm', value: 25, typed: '25' });
  // 10 kΩ at 25 °C; at 0 °C β of 3435 K makes it 28.7 kΩ.
  log.add('reading', at('cold', 28_700));
  log.add('reading', at('warm', 12_500));
  const { current } = foldJob(sheet, log.entries);
  expect(current.get('sensor@cold')).toMatchObject({ given: 0, judgement: { verdict: 'in' } });
  expect(current.get('sensor@warm')).toMatchObject({
    given: 25,
    judgement: { verdict: 'out', outcome: 'high' },
  });
});

test('one that is asked for a point is not answered by another point’s', () => {
  const log = provenDead(logWriter(), 2);
  log.add('given', { test: 'sensor', point: 'cold', value: 0, typed: '0' });
  const asks = (point: string) =>
    refusalOf(sheet, foldJob(sheet, log.entries), log.make('reading', at(point, 1)))?.code;
  expect(asks('warm')).toBe('given-owed');
  expect(asks('cold')).not.toBe('given-owed');
});

test('a reading across the isolation of a supply is a problem of the sheet; insulation is not', () => {
  const wrong = structuredClone(smallSheet) as Sheet;
  wrong.boards[0]!.points![0]!.side = 'hot';
  wrong.boards[0]!.points![1]!.side = 'cold';
  const test = wrong.tests.find(({ id }) => id === 'out') as MeasureTest;
  expect(checkSheet(wrong)).toMatchObject([
    { code: 'side', path: `/tests/${wrong.tests.indexOf(test)}/points/0/black` },
  ]);
  Object.assign(test, {
    state: 'dead',
    function: 'insulation',
    expect: { kind: 'atLeast', low: 1e6, unit: 'ohm' },
  });
  expect(checkSheet(wrong).filter(({ code }) => code === 'side')).toEqual([]);
});

test('a part that comes with none is told', () => {
  const wrong = structuredClone(smallSheet) as Sheet;
  wrong.parts[0]!.contains = ['power', 'plug'];
  expect(checkSheet(wrong)).toMatchObject([{ path: '/parts/0/contains/1' }]);
});

test('a sheet is found by the number printed on a board, another maker’s name, another spelling', () => {
  const found = structuredClone(smallSheet) as Sheet;
  found.boards[0]!.numbers = ['NB-771-C'];
  found.equipment.makers = ['Somebody'];
  found.codes.list[0]!.also = ['F-17'];
  const item = { title: found.title, maker: 'Nobody', facets: facetsOf(found) };
  const by = (query: string) => searchSheets([item], query).map((each) => each.by);
  expect(by('771-c')).toEqual([['board NB-771-C Board']]);
  expect(by('somebody')).toEqual([[]]);
  expect(by('f-17')).toEqual([['code F-17 No output']]);
  expect(by('nothing')).toEqual([]);
});

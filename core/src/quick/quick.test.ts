import fc from 'fast-check';
import { readSheet } from '../validate';
import { foldJob } from '../job/fold/fold';
import { logWriter } from '../../test/small-sheet';
import { matchColumns, splitTable } from './columns';
import { HOUSE_TOLERANCE, parseExpected } from './expected';
import { slug } from './propose';
import { quickSheet, type QuickHead } from './quick-sheet';
import { readRows } from './rows';

const head: QuickHead = {
  id: 'q',
  maker: 'Fontelar',
  kind: 'cooler',
  model: 'FB-2',
  document: 'Door',
  supply: { system: 'single-phase', volts: 127, hertz: 60 },
  volts: 250,
  waitMinutes: 2,
};
const rowsOf = (text: string) => {
  const table = splitTable(
    text
      .trim()
      .split('\n')
      .map((line) => line.split('\t')),
  );
  return readRows(table, matchColumns(table));
};

describe('what a cell expects', () => {
  test.each<[string, object]>([
    ['4,7 kΩ ±5%', { kind: 'nominal', value: 4700, percent: 5, unit: 'ohm' }],
    ['4.75–5.25 V', { kind: 'between', low: 4.75, high: 5.25, unit: 'V' }],
    ['4.75 to 5.25 V', { kind: 'between', low: 4.75, high: 5.25, unit: 'V' }],
    ['0,33...0,62 V', { kind: 'between', low: 0.33, high: 0.62, unit: 'V' }],
    ['10k-12k', { kind: 'between', low: 10_000, high: 12_000, unit: 'ohm' }],
    ['5 ± 0.25 V', { kind: 'nominal', value: 5, plusMinus: 0.25, unit: 'V' }],
    ['4.7 kΩ +/- 0.2', { kind: 'nominal', value: 4700, plusMinus: 200, unit: 'ohm' }],
    ['> 1 MΩ', { kind: 'atLeast', low: 1e6, unit: 'ohm' }],
    ['max 0,5 Ω', { kind: 'atMost', high: 0.5, unit: 'ohm' }],
    ['OL', { kind: 'open', above: 1e6, unit: 'ohm' }],
    [
      'about 12 V',
      { kind: 'nominal', value: 12, percent: HOUSE_TOLERANCE, from: 'house', unit: 'V' },
    ],
    ['24 VAC', { kind: 'nominal', value: 24, unit: 'V' }],
  ])('%p', (cell, expect_) => {
    const read = parseExpected(cell, cell === '10k-12k' ? 'ohm' : undefined);
    expect(read).toMatchObject({ kind: 'expectation', expect: expect_ });
  });
  test.each(['abc', '5', '5 to V', '9 to 1 V', '5 V ± x', '1 V to 2 A'])(
    '%p is named, never guessed',
    (cell) => {
      expect(parseExpected(cell)).toMatchObject({
        kind: 'error',
        message: expect.stringContaining(cell) as string,
      });
    },
  );
  test('nothing is nothing; a unit of the column serves a bare figure', () => {
    expect(parseExpected('  ')).toEqual({ kind: 'empty' });
    expect(parseExpected('12', 'V')).toMatchObject({ expect: { value: 12, unit: 'V' } });
  });
  test('any text gives an answer, and limits are finite', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (cell) => {
        const read = parseExpected(cell, 'V');
        if (read.kind !== 'expectation') return;
        for (const each of Object.values(read.expect))
          if (typeof each === 'number') expect(Number.isFinite(each)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});

describe('headings', () => {
  test('words in any order, in two languages', () => {
    const table = splitTable([
      ['Pinos', 'Conector', 'Esperado', 'Unidade', 'Estado'],
      ['1-2', 'CN1', '12', 'V', 'standby'],
    ]);
    expect(matchColumns(table)).toEqual({ pins: 0, connector: 1, expected: 2, unit: 3, state: 4 });
    expect(table.firstRow).toBe(2);
  });
  test('merged heads: “Expected” over “min” and “max”, a title row above', () => {
    const table = splitTable([
      ['Pin table FB-2', '', '', '', ''],
      ['Connector', 'Pins', 'Expected', '', 'Unit'],
      ['', '', 'min', 'max', ''],
      ['CN1', '1-2', '11', '13', 'V'],
    ]);
    const map = matchColumns(table);
    expect(map).toMatchObject({ connector: 0, pins: 1, low: 2, high: 3, unit: 4 });
    expect(readRows(table, map).rows[0]?.expect).toEqual({
      kind: 'between',
      low: 11,
      high: 13,
      unit: 'V',
    });
  });
  test('without any heading the usual order is taken', () => {
    const table = splitTable([['CN1', '1-2', 'standby', '12 V', '']]);
    expect(matchColumns(table)).toMatchObject({ connector: 0, pins: 1, state: 2, expected: 3 });
    expect(readRows(table, matchColumns(table)).rows).toHaveLength(1);
  });
  test('an empty table is an empty table', () => {
    expect(splitTable([]).rows).toEqual([]);
    expect(readRows(splitTable([]), {}).rows).toEqual([]);
  });
});

describe('rows', () => {
  test('merged cells downwards: connector and state carry on, a new connector starts anew', () => {
    const { rows } = rowsOf(
      'Connector\tPins\tState\tExpected\nCN1\t1-2\tstandby\t12 V\n\t3-4\t\t5 V\nCN2\t1-2\t\t4,7 kΩ',
    );
    expect(rows.map((row) => [row.connector, row.energy, row.function])).toEqual([
      ['CN1', 'live', 'V='],
      ['CN1', 'live', 'V='],
      ['CN2', 'dead', 'ohm'],
    ]);
  });
  test('mains is AC where nothing is said; DC, diode and AC when they are', () => {
    const { rows } = rowsOf(
      'Connector\tPins\tState\tExpected\tFunction\nA\t1-2\ton\t127 V\t\nA\t1-2\ton2\t180 V\tDC\nA\t3-4\toff\t0.3-0.6 V\tdiode\nA\t5-6\ton\t24 VAC\t',
    );
    expect(rows.map((row) => row.function)).toEqual(['V~', 'V=', 'diode', 'V~']);
  });
  test('what is wrong is named with its row; nothing is dropped', () => {
    const { rows, problems } = rowsOf(
      'Connector\tPins\tState\tExpected\tUnit\n\t1-2\ton\t12 V\t\nCN1\t3\ton\t12 V\t\nCN1\t1-2\ton\t\t\nCN1\t1-2\ton\t12\tfurlong\nCN1\t1-2\trunning\t5 kΩ\t\nCN1\t4-4\ton\t1 V\t',
    );
    expect(rows).toEqual([]);
    expect(problems.map(({ row, column }) => [row, column])).toEqual([
      [2, 'connector'],
      [3, 'pins'],
      [4, 'low'],
      [5, 'unit'],
      [6, 'state'],
      [7, 'pins'],
    ]);
  });
  test('the same pair twice in one state is kept, and named', () => {
    const { rows, problems } = rowsOf(
      'Connector\tPins\tState\tExpected\nCN1\t1-2\ton\t12 V\nCN1\t1-2\ton\t5 V',
    );
    expect(rows).toHaveLength(2);
    expect(problems[0]!.message).toMatch('row 2');
  });
});

describe('the sheet made of it', () => {
  const table =
    'Connector\tPins\tState\tExpected\tSignal\nCN1\t1-2\tstandby\t127 V ±10%\tmains\nCN2\t1-2\tstandby\t12 V\tfan\nCN3\t1-2\toff\t4,7 kΩ ±5%\tsensor\nCN4\t1-GND\toff\t8–14 Ω\tcoil\nCN4\t2-GND\toff\tOL\tcoil to frame';
  test('passes every check, and proposes board, supply, loads and harnesses', () => {
    const sheet = quickSheet(head, rowsOf(table).rows);
    const read = readSheet(JSON.parse(JSON.stringify(sheet)));
    expect(read.ok ? [] : read.problems).toEqual([]);
    expect(read.ok && read.warnings.filter(({ code }) => code === 'unknown-field')).toEqual([]);
    const parts = sheet.parts.map(({ name }) => name).join('; ');
    for (const word of ['Control board', 'Supply', 'Load or sensor at CN3', 'Harness at CN4'])
      expect(parts).toMatch(word);
    expect(sheet.boards[0]!.connectors![3]!.pins.map(({ n, signal }) => [n, signal])).toEqual([
      [1, 'coil'],
      [2, 'coil to frame'],
      [3, 'GND'],
    ]);
  });
  test('a broken wire reads open or more, never less: on “at least 1 MΩ” it shows nothing', () => {
    const rows =
      'Connector\tPins\tState\tExpected\nCN5\t1-2\toff\t8–14 Ω\nCN5\t1-3\toff\t> 1 MΩ\nCN5\t1-4\toff\t10 µF ±5%';
    const sheet = quickSheet(head, rowsOf(rows).rows);
    const harness = sheet.faults.find(({ id }) => id.startsWith('harness'))!;
    expect(Object.values(harness.shows)).toEqual([
      { open: 0.8, high: 0.2 },
      { none: 0.8, low: 0.2 },
    ]);
    expect(Object.keys(harness.shows).some((each) => each.includes('1-3'))).toBe(false);
  });
  test('a job can be worked with it at once', () => {
    const sheet = quickSheet(head, rowsOf(table).rows);
    const log = logWriter();
    log.add('opened', { complaint: 'warm', meter: null });
    log.add('energised', { precautions: true });
    const state = foldJob(sheet, log.entries);
    expect(state.energy.kind).toBe('live');
  });
  test('two figures of one pair are one load with both', () => {
    const split = splitTable([
      ['Connector', 'Pins', 'State', 'Expected'],
      ['CN1', '5 GND', '', '10 µF'],
      ['CN1', '5 GND', '', '4,7 kΩ'],
      ['CN1', '1 GND', '', '12 V'],
    ]);
    const { rows, problems } = readRows(split, matchColumns(split));
    expect(problems).toEqual([]);
    const sheet = quickSheet(head, rows);
    expect(sheet.faults.filter(({ id }) => id.startsWith('load-')).map(({ id }) => id)).toEqual([
      'load-CN1-5-GND',
    ]);
    const read = readSheet(JSON.parse(JSON.stringify(sheet)));
    expect(read.ok ? [] : read.problems).toEqual([]);
  });
  test('any table that reads makes a sheet without problems', () => {
    const cell = fc.constantFrom(
      '12 V',
      '5 V',
      '4,7 kΩ',
      'OL',
      '> 1 MΩ',
      '0.5 A',
      '10 µF',
      '50 Hz',
    );
    const row = fc.tuple(
      fc.constantFrom('CN1', 'CN 2', 'X/3', 'Ünit'),
      fc.integer({ min: 1, max: 6 }),
      fc.constantFrom('GND', '7', '+'),
      fc.constantFrom('', 'on', 'Test mode'),
      cell,
    );
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 12 }), (cells) => {
        const source = [
          ['Connector', 'Pins', 'State', 'Expected'],
          ...cells.map(([c, a, b, s, e]) => [c, `${a} ${b}`, s, e]),
        ];
        const split = splitTable(source);
        const { rows, problems } = readRows(split, matchColumns(split));
        if (rows.length === 0 || problems.length > 0) return;
        const read = readSheet(JSON.parse(JSON.stringify(quickSheet(head, rows))));
        expect(read.ok ? [] : read.problems).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });
});

test('ids out of any words', () => {
  expect(slug('Ünit 3/4 – x')).toBe('Unit-3-4-x');
  expect(slug('***')).toBe('x');
});

describe('what a table says beyond its rows', () => {
  const made = (text: string) => {
    const { rows, problems } = rowsOf(text);
    expect(problems).toEqual([]);
    const sheet = quickSheet(head, rows);
    const read = readSheet(JSON.parse(JSON.stringify(sheet)));
    expect(read.ok ? [] : read.problems).toEqual([]);
    return sheet;
  };

  test('one sensor at two warmths is one sensor on a curve, in a column or beside the figure', () => {
    const sheet = made(
      [
        'Connector\tPins\tState\tExpected\tUnit\tTemperature',
        'CN4\t1-2\tdead\t28.7 k\tΩ\t0',
        'CN4\t1-2\tdead\t10 k\tΩ\t25 °C',
        'CN4\t3-4\tdead\t50 kΩ at 25 °C\t\t',
      ].join('\n'),
    );
    expect(sheet.curves).toMatchObject([
      {
        kind: 'table',
        points: [
          [0, 28_700],
          [25, 10_000],
        ],
      },
    ]);
    const points = sheet.tests.flatMap((test) => ('points' in test ? test.points : []));
    expect(points.map(({ expect: wanted }) => wanted?.kind)).toEqual(['curve', 'nominal']);
    expect(sheet.faults.some(({ name }) => name.includes('CN4 1–2'))).toBe(true);
  });

  test('a temperature that is none is named with its row', () => {
    const { problems } = rowsOf('Connector\tPins\tExpected\tUnit\tTemp\nCN4\t1-2\t10k\tΩ\twarm');
    expect(problems).toMatchObject([{ row: 2, column: 'temperature' }]);
  });

  test('the mains feed what else is live; what is dead hangs on nothing', () => {
    const { tests } = made(
      [
        'Connector\tPins\tState\tExpected\tUnit',
        'CN1\t1-2\tstandby\t127\tVAC',
        'CN2\t1-2\tstandby\t12\tV DC',
        'CN3\t1-2\tdead\t40\tΩ',
      ].join('\n'),
    );
    const fed = new Map(tests.map(({ id, fedBy }) => [id, fedBy]));
    expect([...fed.values()]).toEqual([undefined, [tests[0]!.id], undefined]);
  });

  test('a signal of one name on two plugs is proposed as a path', () => {
    const { paths, harnesses } = made(
      [
        'Connector\tPins\tState\tExpected\tUnit\tSignal',
        'CN2\t1-2\trunning\t5\tV DC\trun',
        'CN7\t1-2\trunning\t5\tV DC\trun',
        'CN8\t1-2\trunning\t5\tV DC\tGND',
      ].join('\n'),
    );
    expect(harnesses).toMatchObject([{ joins: ['board.CN2', 'board.CN7'] }]);
    expect(paths).toMatchObject([
      { carries: 'run', through: ['board.CN2.1', harnesses![0]!.id, 'board.CN7.1'] },
    ]);
  });
});

/** Rows of a pin table as tests in the making, each with what is wrong in it. Nothing is dropped. */
import type { Expectation } from '../judge/expectation';
import { limitProblem, type TestExpectation } from '../judge/test-expectation';
import type { MeterFunction } from '../meter/functions';
import { METER_FUNCTIONS } from '../meter/functions';
import { parseEntry } from '../units/entry';
import type { Unit } from '../units/units';
import type { ColumnMap, Table } from './columns';
import { HOUSE_TOLERANCE, parseExpected, unitOf } from './expected';
import { nth } from '../numeric/nth';

export interface QuickRow {
  /** Row of the source, from 1. */
  readonly row: number;
  readonly connector: string;
  /** Pin numbers or names of points: red, black. */
  readonly red: string;
  readonly black: string;
  readonly energy: 'dead' | 'live';
  /** State as the table calls it; a plain one where it says nothing. */
  readonly state: string;
  readonly function: MeterFunction;
  readonly expect: TestExpectation;
  /** At what warmth it is expected, °C, where the table says so. */
  readonly celsius?: number;
  readonly signal: string;
  readonly wire: string;
  readonly name: string;
}

export interface RowProblem {
  readonly row: number;
  readonly column: keyof ColumnMap;
  readonly message: string;
}

export interface QuickRows {
  readonly rows: readonly QuickRow[];
  readonly problems: readonly RowProblem[];
}

const DEAD = /\b(dead|off|isolated|unplugged|desligado|morto|no power|unpowered)\b/i;

/**
 * Read a table. Cells merged downwards leave blanks below: connector and state are carried on.
 * @param house - Tolerance where a cell states none, percent.
 */
export function readRows(
  { rows, firstRow }: Table,
  map: ColumnMap,
  house: number = HOUSE_TOLERANCE,
): QuickRows {
  const read: QuickRow[] = [];
  const problems: RowProblem[] = [];
  let connector = '';
  let state = '';
  rows.forEach((cells, i) => {
    const row = firstRow + i;
    const cell = (column: keyof ColumnMap) => {
      const at = map[column];
      return at === undefined ? '' : (cells[at] ?? '').trim();
    };
    if (cells.every((each) => each.trim() === '')) return;
    if (cell('connector') !== '') {
      // A new connector starts anew; its state is its own.
      if (cell('connector') !== connector) state = '';
      connector = cell('connector');
    }
    if (cell('state') !== '') state = cell('state');
    const found = readRow(row, connector, state, cell, house);
    if ('problem' in found) problems.push(found.problem);
    else read.push(found.value);
  });
  return { rows: read, problems: [...problems, ...twice(read)] };
}

type Cell = (column: keyof ColumnMap) => string;

function readRow(
  row: number,
  connector: string,
  state: string,
  cell: Cell,
  house: number,
): { value: QuickRow } | { problem: RowProblem } {
  const bad = (column: keyof ColumnMap, message: string) => ({ problem: { row, column, message } });
  if (connector === '') return bad('connector', 'No connector is named here or above.');
  const pair = pinPair(cell('pins'));
  if (!pair)
    return bad(
      'pins',
      cell('pins') === ''
        ? 'Two pins are needed: red and black, as 1-2.'
        : `“${cell('pins')}” is not two pins; write 1-2, or 3 to GND.`,
    );
  const unit = unitOf(cell('unit'));
  if (cell('unit') !== '' && unit === undefined)
    return bad('unit', `“${cell('unit')}” is no unit; write V, A, Ω, kΩ, µF, Hz or °C.`);
  const warmth = warmthOf(cell);
  if (warmth === null)
    return bad('temperature', `“${cell('temperature')}” is no temperature; write 25, or 25 °C.`);
  const expect = expectationOf(warmth.cell, unit, house);
  if (typeof expect === 'string') return bad(cell('expected') ? 'expected' : 'low', expect);
  const limits = limitProblem(expect, []);
  if (limits) return bad('expected', `Limits: ${limits}.`);
  const energy = energyOf(state, expect.unit);
  const fn = functionOf(cell('function'), state + cell('expected') + cell('unit'), expect);
  if (METER_FUNCTIONS[fn].deadOnly && energy === 'live')
    return bad(
      'state',
      `${METER_FUNCTIONS[fn].words} is for dead circuits only; this row says “${state}”.`,
    );
  return {
    value: {
      row,
      connector,
      ...pair,
      energy,
      state: state || (energy === 'dead' ? 'dead' : 'standby'),
      function: fn,
      expect,
      ...(warmth.celsius !== undefined && { celsius: warmth.celsius }),
      signal: cell('signal'),
      wire: cell('wire'),
      name: cell('name'),
    },
  };
}

/** `10 kΩ at 25 °C`, or a column of its own. @returns null for a temperature that is none. */
function warmthOf(cell: Cell): { readonly cell: Cell; readonly celsius?: number } | null {
  const stated = cell('temperature');
  const beside = /^(.*?)\s*(?:@|\bat\b|\ba\b)\s*([-+]?\d+(?:[.,]\d+)?)\s*°?\s*C$/i.exec(
    cell('expected'),
  );
  const text = stated === '' ? beside?.[2] : stated.replace(/\s*°?\s*C$/i, '');
  if (text === undefined) return { cell };
  const celsius = Number(text.replace(',', '.').replace('\u2212', '-'));
  if (!Number.isFinite(celsius) || celsius < -60 || celsius > 400) return null;
  return {
    celsius,
    cell: (column) =>
      column === 'expected' && beside && stated === '' ? beside[1]! : cell(column),
  };
}

/** `1-2`, `1 to 2`, `1/2`, `+ to -`, `3 → GND`. */
function pinPair(text: string): { red: string; black: string } | undefined {
  const parts = text
    .replace(/\bpins?\b/gi, ' ')
    .split(/\s*(?:→|->|\bto\b|\band\b|\be\b|\ba\b|[-–—/,;&])\s*|\s+/i)
    .map((each) => each.trim())
    .filter((each) => each !== '');
  if (parts.length !== 2 || parts[0] === parts[1]) return undefined;
  return { red: nth(parts, 0), black: nth(parts, 1) };
}

/** Limits from one cell, or from two columns of lower and upper limit. @returns why not, as text. */
function expectationOf(cell: Cell, unit: Unit | undefined, house: number): Expectation | string {
  const expected = cell('expected');
  const scaled = (text: string) =>
    cell('unit') !== '' && /^[-+]?[\d.,\s]+$/.test(text) ? `${text} ${cell('unit')}` : text;
  const [low, high] = [cell('low'), cell('high')];
  if (low !== '' || high !== '') {
    const ends = [low, high].map((text) => {
      if (text === '') return undefined;
      const entry = parseEntry(scaled(text), unit ?? 'V');
      return entry.kind === 'value' ? entry.value : null;
    });
    if (ends.includes(null)) return `“${ends[0] === null ? low : high}” is no figure.`;
    if (!unit) return 'A unit is needed beside lower and upper limit.';
    const [from, to] = ends as (number | undefined)[];
    if (from !== undefined && to !== undefined)
      return { kind: 'between', low: from, high: to, unit };
    return from !== undefined
      ? { kind: 'atLeast', low: from, unit }
      : { kind: 'atMost', high: to!, unit };
  }
  const read = parseExpected(scaled(expected), unit, house);
  if (read.kind === 'expectation') return read.expect;
  return read.kind === 'error' ? read.message : 'Nothing is expected here: give a value or limits.';
}

function energyOf(state: string, unit: Unit): 'dead' | 'live' {
  if (state !== '') return DEAD.test(state) ? 'dead' : 'live';
  return unit === 'ohm' || unit === 'F' ? 'dead' : 'live';
}

const FUNCTIONS: readonly [RegExp, MeterFunction][] = [
  [/diod/i, 'diode'],
  [/contin|buzz|beep/i, 'continuity'],
  [/insul|megger/i, 'insulation'],
  [/capac|µf|uf/i, 'capacitance'],
  [/\bohm|Ω|resist/i, 'ohm'],
];

function functionOf(stated: string, near: string, expect: Expectation): MeterFunction {
  const found = FUNCTIONS.find(([word]) => word.test(stated))?.[1];
  if (found && METER_FUNCTIONS[found].unit === expect.unit) return found;
  const ac = /\b(ac|vac|aac)\b|~/i.test(`${stated} ${near}`);
  const dc = /\b(dc|vdc|adc)\b|=/i.test(`${stated} ${near}`);
  switch (expect.unit) {
    case 'ohm':
      return 'ohm';
    case 'F':
      return 'capacitance';
    case 'Hz':
      return 'Hz';
    case 'degC':
      return 'temperature';
    case 'A':
      return ac ? 'A~' : 'A=';
    case 'V':
      // Where nothing is said, mains voltages are taken for AC and the rest for DC.
      return ac || (!dc && mid(expect) >= 90 && mid(expect) <= 260) ? 'V~' : 'V=';
    case 'Pa':
      return 'pressure';
    case 'count':
      return 'count';
    default:
      return 'display';
  }
}

function mid(expect: Expectation): number {
  switch (expect.kind) {
    case 'nominal':
      return expect.value;
    case 'between':
      return (expect.low + expect.high) / 2;
    case 'atLeast':
      return expect.low;
    case 'atMost':
      return expect.high;
    default:
      return 0;
  }
}

/** The same pair in the same state twice: kept, and named, for one of them may be a slip. */
function twice(rows: readonly QuickRow[]): RowProblem[] {
  const key = (row: QuickRow) =>
    [row.connector, row.red, row.black, row.state, row.function, row.celsius]
      .join('|')
      .toLowerCase();
  return rows.flatMap((row, i) => {
    const first = rows.slice(0, i).find((each) => key(each) === key(row));
    return first
      ? [
          {
            row: row.row,
            column: 'pins' as const,
            message: `${row.connector} ${row.red}–${row.black} stands in row ${first.row} already, in the same state; change or remove one.`,
          },
        ]
      : [];
  });
}

/**
 * A logger's table as a series: which column is the time, which the figure, and what the rows say. Times
 * may be seconds, `mm:ss`, `hh:mm:ss`, or a date and time of day; figures may have either decimal mark.
 * Bad rows are named by their line and left out; nothing is guessed in silence.
 */
import { parseEntry } from '../../units/entry';
import { UNIT_FACTS, type Unit } from '../../units/units';
import { MOST_SAMPLES, type Sample } from './samples';
import { nth } from '../../numeric/nth';

export interface TrackTable {
  readonly samples: readonly Sample[];
  /** Header of the columns taken, for the eye: `Time`, `Value`. */
  readonly columns: { readonly time: string; readonly value: string; readonly driver?: string };
  /** What was left out and why, in order, a few lines at most. */
  readonly problems: readonly string[];
  /** How many rows were left out. */
  readonly left: number;
}

const DAY = 86_400;
const CLOCK = /(\d{1,3}):([0-5]?\d)(?::([0-5]?\d(?:[.,]\d+)?))?\s*([ap]m)?$/i;
/** Problems beyond these are only counted. */
const MOST_TOLD = 5;

/** Seconds on some scale: only differences matter. Undefined where it is no time. */
export function readTime(cell: string): number | undefined {
  const text = cell.trim();
  if (/^[+-]?\d+([.,]\d+)?(?:[eE][+-]?\d+)?$/.test(text)) return Number(text.replace(',', '.'));
  const iso = /^(\d{4})-(\d\d)-(\d\d)[T ]/.exec(text);
  const clock = CLOCK.exec(text.replace(/(\.\d+)?Z$/, '$1'));
  if (!clock) return undefined;
  const [, first, second, third, half] = clock;
  const noon = half?.toLowerCase() === 'pm' && Number(first) < 12 ? 12 : 0;
  const midnight = half?.toLowerCase() === 'am' && Number(first) === 12 ? 12 : 0;
  const hours = third === undefined && !iso && !half ? 0 : Number(first) + noon - midnight;
  const seconds =
    third === undefined && !iso && !half
      ? Number(first) * 60 + Number(second)
      : hours * 3600 + Number(second) * 60 + Number((third ?? '0').replace(',', '.'));
  if (!iso) return seconds;
  return Date.UTC(Number(iso[1]), Number(iso[2]) - 1, Number(iso[3])) / 1000 + seconds;
}

function readFigure(cell: string, unit: Unit): number | undefined {
  const entry = parseEntry(cell, unit);
  return entry.kind === 'value' ? entry.value : undefined;
}

const TIME_WORD = /time|second|sec\b|^t$|clock|elapsed|date/i;

/** Prefix named in a header such as `Current (µA)`: its figures are in that. */
function unitFactor(header: string, unit: Unit): number {
  const inside = /[([]\s*([^)\]]+?)\s*[)\]]\s*$/.exec(header)?.[1];
  const scaled = inside === undefined ? undefined : parseEntry(`1${inside}`, unit);
  return scaled?.kind === 'value' ? scaled.value : 1;
}

/** What drives it is a plain figure, perhaps in percent. */
function readDriver(cell: string): number | undefined {
  const text = cell.replace('%', '').replace(',', '.').trim();
  return text !== '' && Number.isFinite(Number(text)) ? Number(text) : undefined;
}

/**
 * @param rows - Cells as read; a first row without figures is the header.
 * @param unit - Of the test; a suffix in a cell or in the header scales it.
 * @param options.driven - The rule wants what drives the figure beside it, in a third column.
 * @returns samples from 0 s on, in the order of time.
 */
export function trackFromTable(
  rows: readonly (readonly string[])[],
  unit: Unit,
  { driven = false }: { driven?: boolean } = {},
): TrackTable | { readonly error: string } {
  const full = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const first = full[0];
  if (!first) return { error: 'The table is empty. Nothing was taken.' };
  const headed = first.every((cell) => readTime(cell) === undefined);
  const header = headed ? first : first.map((_, i) => `column ${i + 1}`);
  const body = headed ? full.slice(1) : full;
  const width = Math.max(...full.map((row) => row.length));
  if (width < 2)
    return { error: 'One column only. A track needs the time and the figure, side by side.' };
  if (body.length === 0) return { error: 'There is a header and no figures below it.' };
  const taking = (read: (cell: string) => number | undefined) =>
    Array.from(
      { length: width },
      (_, i) => body.filter((row) => read(row[i] ?? '') !== undefined).length,
    );
  const times = taking(readTime);
  const named = header.findIndex((name, i) => TIME_WORD.test(name) && nth(times, i) > 0);
  const time = named >= 0 ? named : times.findIndex((count) => count > body.length / 2);
  const figures = taking((cell) => readFigure(cell, unit));
  const value = figures.findIndex(
    (count, i) => i !== time && count > body.length / 2 && !TIME_WORD.test(header[i] ?? ''),
  );
  if (time < 0 || value < 0)
    return {
      error: `No column of ${time < 0 ? 'times (seconds, or 10:42:07)' : UNIT_FACTS[unit].plural} was found. Nothing was taken.`,
    };
  const drivers = taking(readDriver);
  const driver = driven
    ? drivers.findIndex((count, i) => i !== time && i !== value && count > body.length / 2)
    : -1;
  if (driven && driver < 0)
    return { error: 'This test wants a third column: what drives the figure. Nothing was taken.' };
  const factor = unitFactor(header[value] ?? '', unit);
  const problems: string[] = [];
  let left = 0;
  const miss = (line: number, what: string) => {
    left += 1;
    if (problems.length < MOST_TOLD) problems.push(`Line ${line}: ${what}; left out.`);
  };
  let days = 0;
  let before = -Infinity;
  const samples: Sample[] = [];
  body.forEach((row, i) => {
    const line = i + (headed ? 2 : 1);
    const at = readTime(row[time] ?? '');
    const figure = readFigure(row[value] ?? '', unit);
    if (at === undefined) return miss(line, `“${row[time] ?? ''}” is no time`);
    if (figure === undefined) return miss(line, `“${row[value] ?? ''}” is no figure`);
    const drive = driver < 0 ? undefined : readDriver(row[driver] ?? '');
    if (driver >= 0 && drive === undefined)
      return miss(line, `“${row[driver] ?? ''}” drives nothing`);
    // A time of day that falls back has passed midnight.
    if (at + days < before && before - (at + days) > DAY / 2) days += DAY;
    if (at + days < before) return miss(line, 'earlier than the line before');
    if (samples.length >= MOST_SAMPLES) return miss(line, `beyond ${MOST_SAMPLES} figures`);
    before = at + days;
    samples.push({
      t: before,
      value: figure * factor,
      ...(drive !== undefined && { driver: drive }),
    });
  });
  const start = samples[0]?.t;
  if (start === undefined) return { error: 'No line has both a time and a figure.' };
  return {
    samples: samples.map((sample) => ({ ...sample, t: round(sample.t - start) })),
    columns: {
      time: header[time] ?? '',
      value: header[value] ?? '',
      ...(driver >= 0 && { driver: header[driver] ?? '' }),
    },
    problems,
    left,
  };
}

/** Milliseconds are all that a logger knows. */
const round = (seconds: number) => Math.round(seconds * 1000) / 1000;

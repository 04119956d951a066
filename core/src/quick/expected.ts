/**
 * Reading the cell that says what is expected: `4,7 kΩ ±5%`, `4.75–5.25 V`, `> 1 MΩ`, `OL`, `about 12 V`.
 * A bare value without tolerance takes the house's and says so.
 */
import type { Expectation } from '../judge/expectation';
import { parseEntry } from '../units/entry';
import { PREFIXES, UNITS, UNIT_FACTS, type Unit } from '../units/units';
import { nth } from '../numeric/nth';

export type ExpectedCell =
  | { readonly kind: 'expectation'; readonly expect: Expectation }
  | { readonly kind: 'empty' }
  | { readonly kind: 'error'; readonly message: string };

/** Tolerance where a sheet states none, percent. */
export const HOUSE_TOLERANCE = 10;
/** From here up counts as open, ohms, where a cell only says “OL”. */
const OPEN_ABOVE = 1e6;

const RANGE =
  /^(.*?\d.*?)\s*(?:\.{2,3}|…|–|—|\bto\b|\ba\b|\baté\b|(?<=[\d\sa-zA-ZµμΩ%])-(?=\s*[\d.,]))\s*(.*\d.*)$/;
const OPEN = /^(ol|0l|o\.l|open|infinite|∞|aberto)\.?$/i;

/**
 * @param cell - As it stands in the table.
 * @param hint - Unit from its own column or the heading; used where the cell names none.
 */
export function parseExpected(
  cell: string,
  hint?: Unit,
  house: number = HOUSE_TOLERANCE,
): ExpectedCell {
  const text = cell
    .replace(/\u2212/g, '-')
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/^(approx\.?|about|ca\.?|~|≈)\s*/i, '')
    // `12 V DC`: of which kind it is is read elsewhere.
    .replace(/(?<=[VA])\s+(?:AC|DC)$/i, '')
    .trim();
  if (text === '' || text === '-') return { kind: 'empty' };
  if (OPEN.test(text))
    return (hint ?? 'ohm') === 'ohm'
      ? { kind: 'expectation', expect: { kind: 'open', above: OPEN_ABOVE, unit: 'ohm' } }
      : fail(cell, 'OL is expected of resistances only');

  const bound = /^(>=?|≥|<=?|≤|min\.?|max\.?|at least|at most)\s*(.+)$/i.exec(text);
  if (bound) {
    const one = figure(nth(bound, 2), hint);
    if (typeof one === 'string') return fail(cell, one);
    const least = /^(>|≥|min|at least)/i.test(nth(bound, 1));
    return {
      kind: 'expectation',
      expect: least
        ? { kind: 'atLeast', low: one.value, unit: one.unit }
        : { kind: 'atMost', high: one.value, unit: one.unit },
    };
  }

  const tolerance = /^(.+?)\s*(?:±|\+\/-|\+-)\s*(.+)$/.exec(text);
  if (tolerance) return withTolerance(cell, nth(tolerance, 1), nth(tolerance, 2), hint);

  const range = RANGE.exec(text);
  if (range) {
    const high = figure(nth(range, 2), hint);
    if (typeof high === 'string') return fail(cell, high);
    // `4.7–5.3 kΩ`: prefix and unit stand once, behind the second.
    const suffix = /[\d.,\s]+(.*)$/.exec(nth(range, 2))?.[1]?.trim() ?? '';
    const bare = /^[-+]?[\d.,\s]+$/.test(nth(range, 1).trim());
    const low = figure(bare ? `${nth(range, 1).trim()} ${suffix}` : nth(range, 1), high.unit);
    if (typeof low === 'string') return fail(cell, low);
    if (low.unit !== high.unit) return fail(cell, 'two units in one cell');
    if (low.value > high.value) return fail(cell, 'the first figure is above the second');
    return {
      kind: 'expectation',
      expect: { kind: 'between', low: low.value, high: high.value, unit: low.unit },
    };
  }

  const one = figure(text, hint);
  if (typeof one === 'string') return fail(cell, one);
  return {
    kind: 'expectation',
    expect: {
      kind: 'nominal',
      value: one.value,
      percent: house,
      unit: one.unit,
      from: 'house',
    },
  };
}

function withTolerance(cell: string, value: string, width: string, hint?: Unit): ExpectedCell {
  // `5 ± 0.25 V`: the unit stands behind the tolerance.
  const percent = /^([\d.,]+)\s*%(.*)$/.exec(width.trim());
  const trailing = percent ? nth(percent, 2).trim() : '';
  const unitText = /^[\d.,\s]+(.*)$/.exec(width.trim())?.[1]?.trim() ?? '';
  const bare = /^[-+]?[\d.,\s]+$/.test(value.trim());
  const whole = bare ? `${value.trim()} ${percent ? trailing : unitText}`.trim() : value;
  const one = figure(whole, hint);
  if (typeof one === 'string') return fail(cell, one);
  if (percent) {
    const share = Number(nth(percent, 1).replace(',', '.'));
    if (!(share >= 0)) return fail(cell, 'the tolerance is no figure');
    return {
      kind: 'expectation',
      expect: { kind: 'nominal', value: one.value, percent: share, unit: one.unit },
    };
  }
  // A bare tolerance is counted in the value's own prefix: `4.7 kΩ ± 0.2`.
  const prefixed = /^[\d.,\s]+$/.test(width.trim())
    ? `${width.trim()} ${/^[-+]?[\d.,\s]+(.*)$/.exec(value.trim())?.[1] ?? ''}`
    : width;
  const half = figure(prefixed, one.unit);
  if (typeof half === 'string') return fail(cell, half);
  return {
    kind: 'expectation',
    expect: { kind: 'nominal', value: one.value, plusMinus: half.value, unit: one.unit },
  };
}

const fail = (cell: string, why: string): ExpectedCell => ({
  kind: 'error',
  message: `“${cell.trim()}” is not understood: ${why}. Write it as 4.75 to 5.25 V, 12 V ±10 %, > 1 MΩ or OL.`,
});

interface Figure {
  readonly value: number;
  readonly unit: Unit;
}

/** @returns why it is no figure, as text. */
function figure(text: string, hint: Unit | undefined): Figure | string {
  const named = unitIn(text) ?? hint;
  if (!named) return 'no unit';
  const entry = parseEntry(text, named);
  if (entry.kind === 'value') return { value: entry.value, unit: entry.unit };
  return entry.kind === 'error' ? entry.message.replace(/\.$/, '') : 'no figure';
}

/** The unit that a text ends in, with or without a prefix. */
function unitIn(text: string): Unit | undefined {
  const suffix = /[\d.,]\s*([^\d.,\s][^\d]*)$/.exec(text.trim())?.[1]?.trim();
  if (!suffix) return undefined;
  return unitOf(suffix);
}

/** A unit as a heading or a column writes it: `V`, `kΩ`, `ohms`, `VDC`. */
export function unitOf(written: string): Unit | undefined {
  // `V DC`, `V~`: of which kind they are is read elsewhere.
  const word = written.replace(/\s+(?:AC|DC)$/i, '').trim();
  const spelt = (each: string) =>
    UNITS.find((unit) => UNIT_FACTS[unit].spellings.includes(each.trim()));
  const whole = spelt(word);
  if (whole !== undefined) return whole;
  return PREFIXES[word[0] ?? ''] === undefined ? undefined : spelt(word.slice(1));
}

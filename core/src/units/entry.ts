/**
 * Reading what a technician types: `1.95k`, `0,46`, `12uA`, `4k7`, `OL`, `-`; `3.1..4.8` for a figure that
 * wanders, `0.2M > 1.6M 12s` for one that climbs, `14.2^` for a peak, `tone` and `silence`.
 *
 * Either decimal mark is taken. Where both occur the last one is the decimal mark and the other
 * groups thousands. A result is echoed before it is recorded, so the rule can be seen at work.
 */
import { formatQuantity } from './format';
import { PREFIXES, UNITS, UNIT_FACTS, type Unit } from './units';
import { nth } from '../numeric/nth';

export type TypedEntry =
  | {
      kind: 'value';
      value: number;
      unit: Unit;
      echo: string;
      /** It came from there and took so long: `0.2M > 1.6M 12s`. */
      climb?: TypedClimb;
      /** The highest that was shown: `14.2^`. */
      peak?: true;
    }
  /** Wanders between two figures: `3.1..4.8`. */
  | { kind: 'span'; low: number; high: number; unit: Unit; echo: string }
  | { kind: 'overload'; echo: string; climb?: TypedClimb }
  /** What continuity sounded like. */
  | { kind: 'tone' | 'silence'; echo: string }
  /** A lone `-`: the point is left without a figure. */
  | { kind: 'not-taken'; echo: string }
  | { kind: 'empty' }
  | { kind: 'error'; code: EntryErrorCode; message: string };

export interface TypedClimb {
  readonly from: number;
  readonly seconds: number;
}

export type EntryErrorCode = 'not-a-figure' | 'wrong-unit' | 'too-large' | 'unknown-unit';

const OVERLOAD = /^(ol|0l|o\.l|\.ol|o|over|overload|inf|∞|open)\.?$/i;
// A figure, then anything: `1.95`, `-0,46`, `1 200`, `1e3`. RKM figures (`4k7`) are tried first.
const RKM = /^([+-]?)(\d+)(p|n|u|µ|μ|m|k|K|M|G|R|r)(\d+)(.*)$/;
const FIGURE = /^([+-]?)((?:\d[\d.,\s'’]*|[.,]\d+))(?:[eE]([+-]?\d{1,3}))?(.*)$/;

const fail = (code: EntryErrorCode, message: string): TypedEntry => ({
  kind: 'error',
  code,
  message,
});

/** One decimal mark, whichever it is; undefined where the marks make no number. */
function plainFigure(text: string): number | undefined {
  const bare = text.replace(/[\s'’]/g, '');
  const points = bare.split('.').length - 1;
  const commas = bare.split(',').length - 1;
  if (points > 1 && commas > 1) return undefined;
  let normal: string;
  if (points > 0 && commas > 0) {
    const decimal = bare.lastIndexOf('.') > bare.lastIndexOf(',') ? '.' : ',';
    const group = decimal === '.' ? ',' : '.';
    if ((decimal === '.' ? points : commas) > 1) return undefined;
    const [whole = '', fraction = ''] = bare.split(decimal);
    if (!/^\d{1,3}$/.test(nth(whole.split(group), 0))) return undefined;
    if (
      whole
        .split(group)
        .slice(1)
        .some((part) => part.length !== 3)
    )
      return undefined;
    normal = `${whole.split(group).join('')}.${fraction}`;
  } else if (points > 1 || commas > 1) {
    const parts = bare.split(points > 1 ? '.' : ',');
    if (!/^\d{1,3}$/.test(nth(parts, 0)) || parts.slice(1).some((part) => part.length !== 3))
      return undefined;
    normal = parts.join('');
  } else {
    normal = bare.replace(',', '.');
  }
  return Number(normal);
}

/** Two figures with something between that no single one has. */
const SPAN = /^(.+?)\s*(?:\.{2,}|…|–|\bto\b)\s*(.+)$/i;

/** A figure that came from another and took so long. */
const CLIMB = /^(.+?)\s*(?:->|→|>)\s*(.*)$/;
const CLIMBED = /^(.+?)\s*(?:\bin\b)?\s+(\d+(?:[.,]\d+)?)\s*(s|sec|min)$/i;
const PEAK = /^(.+?)\s*(?:\^|\bpeak|\bmax)$/i;
const TONE = /^(tone|beeps?|sounds)$/i;
const SILENCE = /^(silence|silent|no tone)$/i;

/** Gauges of pressure are read in these. */
const GAUGE: Readonly<Record<string, number>> = { bar: 1e5, mbar: 100, psi: 6894.757293168 };

interface Suffix {
  factor: number;
  unit: Unit | undefined;
}

/** `kΩ`, `uA`, `k`, `VDC`, nothing; undefined where it is none of these. */
function readSuffix(text: string): Suffix | undefined {
  const suffix = text.trim();
  if (suffix === '') return { factor: 1, unit: undefined };
  const named = (word: string) =>
    UNITS.find((unit) => UNIT_FACTS[unit].spellings.some((spelling) => spelling === word));
  const whole = named(suffix);
  if (whole !== undefined) return { factor: 1, unit: whole };
  const gauge = GAUGE[suffix.toLowerCase()];
  if (gauge !== undefined) return { factor: gauge, unit: 'Pa' };
  const factor = PREFIXES[nth(suffix, 0)];
  if (factor === undefined) return undefined;
  const rest = suffix.slice(1).trim();
  if (rest === '') return { factor, unit: undefined };
  const unit = named(rest);
  return unit !== undefined && UNIT_FACTS[unit].prefixed ? { factor, unit } : undefined;
}

/**
 * Understand one typed reading.
 * @param typed - What stands in the field.
 * @param wanted - The unit the test asks for; a bare figure is taken in it.
 * @returns the value in SI base units with an echo such as `1.95 kΩ`, or what is wrong with it.
 */
export function parseEntry(typed: string, wanted: Unit): TypedEntry {
  const text = typed.replace(/\u2212/g, '-').trim();
  if (text === '') return { kind: 'empty' };
  if (/^[-–—]+$/.test(text)) return { kind: 'not-taken', echo: 'no figure: left not taken' };
  if (OVERLOAD.test(text)) return { kind: 'overload', echo: 'OL' };
  if (wanted === 'ohm' && TONE.test(text)) return { kind: 'tone', echo: 'tone' };
  if (wanted === 'ohm' && SILENCE.test(text)) return { kind: 'silence', echo: 'silence' };
  const span = SPAN.exec(text);
  if (span) return parseSpan(nth(span, 1), nth(span, 2), wanted);
  const climb = CLIMB.exec(text);
  if (climb) return parseClimb(nth(climb, 1), nth(climb, 2), wanted);
  const peak = PEAK.exec(text);
  if (peak) return parsePeak(nth(peak, 1), wanted);

  const rkm = RKM.exec(text);
  let magnitude: number | undefined;
  let negative: boolean;
  let suffix: Suffix | undefined;
  if (rkm) {
    const [, sign, whole = '', mark = '', fraction = '', rest = ''] = rkm;
    const factor = mark === 'R' || mark === 'r' ? 1 : (PREFIXES[mark] ?? NaN);
    magnitude = Number(`${whole}.${fraction}`) * factor;
    negative = sign === '-';
    suffix = mark === 'R' || mark === 'r' ? { factor: 1, unit: 'ohm' } : readSuffix(rest);
    if (suffix && suffix.factor !== 1) suffix = undefined;
  } else {
    const match = FIGURE.exec(text);
    if (!match) return fail('not-a-figure', `“${typed.trim()}” is not a figure. Try 1.95k or OL.`);
    const [, sign, digits = '', exponent, rest = ''] = match;
    magnitude = plainFigure(digits);
    if (magnitude !== undefined && exponent) magnitude *= 10 ** Number(exponent);
    negative = sign === '-';
    suffix = readSuffix(rest);
    if (!suffix)
      return fail(
        'unknown-unit',
        `“${rest.trim()}” is not a unit. This test wants ${UNIT_FACTS[wanted].plural}.`,
      );
  }
  if (magnitude === undefined || Number.isNaN(magnitude))
    return fail(
      'not-a-figure',
      `“${typed.trim()}” is not a figure. Use one decimal mark: 1.95 or 1,95.`,
    );
  if (!suffix)
    return fail('unknown-unit', `“${typed.trim()}” ends in something that is not a unit.`);
  if (suffix.unit !== undefined && suffix.unit !== wanted)
    return fail(
      'wrong-unit',
      `That is in ${UNIT_FACTS[suffix.unit].plural}; this test wants ${UNIT_FACTS[wanted].plural}.`,
    );
  const value = (negative ? -1 : 1) * magnitude * suffix.factor;
  if (!Number.isFinite(value) || Math.abs(value) > UNIT_FACTS[wanted].largest)
    return fail(
      'too-large',
      `No meter shows that many ${UNIT_FACTS[wanted].plural}. Check the figure and its prefix.`,
    );
  return { kind: 'value', value: value + 0, unit: wanted, echo: formatQuantity(value, wanted) };
}

/** The unit may stand behind the second figure alone: `3.1..4.8 k`. */
function parseSpan(first: string, second: string, wanted: Unit): TypedEntry {
  const end = parseEntry(second, wanted);
  const suffix = /[^\d.,\s'’eE+-].*$/.exec(second)?.[0] ?? '';
  const bare = /[^\d.,\s'’eE+-]/.test(first) ? first : first + suffix;
  const shared = parseEntry(bare, wanted);
  // 900..1.2k begins at 900, not at 900 k.
  const crossed = shared.kind === 'value' && end.kind === 'value' && shared.value > end.value;
  const start = crossed ? parseEntry(first, wanted) : shared;
  if (start.kind === 'error') return start;
  if (end.kind === 'error') return end;
  if (start.kind !== 'value' || end.kind !== 'value')
    return fail('not-a-figure', 'A figure that wanders has two ends: 3.1..4.8.');
  const [low, high] = [start.value, end.value].sort((a, b) => a - b) as [number, number];
  return {
    kind: 'span',
    low,
    high,
    unit: wanted,
    echo: `wanders, ${formatQuantity(low, wanted)} to ${formatQuantity(high, wanted)}`,
  };
}

/** `0.2M > 1.6M 12s`: the end is the figure, and it may be OL. */
function parseClimb(first: string, rest: string, wanted: Unit): TypedEntry {
  const parts = CLIMBED.exec(rest.trim());
  if (!parts)
    return fail(
      'not-a-figure',
      'A figure that climbs has a start, an end and its time: 0.2M > 1.6M 12s.',
    );
  const end = parseEntry(nth(parts, 1), wanted);
  const start = parseEntry(first, wanted);
  if (start.kind === 'error') return start;
  if (end.kind === 'error') return end;
  const seconds = Number(nth(parts, 2).replace(',', '.')) * (/min/i.test(nth(parts, 3)) ? 60 : 1);
  const plain = (entry: TypedEntry) =>
    (entry.kind === 'value' || entry.kind === 'overload') && !entry.climb && !('peak' in entry);
  if (start.kind !== 'value' || !plain(start) || !plain(end) || !(seconds > 0 && seconds <= 86_400))
    return fail(
      'not-a-figure',
      'A figure that climbs has a start, an end and its time: 0.2M > 1.6M 12s.',
    );
  const climb = { from: start.value, seconds };
  if (end.kind === 'overload')
    return { ...end, climb, echo: `${start.echo} to OL in ${seconds} s` };
  if (end.kind !== 'value') return end;
  const verb = end.value < start.value ? 'falls' : 'climbs';
  return { ...end, climb, echo: `${verb}, ${start.echo} to ${end.echo} in ${seconds} s` };
}

/** `14.2^`: the highest that was shown. */
function parsePeak(figure: string, wanted: Unit): TypedEntry {
  const entry = parseEntry(figure, wanted);
  if (entry.kind === 'error') return entry;
  if (entry.kind !== 'value' || entry.climb || entry.peak)
    return fail('not-a-figure', 'A peak is one figure: 14.2^.');
  return { ...entry, peak: true, echo: `peak ${entry.echo}` };
}

/**
 * The line protocol of a meter: one JSON object a line, over a serial port, a WebSocket or a file.
 *
 *     {"t":1732.42,"fn":"V~","value":231.4,"unit":"V","flags":["auto","stable"]}
 *     {"t":1732.92,"fn":"ohm","value":null,"unit":"ohm","flags":["OL"]}
 */
import { METER_FUNCTIONS, type MeterFunction } from './functions';

export interface MeterLine {
  /** Seconds by the meter's own clock, which starts anywhere. */
  readonly t: number;
  readonly fn: MeterFunction;
  /** SI base unit of the function; null for OL. */
  readonly value: number | null;
  readonly unit: string;
  readonly flags: readonly string[];
}

/** A line that is no reading; streams carry noise, so that it is counted and passed over. */
export interface BadLine {
  readonly bad: string;
  readonly why: 'not-json' | 'not-a-reading' | 'too-long' | 'out-of-order';
}

/** A line longer than this is noise: it is dropped up to its end. */
const LONGEST = 2000;
const MOST_FLAGS = 20;
/** How much of what is no reading is told. */
const KEPT = 1000;

/** @returns undefined for what is no reading. */
export function parseMeterLine(text: string): MeterLine | undefined {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return undefined;
  }
  if (raw === null || typeof raw !== 'object' || Array.isArray(raw)) return undefined;
  const { t, fn, value, unit, flags = [] } = raw as Record<string, unknown>;
  if (typeof t !== 'number' || !Number.isFinite(t)) return undefined;
  if (typeof fn !== 'string' || !Object.hasOwn(METER_FUNCTIONS, fn)) return undefined;
  if (value !== null && (typeof value !== 'number' || !Number.isFinite(value))) return undefined;
  if (typeof unit !== 'string' || unit.length > 10) return undefined;
  if (!Array.isArray(flags) || flags.length > MOST_FLAGS) return undefined;
  if (!flags.every((flag): flag is string => typeof flag === 'string')) return undefined;
  return { t, fn: fn as MeterFunction, value, unit, flags };
}

/**
 * Puts pieces together into lines: a serial port cuts them anywhere. Lines whose time runs backwards
 * are told apart, for a figure from before must never pass for the present one.
 */
export class MeterLines {
  #rest = '';
  #dropping = false;
  #last = -Infinity;

  /** @returns what the piece completed, in its order. */
  feed(piece: string): (MeterLine | BadLine)[] {
    const found: (MeterLine | BadLine)[] = [];
    const parts = (this.#rest + piece).split(/\r?\n/);
    this.#rest = parts.pop()!;
    for (const part of parts) {
      if (this.#dropping) {
        this.#dropping = false;
        continue;
      }
      const line = this.#line(part.trim());
      if (line) found.push(line);
    }
    if (this.#rest.length > LONGEST) {
      if (!this.#dropping) found.push({ bad: this.#rest.slice(0, KEPT), why: 'too-long' });
      this.#dropping = true;
      this.#rest = '';
    }
    return found;
  }

  #line(text: string): MeterLine | BadLine | undefined {
    if (text === '') return undefined;
    if (text.length > LONGEST) return { bad: text.slice(0, KEPT), why: 'too-long' };
    const line = parseMeterLine(text);
    if (!line)
      return {
        bad: text.slice(0, KEPT),
        why: text.startsWith('{') && text.endsWith('}') ? 'not-a-reading' : 'not-json',
      };
    if (line.t < this.#last) return { bad: text.slice(0, KEPT), why: 'out-of-order' };
    this.#last = line.t;
    return line;
  }

  /** A new connection starts a new clock. */
  restart(): void {
    this.#rest = '';
    this.#dropping = false;
    this.#last = -Infinity;
  }
}

/** Flags of a line whose figure means nothing, and why, for the one who holds the leads. */
const SPOILS: Readonly<Record<string, string>> = {
  fuse: 'Its fuse is blown: amps read nothing.',
  disturbed:
    '⚠ Voltage stands between the tips: what it shows means nothing. Make it dead first, and prove it.',
};

/** Why the figure of a line means nothing; undefined where it means something. */
export const spoiledBy = ({ flags }: Pick<MeterLine, 'flags'>): string | undefined =>
  flags.map((flag) => SPOILS[flag]).find((why) => why !== undefined);

export const isReading = (line: MeterLine | BadLine): line is MeterLine => 'fn' in line;

/** Functions that show the same thing as another: a buzzer is an ohmmeter. */
const ALIKE: Partial<Record<MeterFunction, MeterFunction>> = { continuity: 'ohm' };
const plain = (fn: MeterFunction) => ALIKE[fn] ?? fn;

/** Whether a meter on `shown` can answer a card that wants `wanted`. */
export const sameFunction = (shown: MeterFunction, wanted: MeterFunction): boolean =>
  plain(shown) === plain(wanted);

/** “The card wants ohms, the meter is on DC volts.” */
export const mismatchWords = (shown: MeterFunction, wanted: MeterFunction): string =>
  `The card wants ${METER_FUNCTIONS[wanted].words}, the meter is on ${METER_FUNCTIONS[shown].words}.`;

/** Times as machines print them: `2026-11-14 03:12:44`, `14.11.26 03:12`, `14 Nov 3:12 PM`, `03:12`. */
import { dayIn, type DayOrder } from '../places/dates';

const CLOCK =
  /(?<![\d.:])(\d{1,2})[:h.](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?m?\.?(?![\d.:])/i;
const DAY = /\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}/;
const SHORT_DAY = /(?<!\d)(\d{1,2})[-/.](\d{1,2})\.?(?![\d/.-])/;
const NAMED_DAY = /(?<!\d)(\d{1,2})[.\s-]*([a-zçä]{3,9})\.?(?:[.\s-]*(\d{4}|\d{2}))?(?![\d:])/i;
/** First three letters, in English, Portuguese, Spanish and German. */
const MONTHS: readonly (readonly string[])[] = [
  ['jan', 'ene'],
  ['feb', 'fev'],
  ['mar', 'mär'],
  ['apr', 'abr'],
  ['may', 'mai'],
  ['jun'],
  ['jul'],
  ['aug', 'ago'],
  ['sep', 'set'],
  ['oct', 'out', 'okt'],
  ['nov'],
  ['dec', 'dez', 'dic'],
];

/** What a text says of the moment: the day, the time, or both. */
export interface Moment {
  /** `2026-11-14`. */
  readonly day?: string;
  /** `03:12:44`. */
  readonly clock?: string;
}

/**
 * @param today - For days without a year: the latest that is not after it. `2026-11-28`.
 * @returns undefined where nothing of a moment is in it.
 */
export function momentIn(text: string, order: DayOrder, today: string): Moment | undefined {
  const day = dayOf(text, order, today);
  const rest = day ? text.replace(day.text, ' ').replace(/T(?=\d)/i, ' ') : text;
  const clock = clockOf(rest);
  if (!day && clock === undefined) return undefined;
  return { ...(day && { day: day.day }), ...(clock !== undefined && { clock }) };
}

const two = (n: number) => String(n).padStart(2, '0');

function clockOf(text: string): string | undefined {
  const [, h = '', m = '', s = '0', half] = CLOCK.exec(text) ?? [];
  if (h === '') return undefined;
  const pm = half?.toLowerCase() === 'p';
  const hour = half === undefined ? Number(h) : (Number(h) % 12) + (pm ? 12 : 0);
  const [minute, second] = [Number(m), Number(s)];
  if (hour > 23 || minute > 59 || second > 59) return undefined;
  return `${two(hour)}:${two(minute)}:${two(second)}`;
}

function dayOf(text: string, order: DayOrder, today: string) {
  const [whole] = DAY.exec(text) ?? [];
  const day = whole === undefined ? undefined : dayIn(whole, order);
  if (whole !== undefined && day !== undefined) return { day, text: whole };
  const named = NAMED_DAY.exec(text);
  const month = MONTHS.findIndex((names) =>
    names.includes(named?.[2]?.toLowerCase().slice(0, 3) ?? ''),
  );
  if (named && month >= 0) {
    const found = dated(named[1]!, String(month + 1), named[3], today);
    if (found !== undefined) return { day: found, text: named[0] };
  }
  const short = SHORT_DAY.exec(text);
  // A time alone may be written with a dot too: what a clock could show is one.
  if (!short || (clockOf(text) !== undefined && clockOf(text.replace(short[0], ' ')) === undefined))
    return undefined;
  const [d, m] = order === 'day-first' ? [short[1]!, short[2]!] : [short[2]!, short[1]!];
  const found = dated(d, m, undefined, today);
  return found === undefined ? undefined : { day: found, text: short[0] };
}

function dated(d: string, m: string, y: string | undefined, today: string): string | undefined {
  if (y !== undefined) return dayIn(`${d}.${m}.${y}`, 'day-first');
  const year = Number(today.slice(0, 4));
  const this_ = dayIn(`${d}.${m}.${year}`, 'day-first');
  return this_ !== undefined && this_ > today ? dayIn(`${d}.${m}.${year - 1}`, 'day-first') : this_;
}

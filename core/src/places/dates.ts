/** Days as lists write them: `2021-03-05`, `05/03/2021`, `5.3.21`. */

/** Which comes first where both could be a month. */
export type DayOrder = 'day-first' | 'month-first';

const LARGEST_TWO_DIGITS = 79;

/** @returns `YYYY-MM-DD`; undefined for what no calendar has. */
export function dayIn(text: string, order: DayOrder): string | undefined {
  const parts = /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{1,4})$/.exec(text.trim());
  if (!parts) return undefined;
  const [, a = '', b = '', c = ''] = parts;
  const yearFirst = a.length === 4;
  const year = yearOf(yearFirst ? a : c);
  const [first, second] = yearFirst ? [c, b] : [a, b];
  const dayFirst = yearFirst || order === 'day-first';
  const [day, month] = (dayFirst ? [first, second] : [second, first]).map(Number);
  const date = new Date(Date.UTC(year, month! - 1, day));
  const same = date.getUTCMonth() === month! - 1 && date.getUTCDate() === day;
  return same && year >= 1900 ? date.toISOString().slice(0, 10) : undefined;
}

const yearOf = (text: string): number => {
  const year = Number(text);
  if (text.length > 2) return year;
  return year + (year > LARGEST_TWO_DIGITS ? 1900 : 2000);
};

/** Month first only where some day tells that it must be so, and none the contrary. */
export function orderOf(texts: readonly string[]): DayOrder {
  const places = texts.flatMap((text) => {
    const parts = /^(\d{1,2})[-/.](\d{1,2})[-/.]\d{2,4}$/.exec(text.trim());
    return parts ? [[Number(parts[1]), Number(parts[2])] as const] : [];
  });
  const says = (of: (pair: readonly [number, number]) => boolean) => places.some(of);
  return says(([, second]) => second > 12) && !says(([first]) => first > 12)
    ? 'month-first'
    : 'day-first';
}

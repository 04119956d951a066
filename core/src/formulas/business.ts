/** Dates and money of the trade. */
import { InvalidInputError } from '../errors';

/**
 * Last day of a warranty: the same day of the month so many months on, less one day; the last of the
 * month where that day is missing there.
 * @param from - `YYYY-MM-DD`.
 */
export function warrantyEnd(from: string, months: number): string {
  const parts = /^(\d{4})-(\d\d)-(\d\d)$/.exec(from);
  if (!parts || !(months > 0)) throw new InvalidInputError('give the first day and the months');
  const [year, month, day] = parts.slice(1).map(Number) as [number, number, number];
  if (month < 1 || month > 12 || day < 1 || day > daysIn(year, month))
    throw new InvalidInputError(`${from} is no day of the calendar`);
  const whole = year * 12 + (month - 1) + Math.round(months);
  const [endYear, endMonth] = [Math.floor(whole / 12), (whole % 12) + 1];
  const sameDay = Math.min(day, daysIn(endYear, endMonth));
  const end = new Date(Date.UTC(endYear, endMonth - 1, sameDay));
  // A day cut short by its month is itself the last one.
  if (sameDay === day) end.setUTCDate(end.getUTCDate() - 1);
  return end.toISOString().slice(0, 10);
}

const daysIn = (year: number, month: number) => new Date(Date.UTC(year, month, 0)).getUTCDate();

/** Days from one day to another; negative when it is past. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

/**
 * Expected cost of trying a part that can go back: fitted with chance p it stays at its price; with
 * 1 − p it returns for the restocking fee; the labour is spent either way.
 */
export function swapCost({
  price,
  restock,
  labour,
  chance,
}: {
  price: number;
  /** Share of the price kept by the supplier, 0 to 1. */
  restock: number;
  labour: number;
  chance: number;
}): number {
  return chance * price + (1 - chance) * price * restock + labour;
}

/** Expected cost of an outage: hours without service times what an hour is worth. */
export const outageCost = (perHour: number, hours: number): number => perHour * hours;

/** Days and moments that the calendar has: `Date` quietly makes 3 March of 31 February. */

/** `YYYY-MM-DD`, with or without a time in UTC. Years that a database can hold. */
export function isMoment(text: string): boolean {
  const year = Number(text.slice(0, 4));
  const time = Date.parse(text);
  if (Number.isNaN(time) || year < 1900 || year > 9000) return false;
  return new Date(time).toISOString().slice(0, 10) === text.slice(0, 10);
}

/** A report's number, short enough to be said on the phone: `26 11 27 – 4821`. */

/**
 * The day of opening and four digits off the job's id; on a busy day two jobs share one once in a few
 * hundred days, and the day with the unit's name tells them apart.
 * @param id - UUID of the job.
 * @param openedAt - ISO 8601.
 */
export function reportNumber(id: string, openedAt: string): string {
  const day = openedAt.slice(2, 10).replaceAll('-', ' ');
  const digits = parseInt(id.replaceAll('-', '').slice(-12), 16) % 10_000;
  return `${day} – ${String(digits).padStart(4, '0')}`;
}

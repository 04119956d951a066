/** How long something takes, in words. */

/** `40 s`, `10 min`, `1 h 30 min`. */
export function durationWords(seconds: number): string {
  if (seconds < 120) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  return `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`;
}

/** How long a unit is still under warranty. */
import { longDay } from '../data/now';

/** A warranty holds to the end of its last day. */
export const warrantyOver = (until: string, now: number): boolean =>
  Date.parse(`${until}T23:59:59`) < now;

export function warrantyWords(until: string | null, now: number): string {
  if (until === null) return 'not noted';
  return warrantyOver(until, now) ? `over since ${longDay(until)}` : `until ${longDay(until)}`;
}

/** When and by which device an entry was written. */
import type { Moment } from '../../conditions/moment';
import type { LoggedEntry } from './entry';

export const momentOf = ({
  at,
  device,
  offset,
}: Pick<LoggedEntry, 'at' | 'device' | 'offset'>): Moment => ({
  at,
  time: Date.parse(at),
  ...(device !== undefined && { device }),
  ...(offset !== undefined && { offset }),
});

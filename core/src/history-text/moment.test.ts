/** Moments as they are printed, each with what it means. */
import { momentIn } from './moment';

test.each([
  ['2026-11-14T03:12:44', '2026-11-14', '03:12:44'],
  ['2026-11-14 03:12:44.250', '2026-11-14', '03:12:44'],
  ['14/11/26 3:05', '2026-11-14', '03:05:00'],
  ['14.11.2026', '2026-11-14', undefined],
  ['14 Nov 2026 11:59 PM', '2026-11-14', '23:59:00'],
  ['14-out-25 08:00', '2025-10-14', '08:00:00'],
  ['12:01 AM', undefined, '00:01:00'],
  ['14.11. 03:12', '2026-11-14', '03:12:00'],
  ['30.11. 03:12', '2025-11-30', '03:12:00'],
])('%s', (text, day, clock) => {
  expect(momentIn(text, 'day-first', '2026-11-28')).toEqual({
    ...(day !== undefined && { day }),
    ...(clock !== undefined && { clock }),
  });
});

test.each(['A12', '48,5 Hz', '31.02.2026', '25:00', '03:75', ''])('%s is no moment', (text) => {
  expect(momentIn(text, 'day-first', '2026-11-28')).toBeUndefined();
});

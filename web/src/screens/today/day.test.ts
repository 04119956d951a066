/** The day as it is drawn: rows, hours, what is of another day, and which stop is in hand. */
import type { JobListItem } from '@jeitinho/core';
import { dayOfVisits, nextStop } from './day';

const at = (hour: number, minute = 0, day = 10) => new Date(2026, 7, day, hour, minute);
const visit = (id: string, when: Date | null, more: object = {}) =>
  ({
    id,
    visitAt: when?.toISOString() ?? null,
    urgent: false,
    summary: { taken: 0 },
    ...more,
  }) as unknown as JobListItem;
const NOW = at(9).getTime();

test('stops follow each other in a row; what overlaps lies in the next', () => {
  const { stops, hours } = dayOfVisits(
    [visit('c', at(8, 30)), visit('a', at(8)), visit('b', at(8)), visit('d', at(14))],
    NOW,
  );
  expect(stops.map(({ job, row }) => [job.id, row])).toEqual([
    ['a', 0],
    ['b', 1],
    ['c', 2],
    ['d', 0],
  ]);
  // 8:00 until the next but its gap, and at least three quarters of an hour.
  expect(stops[0]!.to).toBeCloseTo(8.75, 6);
  expect(stops[3]!.to).toBeCloseTo(15.25, 6);
  expect(hours).toEqual([7, 18]);
});

test('an early and a late stop widen the rule', () => {
  expect(dayOfVisits([visit('a', at(5, 30)), visit('b', at(20))], NOW).hours).toEqual([5, 22]);
});

test('other days: gone or without an hour beside it, to come below it, begun ones beside it', () => {
  const day = dayOfVisits(
    [
      visit('gone', at(10, 0, 8)),
      visit('free', null),
      visit('later', at(10, 0, 11)),
      visit('begun', at(10, 0, 11), { summary: { taken: 3 } }),
    ],
    NOW,
  );
  expect(day.stops).toEqual([]);
  expect(day.besides.map(({ id }) => id)).toEqual(['gone', 'free', 'begun']);
  expect(day.later.map(({ id }) => id)).toEqual(['later']);
});

test('in hand is who waits, else the next by the clock, else what is left', () => {
  const early = visit('early', at(7));
  const next = visit('next', at(10));
  const down = visit('down', at(15), { urgent: true });
  const hand = (jobs: JobListItem[]) => nextStop(dayOfVisits(jobs, NOW), NOW)?.id;
  expect(hand([early, next, down])).toBe('down');
  expect(hand([early, next])).toBe('next');
  expect(hand([early])).toBe('early');
  expect(hand([visit('free', null)])).toBe('free');
  expect(hand([])).toBeUndefined();
});

test('what was handed to another is theirs; what is nobody’s is everybody’s', () => {
  const jobs = [
    visit('mine', at(10), { technician: 'Ana' }),
    visit('theirs', at(11), { technician: 'Rui' }),
    visit('free', at(12), { technician: null }),
  ];
  const ids = (list: readonly JobListItem[]) => list.map(({ id }) => id);
  const day = dayOfVisits(jobs, NOW, 'Ana');
  expect(ids(day.stops.map(({ job }) => job))).toEqual(['mine', 'free']);
  expect(ids(day.elsewhere)).toEqual(['theirs']);
  expect(dayOfVisits(jobs, NOW).elsewhere).toEqual([]);
});

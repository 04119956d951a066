/** The week as it is drawn: columns, lanes, and where a moved visit comes to lie. */
import type { JobListItem } from '@jeitinho/core';
import * as fc from 'fast-check';
import { dayOf, daysAfter, hoursOf, moved, slotsOf } from './grid';

const START = dayOf(new Date(2026, 10, 27, 15).getTime());
const visit = (id: string, day: number, hour: number, minute = 0) =>
  ({
    id,
    visitAt: new Date(2026, 10, 27 + day, hour, minute).toISOString(),
  }) as unknown as JobListItem;

test('a visit stands in its day; what is of another week, or has no hour, does not stand', () => {
  const jobs = [
    visit('a', 0, 8),
    visit('b', 6, 23, 30),
    visit('c', 7, 8),
    visit('d', -1, 8),
    { id: 'e', visitAt: null } as unknown as JobListItem,
  ];
  const slots = slotsOf(jobs, START);
  expect(slots.map(({ job, day, from, to }) => [job.id, day, from, to])).toEqual([
    ['a', 0, 8, 9.25],
    ['b', 6, 23.5, 24],
  ]);
  expect(hoursOf(slots)).toEqual([7, 24]);
});

test('overlapping ones share the width, also through a third; the next takes all of it', () => {
  const jobs = [visit('a', 0, 8), visit('b', 0, 9), visit('c', 0, 10), visit('d', 0, 13)];
  expect(slotsOf(jobs, START).map(({ job, lane, lanes }) => [job.id, lane, lanes])).toEqual([
    ['a', 0, 2],
    ['b', 1, 2],
    ['c', 0, 2],
    ['d', 0, 1],
  ]);
});

test('no two of a lane overlap, whatever the visits', () => {
  const hours = fc.array(
    fc.record({ day: fc.integer({ min: 0, max: 6 }), quarter: fc.integer({ min: 0, max: 95 }) }),
    { maxLength: 25 },
  );
  fc.assert(
    fc.property(hours, (list) => {
      const slots = slotsOf(
        list.map(({ day, quarter }, i) =>
          visit(String(i), day, Math.floor(quarter / 4), (quarter % 4) * 15),
        ),
        START,
      );
      expect(slots).toHaveLength(list.length);
      for (const a of slots) {
        expect(a.lane).toBeLessThan(a.lanes);
        for (const b of slots)
          if (a !== b && a.day === b.day && a.lane === b.lane)
            expect(a.to <= b.from || b.to <= a.from).toBe(true);
      }
    }),
  );
});

test('moved by days and quarters of an hour, within its day, on the quarter', () => {
  const at = new Date(2026, 10, 27, 9, 10);
  expect(moved(at, 1, 2)).toEqual(new Date(2026, 10, 28, 9, 45));
  expect(moved(at, 0, -100)).toEqual(new Date(2026, 10, 27, 0, 0));
  expect(moved(at, 0, 100)).toEqual(new Date(2026, 10, 27, 23, 45));
  expect(daysAfter(at, 4).getDate()).toBe(1);
});

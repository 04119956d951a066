/** What is to come, over all visits: its order, and how far away a day is. */
import type { JobListItem } from '@jeitinho/core';
import { aheadItems, dueWords } from './ahead-items';

const job = (id: string, ...days: string[]) =>
  ({
    id,
    summary: {
      ahead: days.map((on) => ({ entry: `${id}${on}`, what: 'visit', on, text: 'Return visit' })),
    },
  }) as unknown as JobListItem;

test('the earliest first, over all jobs; those without any are passed over', () => {
  const jobs = [
    job('a', '2026-03-09', '2026-12-01'),
    job('b', '2026-03-01'),
    { id: 'c', summary: null } as JobListItem,
  ];
  expect(aheadItems(jobs).map(({ on, job: { id } }) => `${id} ${on}`)).toEqual([
    'b 2026-03-01',
    'a 2026-03-09',
    'a 2026-12-01',
  ]);
});

test.each([
  ['2026-03-28', 'overdue by 2 days'],
  ['2026-03-29', 'since yesterday'],
  ['2026-03-30', 'today'],
  ['2026-03-31', 'tomorrow'],
  // Across the day on which the clocks change.
  ['2026-04-06', 'in 7 days'],
])('%s', (on, words) => expect(dueWords(on, '2026-03-30')).toBe(words));

/** The week's visits on the device: which are fetched, and which are here already. */
import type { JobListItem, JobResource } from '@jeitinho/core';
import { LocalStore } from './local-store';
import { dueSoon, notYetHere } from './week-ahead';

const NOW = Date.parse('2026-08-10T09:00:00Z');
const visit = (id: string, visitAt: string | null) => ({ id, visitAt }) as unknown as JobListItem;

test('within a week, without an hour, or of days that are gone', () => {
  const jobs = [
    visit('gone', '2026-08-01T09:00:00Z'),
    visit('free', null),
    visit('soon', '2026-08-16T09:00:00Z'),
    visit('far', '2026-08-18T09:00:00Z'),
  ];
  expect(dueSoon(jobs, NOW).map(({ id }) => id)).toEqual(['gone', 'free', 'soon']);
});

test('what is here with its sheet is not fetched again', async () => {
  const store = new LocalStore('week-ahead');
  const kept = (id: string, sheet: object | null) => ({ id, sheet }) as unknown as JobResource;
  await store.jobs.bulkPut([kept('here', {}), kept('bare', null)]);
  const jobs = ['here', 'bare', 'new'].map((id) => visit(id, null));
  expect(await notYetHere(jobs, store)).toEqual(['bare', 'new']);
});

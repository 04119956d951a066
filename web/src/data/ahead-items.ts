/** What is to come after visits, over all of them, the earliest first. */
import type { JobListItem } from '@jeitinho/core';
import type { Ahead } from '@jeitinho/core/job';

export interface AheadItem extends Ahead {
  readonly job: JobListItem;
}

export const aheadItems = (jobs: readonly JobListItem[]): AheadItem[] =>
  jobs
    .flatMap((job) => (job.summary?.ahead ?? []).map((each) => ({ ...each, job })))
    .sort((a, b) => a.on.localeCompare(b.on) || a.text.localeCompare(b.text));

/** `overdue`, `today`, `in 3 days`. */
export function dueWords(on: string, today: string): string {
  const days = Math.round((Date.parse(on) - Date.parse(today)) / 86_400_000);
  if (days < 0) return days === -1 ? 'since yesterday' : `overdue by ${-days} days`;
  return days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`;
}

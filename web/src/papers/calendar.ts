/** What is to come, as an event for any calendar (iCalendar, RFC 5545): a whole day. */
import type { JobResource } from '@jeitinho/core';
import type { Ahead } from '@jeitinho/core/job';

/** @throws {Error} where the day is none. */
export async function calendarOf(job: JobResource, { entry, on, text }: Ahead): Promise<Blob> {
  const { createEvent } = await import('ics');
  const [year = 0, month = 0, day = 0] = on.split('-').map(Number);
  const next = new Date(Date.UTC(year, month - 1, day + 1));
  const { error, value } = createEvent({
    uid: `${entry}@jeitinho`,
    productId: 'jeitinho',
    start: [year, month, day],
    end: [next.getUTCFullYear(), next.getUTCMonth() + 1, next.getUTCDate()],
    title: `${text}: ${job.unit.label}, ${job.customer.name}`,
    location: [job.site.address, job.site.town].filter(Boolean).join(', '),
    description: [
      `${job.unit.maker} ${job.unit.model}, serial ${job.unit.serial || 'not noted'}`,
      job.complaint,
      job.customer.phone && `Phone: ${job.customer.phone}`,
    ]
      .filter(Boolean)
      .join('\n'),
  });
  if (error || !value) throw error ?? new Error('No event could be made of it.');
  return new Blob([value], { type: 'text/calendar;charset=utf-8' });
}

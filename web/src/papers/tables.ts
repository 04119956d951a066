/** Papers that other programs read: readings as a table, an order for the parts desk. */
import { reportNumber, type JobResource, type Offer, type Report } from '@jeitinho/core';
import { csvOf } from './csv';

export const readingsCsv = ({ rows }: Report): string =>
  csvOf(
    rows.map((row) => ({
      time: row.at,
      test: row.title,
      where: row.where,
      state: row.state,
      function: row.function,
      reading: row.value,
      uncertainty: row.uncertainty,
      limit: row.limit,
      verdict: row.verdict,
      outcome: row.outcome,
      stands: row.mark === 'withdrawn' || row.mark === 'repeated' ? 'no' : 'yes',
      source: row.source,
    })),
  );

export interface OrderLine {
  readonly name: string;
  readonly offer: Offer | undefined;
}

/** One line for each part that was decided on. */
export function orderCsv(job: JobResource, lines: readonly OrderLine[], currency: string): string {
  return csvOf(
    lines.map(({ name, offer }) => ({
      number: offer?.number ?? '',
      name,
      quantity: 1,
      price: offer?.price ?? '',
      currency,
      'in stock': offer?.stock ?? '',
      'lead hours': offer?.leadHours ?? '',
      supersedes: (offer?.numbers ?? []).filter((each) => each !== offer?.number).join(' '),
      'for report': reportNumber(job.id, job.openedAt),
      customer: job.customer.name,
      unit: `${job.unit.maker} ${job.unit.model}`,
      serial: job.unit.serial,
    })),
  );
}

/**
 * Erasing who a customer is. Names, numbers and addresses go, out of the logs of their visits too; what was
 * measured, decided and mended stays, for it is about machines. The one place where a log is written over, and
 * the trail of who says so.
 */
import { Op, type Transaction } from 'sequelize';
import { notFound, ProblemError } from '../problem';
import { audit } from './audit';
import { indexPlaces } from '../search/index-units';
import { dropUnusedWords } from '../search/keep-words';
import { livingId } from './merge';
import type { Customer } from './models/customer';
import type { Store } from './models/index';
import type { Site } from './models/site';
import { projectNow } from './projections';
import { endLinksOf } from './report-links';

export const ERASED = 'Erased';

/** @throws {ProblemError} 404 without them; 409 while a visit is open, or where it was done. */
export async function eraseCustomer(store: Store, asked: string, who: string) {
  const id = await livingId(store, asked);
  const jobs: string[] = [];
  const counts = await store.sequelize.transaction(async (transaction) => {
    const customer = await store.customers.findByPk(id, { transaction, lock: true });
    if (!customer) throw notFound('such customer');
    if (customer.erasedAt)
      throw new ProblemError(
        409,
        'erased',
        'Nothing was changed: this customer was erased already.',
      );
    const sites = await store.sites.findAll({ where: { customerId: id }, transaction });
    const units = await store.units.findAll({
      where: { siteId: sites.map((site) => site.id) },
      transaction,
    });
    const visits = await store.jobs.findAll({
      where: { unitId: units.map((unit) => unit.id) },
      transaction,
      lock: true,
    });
    const open = visits.filter(({ status }) => status === 'open');
    if (open.length > 0)
      throw new ProblemError(
        409,
        'visits-open',
        `Nothing was changed: ${open.length === 1 ? 'a visit is' : `${open.length} visits are`} open there. Sign ${open.length === 1 ? 'it' : 'them'} first.`,
      );
    const told = namesOf(customer, sites);
    for (const job of visits) {
      jobs.push(job.id);
      await cleanLog(store, job.id, told, transaction);
      await job.update({ complaint: without(job.complaint, told) }, { transaction });
    }
    for (const site of sites)
      await site.update({ name: ERASED, address: '', town: '' }, { transaction });
    await customer.update(
      { name: ERASED, phone: '', outage: null, erasedAt: new Date() },
      { transaction },
    );
    return { sites: sites.length, units: units.length, visits: visits.length };
  });
  // What is known of these logs here names them still.
  for (const job of jobs) store.memory.jobs.drop(job);
  // Nor is anything found by what they were called, or shown to whoever has a link.
  await endLinksOf(store, jobs, who);
  await indexPlaces(store, { customer: id });
  await projectNow(store);
  await dropUnusedWords(store);
  await audit(store, who, 'customer-erased', { customer: id, ...counts });
  return counts;
}

/** What they are called: the longest first, so that a part does not spoil the whole. */
function namesOf(customer: Customer, sites: readonly Site[]): readonly string[] {
  const texts = [
    customer.name,
    customer.phone,
    ...sites.flatMap(({ name, address }) => [name, address]),
  ].filter((text) => text.trim().length > 2);
  return [...new Set(texts)].sort((a, b) => b.length - a.length);
}

/** As words of their own: “Rio” is not taken out of “Rio-4” or of “interior”. */
const without = (text: string, told: readonly string[]): string =>
  told.reduce(
    (left, name) =>
      left.replaceAll(
        new RegExp(`(?<![\\p{L}\\p{N}-])${escaped(name)}(?![\\p{L}\\p{N}-])`, 'gu'),
        ERASED,
      ),
    text,
  );

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** What a sheet's things are called in a log: ids, places, kinds. No person is. */
const IDENTIFIER = /^[a-z0-9_.@:-]+$/;

/** Any value with what they are called out of its texts. */
function cleaned(value: unknown, told: readonly string[]): unknown {
  if (typeof value === 'string') return IDENTIFIER.test(value) ? value : without(value, told);
  if (Array.isArray(value)) return value.map((each) => cleaned(each, told));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, cleaned(each, told)]));
}

async function cleanLog(
  store: Store,
  jobId: string,
  told: readonly string[],
  transaction: Transaction,
): Promise<void> {
  for (const entry of await store.entries.findAll({ where: { jobId }, transaction })) {
    const body = cleaned(entry.body, told) as Record<string, unknown>;
    if (entry.kind === 'accepted') body.by = ERASED;
    if (entry.kind === 'signed') {
      if (body.customer) body.customer = ERASED;
      const { customer: drawn, ...rest } = (body.drawn ?? {}) as Record<string, string>;
      if (drawn !== undefined) {
        body.drawn = rest;
        await store.photos.destroy({ where: { hash: { [Op.eq]: drawn } }, transaction });
      }
    }
    if (JSON.stringify(body) !== JSON.stringify(entry.body))
      await entry.update({ body }, { transaction });
  }
}

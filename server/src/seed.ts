/** Loading the demo world. Idempotent: what is there already is left as it is. */
import type { DemoJob, DemoWorld } from '@jeitinho/demo';
import { seedOf } from '@jeitinho/core';
import { attachSheet } from './store/attach-sheet';
import { giveBench } from './store/benches';
import { appendEntries } from './store/append';
import { withSiteAndCustomer } from './store/joins';
import { keepPrices } from './store/price-list';
import { projectNow } from './store/projections';
import { Op } from 'sequelize';
import type { Store } from './store/models/index';
import { addPerson } from './store/people';
import { openJob } from './store/open-job';
import { saveSheet } from './store/save-sheet';

export async function seedDemo(store: Store, world: DemoWorld, today = new Date()): Promise<void> {
  const { shop } = world;
  if (!(await store.settings.findByPk('shop')))
    await store.settings.create({ name: 'shop', value: shop });
  if ((await store.people.count()) === 0)
    for (const person of world.people) await addPerson(store, { ...person, demo: true });
  if (!(await store.settings.findByPk('meters')))
    await store.settings.create({ name: 'meters', value: world.meters });
  if ((await store.prices.count()) === 0) await keepPrices(store, world.prices, false);
  await store.customers.bulkCreate([...world.customers], { ignoreDuplicates: true });
  await store.sites.bulkCreate([...world.sites], { ignoreDuplicates: true });
  await store.units.bulkCreate([...world.units], { ignoreDuplicates: true });
  for (const sheet of world.sheets) {
    // A shop that went on from here with revisions of its own keeps them.
    const newer = await store.sheets.findOne({
      where: { id: sheet.id, revision: { [Op.gte]: sheet.revision } },
    });
    if (!newer) await saveSheet(store, sheet);
  }
  // Units and visits of a demo world from before their sheets were written.
  for (const { id, sheetId } of world.units)
    if (sheetId) await store.units.update({ sheetId }, { where: { id, sheetId: null } });
  for (const job of world.jobs) await seedJob(store, job, world.people[0]!.name, today);
}

/**
 * Years of finished visits, one after the other beside everything else: there is nothing to wait for.
 * @returns how many came in.
 */
export async function seedHistory(
  store: Store,
  { past, people }: Pick<DemoWorld, 'past' | 'people'>,
  stopped: () => boolean = () => false,
): Promise<number> {
  let seeded = 0;
  const known = await store.settings.findByPk('demo-history');
  if (known) return seeded;
  for (const job of past()) {
    if (stopped()) return seeded;
    if (!(await stillThere(store, job.unitId))) continue;
    await seedJob(store, job, people[0]!.name, new Date());
    seeded += 1;
  }
  await store.settings.create({ name: 'demo-history', value: { visits: seeded } });
  return seeded;
}

/** A unit that was merged, or whose customer was erased, has no other years than it has. */
async function stillThere(store: Store, unitId: string): Promise<boolean> {
  const unit = await store.units.findByPk(unitId, { include: [withSiteAndCustomer] });
  return unit?.site?.customer !== undefined && !unit.site.customer.erasedAt;
}

async function seedJob(store: Store, job: DemoJob, author: string, today: Date): Promise<void> {
  if (!(await store.jobs.findByPk(job.id)))
    await openJob(store, {
      id: job.id,
      unitId: job.unitId,
      complaint: job.complaint,
      urgent: job.urgent,
      author,
      openedAt: job.openedAt ? new Date(job.openedAt) : today,
      visitAt: job.visitAt ? timeOn(today, job.visitAt, job.visitInDays) : null,
    });
  const known = await store.jobs.findByPk(job.id);
  const unit = await store.units.findByPk(job.unitId);
  if (known?.sheetId === null && unit?.sheetId) await attachSheet(store, job.id, unit.sheetId);
  const seated = await store.jobs.findByPk(job.id);
  if (job.hidden && seated?.status === 'open')
    await giveBench(store, seated, seedOf(`${job.id} ${dayOf(today)}`), job.hidden);
  // Idempotent by entry id, and completes a seeding that was interrupted.
  if (job.entries.length > 0) {
    const signed = (await store.jobs.findByPk(job.id))?.status === 'signed';
    if (!signed) await appendEntries(store, job.id, job.entries);
    await seedAhead(store, job, author, today);
    await projectNow(store);
  }
}

/** Counted from the day of the first seeding; what is there already keeps its day. */
async function seedAhead(store: Store, job: DemoJob, author: string, today: Date): Promise<void> {
  for (const { id, inDays, ...body } of job.ahead ?? []) {
    if (await store.entries.findOne({ where: { id } })) continue;
    const on = dayOf(timeOn(today, '12:00', inDays));
    const at = today.toISOString();
    await appendEntries(store, job.id, [
      { id, kind: 'follow-up', at, author, body: { ...body, on } },
    ]);
  }
}

const dayOf = (date: Date) => date.toISOString().slice(0, 10);

/** `08:30` local time, so many days after `today`. */
function timeOn(today: Date, clock: string, days = 0): Date {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  const time = new Date(today);
  time.setDate(time.getDate() + days);
  time.setHours(hours, minutes, 0, 0);
  return time;
}

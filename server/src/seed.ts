/** Loading the demo world. Idempotent: what is there already is left as it is. */
import type { DemoJob, DemoWorld } from '@jeitinho/demo';
import { appendEntries } from './store/log';
import type { Store } from './store/models/index';
import { openJob } from './store/open-job';
import { saveSheet } from './store/save-sheet';

export async function seedDemo(store: Store, world: DemoWorld, today = new Date()): Promise<void> {
  const { shop } = world;
  if (!(await store.settings.findByPk('shop')))
    await store.settings.create({ name: 'shop', value: shop });
  await store.customers.bulkCreate([...world.customers], { ignoreDuplicates: true });
  await store.sites.bulkCreate([...world.sites], { ignoreDuplicates: true });
  await store.units.bulkCreate([...world.units], { ignoreDuplicates: true });
  for (const sheet of world.sheets) {
    const known = await store.sheets.findOne({ where: { id: sheet.id } });
    if (!known) await saveSheet(store, sheet);
  }
  for (const job of world.jobs) await seedJob(store, job, shop.technician, today);
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
      visitAt: job.visitAt ? timeOn(today, job.visitAt) : null,
    });
  // Idempotent by entry id, and completes a seeding that was interrupted.
  if (job.entries.length > 0) {
    const signed = (await store.jobs.findByPk(job.id))?.status === 'signed';
    if (!signed) await appendEntries(store, job.id, job.entries);
  }
}

/** `08:30` on the local day of `today`. */
function timeOn(today: Date, clock: string): Date {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  const time = new Date(today);
  time.setHours(hours, minutes, 0, 0);
  return time;
}

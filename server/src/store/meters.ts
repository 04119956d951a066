/** The shop's meters, kept as one setting. The shop's own is the one jobs are opened with. */
import type { MeterProfile } from '@jeitinho/core';
import { notFound } from '../problem';
import type { Store } from './models/index';
import { shopOf } from './resources';

export async function listMeters(store: Store): Promise<MeterProfile[]> {
  const row = await store.settings.findByPk('meters');
  if (row) return row.value as MeterProfile[];
  const { meter } = await shopOf(store);
  return meter ? [meter] : [];
}

/** Add a meter, or take the place of the one with its id. Jobs keep the profile they began with. */
export async function keepMeter(store: Store, meter: MeterProfile): Promise<void> {
  await change(store, (all) =>
    all.some(({ id }) => id === meter.id)
      ? all.map((each) => (each.id === meter.id ? meter : each))
      : [...all, meter],
  );
}

/** @throws {ProblemError} 404 for a meter that is not there. */
export async function dropMeter(store: Store, id: string): Promise<void> {
  await change(store, (all) => {
    if (!all.some((each) => each.id === id)) throw notFound('such meter');
    return all.filter((each) => each.id !== id);
  });
}

/** The meter that new jobs are opened with. @throws {ProblemError} 404 for one that is not there. */
export async function takeMeter(store: Store, id: string): Promise<void> {
  const meter = (await listMeters(store)).find((each) => each.id === id);
  if (!meter) throw notFound('such meter');
  const shop = await shopOf(store);
  await store.settings.upsert({ name: 'shop', value: { ...shop, meter } });
}

async function change(store: Store, by: (all: MeterProfile[]) => MeterProfile[]): Promise<void> {
  await store.sequelize.transaction(async (transaction) => {
    const row = await store.settings.findByPk('meters', {
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const all = row ? (row.value as MeterProfile[]) : await listMeters(store);
    await store.settings.upsert({ name: 'meters', value: by(all) }, { transaction });
  });
}

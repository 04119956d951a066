/** Two rows that are one and the same: what belongs to the double goes over, and its id leads on. */
import type { Model, ModelStatic, Transaction } from 'sequelize';
import { notFound, ProblemError } from '../problem';
import type { Store } from './models/index';

type Kind = 'customer' | 'site' | 'unit';

interface Owned {
  readonly id: string;
}

interface Merge {
  readonly model: ModelStatic<Model & Owned>;
  /** Fields that are taken over where the one that stays has nothing there. */
  readonly fills: readonly string[];
  readonly move: (double: string, into: string, transaction: Transaction) => Promise<unknown>;
}

const mergesOf = (store: Store): Record<Kind, Merge> => ({
  customer: {
    model: store.customers,
    fills: ['phone'],
    move: (customerId, into, transaction) =>
      store.sites.update({ customerId: into }, { where: { customerId }, transaction }),
  },
  site: {
    model: store.sites,
    fills: ['address', 'town'],
    move: (siteId, into, transaction) =>
      store.units.update({ siteId: into }, { where: { siteId }, transaction }),
  },
  unit: {
    model: store.units,
    fills: ['serial', 'installedOn', 'warrantyUntil', 'sheetId'],
    move: (unitId, into, transaction) =>
      store.jobs.update({ unitId: into }, { where: { unitId }, transaction }),
  },
});

/**
 * @param id - The one that stays.
 * @throws {ProblemError} 404 without it; 422 for a double that is not there, or the same.
 */
export async function merge(store: Store, kind: Kind, id: string, double: string): Promise<void> {
  const { model, fills, move } = mergesOf(store)[kind];
  if (id === double)
    throw new ProblemError(422, 'same', 'Nothing was changed: this is one and the same.');
  await store.sequelize.transaction(async (transaction) => {
    // In one order, whichever of two is merged into the other: no deadlock.
    const rows = await model.findAll({
      where: { id: [id, double] } as never,
      order: ['id'],
      lock: transaction.LOCK.UPDATE,
      transaction,
    });
    const stays = rows.find((row) => row.id === id);
    const goes = rows.find((row) => row.id === double);
    if (!stays) throw notFound(`such ${kind}`);
    if (!goes)
      throw new ProblemError(
        422,
        'unknown-double',
        `Nothing was changed: the other ${kind} is not there; it may have been merged already.`,
        { errors: [{ path: '/double', message: `There is no such ${kind}.` }] },
      );
    const blank = fills.filter((field) => isBlank(stays.get(field)) && !isBlank(goes.get(field)));
    if (blank.length > 0)
      await stays.update(Object.fromEntries(blank.map((field) => [field, goes.get(field)])), {
        transaction,
      });
    await move(double, id, transaction);
    await store.merged.update({ into: id }, { where: { into: double }, transaction });
    await store.merged.create({ id: double, into: id, at: new Date() }, { transaction });
    await goes.destroy({ transaction });
  });
}

const isBlank = (value: unknown): boolean => value === null || value === '';

/** The id under which something lives now: its own, or that of the one it was merged into. */
export async function livingId(store: Store, id: string): Promise<string> {
  return (await store.merged.findByPk(id))?.into ?? id;
}

/** A row by its id, or by that of a double of it. */
export async function living<M extends Model & Owned>(
  store: Store,
  model: ModelStatic<M>,
  id: string,
): Promise<M | null> {
  return (await model.findByPk(id)) ?? (await model.findByPk(await livingId(store, id)));
}

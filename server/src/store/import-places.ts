/** A shop's list of customers and units: what is new is added, what is known stays, all of it or nothing. */
import { plainText, type ImportedPlaces, type PlaceRow } from '@jeitinho/core';
import type { CreationAttributes, Model, ModelStatic, Transaction } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { indexNewUnits } from '../search/index-units';
import type { Store } from './models/index';
import { sheetChooser } from './sheet-units';

/** Names are the same whatever their case, their accents and their spaces. */
const same = (text: string): string => plainText(text).replace(/\s+/g, ' ').trim();

const keyOf = (...texts: readonly string[]): string => JSON.stringify(texts.map(same));

/** Rows of one table by what makes them the same, those of the list and those in the database. */
class Known<M extends Model & { id: string }> {
  readonly #ids = new Map<string, string>();
  readonly #fresh: CreationAttributes<M>[] = [];

  constructor(
    private readonly model: ModelStatic<M>,
    rows: readonly M[],
    keysOf: (row: M) => readonly string[],
  ) {
    for (const row of rows) for (const key of keysOf(row)) this.#ids.set(key, row.id);
  }

  /** Its id, known or new. */
  idOf(keys: readonly string[], values: (id: string) => CreationAttributes<M>): string {
    const known = keys.map((key) => this.#ids.get(key)).find((id) => id !== undefined);
    if (known !== undefined) return known;
    const id = uuidv7();
    for (const key of keys) this.#ids.set(key, id);
    this.#fresh.push(values(id));
    return id;
  }

  async store(transaction: Transaction): Promise<number> {
    await this.model.bulkCreate(this.#fresh, { transaction });
    return this.#fresh.length;
  }
}

export async function importPlaces(
  store: Store,
  rows: readonly PlaceRow[],
): Promise<ImportedPlaces> {
  const imported = await store.sequelize.transaction(async (transaction) => {
    const named = [...new Set(rows.map(({ customer }) => customer))];
    const knownCustomers = await store.customers.findAll({ where: { name: named }, transaction });
    const customers = new Known(store.customers, knownCustomers, ({ name }) => [keyOf(name)]);
    const knownSites = await store.sites.findAll({
      where: { customerId: knownCustomers.map(({ id }) => id) },
      transaction,
    });
    const sites = new Known(store.sites, knownSites, ({ customerId, name }) => [
      keyOf(customerId, name),
    ]);
    const knownUnits = await store.units.findAll({
      where: { siteId: knownSites.map(({ id }) => id) },
      transaction,
    });
    const units = new Known(store.units, knownUnits, (unit) => unitKeys(unit.siteId, unit));
    const sheetFor = await sheetChooser(store);
    const unitRows = rows.filter(({ label }) => label !== '');
    for (const row of rows) {
      const customerId = customers.idOf([keyOf(row.customer)], (id) => ({
        id,
        name: row.customer,
        phone: row.phone,
      }));
      const siteId = sites.idOf([keyOf(customerId, row.site)], (id) => ({
        id,
        customerId,
        name: row.site,
        address: row.address,
        town: row.town,
      }));
      if (row.label === '') continue;
      const { label, maker, model, serial, kind } = row;
      units.idOf(unitKeys(siteId, row), (id) => ({
        id,
        siteId,
        label,
        maker,
        model,
        serial,
        kind,
        installedOn: row.installed || null,
        warrantyUntil: row.warranty || null,
        sheetId: sheetFor(maker, model),
      }));
    }
    const added = {
      customers: await customers.store(transaction),
      sites: await sites.store(transaction),
      units: await units.store(transaction),
    };
    return { ...added, known: unitRows.length - added.units };
  });
  await indexNewUnits(store);
  return imported;
}

/** A serial number tells a unit; without one its label, maker and model at its site do. */
const unitKeys = (
  siteId: string,
  unit: { label: string; maker: string; model: string; serial: string },
): string[] =>
  unit.serial === ''
    ? [keyOf(siteId, unit.label, unit.maker, unit.model)]
    : [keyOf(siteId, unit.maker, unit.serial)];

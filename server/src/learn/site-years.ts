/** A site: what stands there, and everything of it over the years. */
import type { AnswerOf } from '@jeitinho/core';
import type { Store } from '../store/models/index';
import type { Site } from '../store/models/site';
import { raw } from '../store/raw';
import { yearsOf } from './years';

interface UnitRow {
  readonly id: string;
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly visits: number | bigint;
}

export async function siteYears(store: Store, site: Site): Promise<AnswerOf<'siteYears'>> {
  const { id, name, address, town } = site;
  const [customer, units, years] = await Promise.all([
    store.customers.findByPk(site.customerId),
    raw<UnitRow[]>(
      store.sequelize,
      `SELECT u.id, u.label, u.maker, u.model, (SELECT COUNT(*) FROM jobs j WHERE j.unitId = u.id) AS visits
         FROM units u WHERE u.siteId = ? ORDER BY u.label, u.id`,
      [id],
    ),
    yearsOf(store, { site: id }),
  ]);
  return {
    site: { id, name, address, town },
    customer: { id: site.customerId, name: customer?.name ?? '' },
    units: units.map((unit) => ({ ...unit, visits: Number(unit.visits) })),
    years,
  };
}

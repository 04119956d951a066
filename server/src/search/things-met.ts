/** Jobs and units that were found, as they are shown; in the order in which they were met. */
import type { FoundResource, UnitFound } from '@jeitinho/core';
import { FOUND_COLUMNS } from '../store/find-units';
import { withUnit } from '../store/joins';
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';
import { jobListItem } from '../store/resources';
import type { Met } from './find';

type Thing = FoundResource['found'][number];

export async function thingsMet(store: Store, met: readonly Met[]): Promise<Thing[]> {
  const refs = (kind: Met['kind']) =>
    met.filter((each) => each.kind === kind).map(({ ref }) => ref);
  const units = refs('unit');
  const [jobRows, unitRows] = await Promise.all([
    store.jobs.findAll({ where: { id: refs('job') }, include: [withUnit] }),
    units.length === 0
      ? []
      : raw<(UnitFound & { readonly address: string })[]>(
          store.sequelize,
          `SELECT ${FOUND_COLUMNS} FROM units u JOIN sites s ON s.id = u.siteId WHERE u.id IN (${units.map(() => '?').join(', ')})`,
          units,
        ),
  ]);
  const things = new Map<string, Thing>([
    ...jobRows.map((row) => [row.id, { kind: 'job', job: jobListItem(row) }] as const),
    ...unitRows.map(({ address: _address, ...unit }) => [unit.id, { kind: 'unit', unit }] as const),
  ]);
  return met.flatMap(({ ref }) => things.get(ref) ?? []);
}

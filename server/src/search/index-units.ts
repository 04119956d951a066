/** What units are found by: their plate, where they stand, whose they are. Their jobs are found by the same. */
import { findableWords } from '@jeitinho/core/job';
import { projectLater } from '../store/projections';
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';
import { keepWords } from './keep-words';
import { UNITS_IN_PLACES, UNIT_TEXTS, type UnitTexts } from './unit-texts';

export type Whose =
  | { readonly unit: string }
  | { readonly site: string }
  | { readonly customer: string };

/** After something of a place changed: its units at once, their jobs a moment later. */
export async function indexPlaces(store: Store, whose: Whose): Promise<void> {
  const [column, id] =
    'unit' in whose
      ? ['u.id', whose.unit]
      : 'site' in whose
        ? ['s.id', whose.site]
        : ['c.id', whose.customer];
  const rows = await raw<UnitTexts[]>(
    store.sequelize,
    `SELECT u.id, ${UNIT_TEXTS} AS texts ${UNITS_IN_PLACES} WHERE ${column} = ?`,
    [id],
  );
  await keepUnits(store, rows);
  if (rows.length === 0) return;
  const jobs = await raw<{ id: string }[]>(
    store.sequelize,
    `SELECT id FROM jobs WHERE sheetId IS NOT NULL AND unitId IN (${rows.map(() => '?').join(', ')})`,
    rows.map((row) => row.id),
  );
  for (const job of jobs) projectLater(store, job.id);
}

async function keepUnits(store: Store, rows: readonly UnitTexts[]): Promise<void> {
  for (const { id, texts } of rows) await keepWords(store, 'unit', id, findableWords([texts]));
}

const AT_ONCE = 200;

/** Units that nothing finds yet: those of before there was a memory, of an import, of a restore. */
export async function indexNewUnits(store: Store): Promise<number> {
  for (let done = 0; ;) {
    const rows = await raw<UnitTexts[]>(
      store.sequelize,
      `SELECT u.id, ${UNIT_TEXTS} AS texts ${UNITS_IN_PLACES}
        WHERE NOT EXISTS (SELECT 1 FROM found_docs d WHERE d.kind = 'unit' AND d.ref = u.id) LIMIT ${AT_ONCE}`,
    );
    await keepUnits(store, rows);
    done += rows.length;
    if (rows.length < AT_ONCE) return done;
  }
}

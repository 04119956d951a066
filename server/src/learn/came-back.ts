/**
 * A unit that is visited again soon after something was done to it came back. Which visit that was stands beside the
 * lesson, for whole shops are looked through by it.
 */
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';

export const CAME_BACK_DAYS = 90;

/** Reckons it anew for all lessons of a unit: after a visit was opened, signed, brought in or merged. */
export async function noteCameBack(store: Store, unitId: string): Promise<void> {
  await raw(
    store.sequelize,
    `UPDATE lessons l SET l.backWith = IF(l.done = '', NULL, (
       SELECT n.id FROM jobs n
        WHERE n.unitId = l.unitId AND n.id <> l.jobId AND n.openedAt > l.signedAt
          AND n.openedAt <= l.signedAt + INTERVAL ${CAME_BACK_DAYS} DAY
        ORDER BY n.openedAt LIMIT 1))
      WHERE l.unitId = ?`,
    [unitId],
  );
}

export interface BackRow {
  readonly id: string;
  readonly openedAt: Date;
  readonly complaint: string;
  readonly done: string;
}

/** What those later visits were for. */
export async function laterVisits(
  store: Store,
  ids: readonly (string | null)[],
): Promise<ReadonlyMap<string, BackRow>> {
  const wanted = ids.filter((id) => id !== null);
  if (wanted.length === 0) return new Map();
  const rows = await raw<BackRow[]>(
    store.sequelize,
    `SELECT id, openedAt, complaint, COALESCE(JSON_VALUE(summary, '$.ending'), '') AS done
       FROM jobs WHERE id IN (${wanted.map(() => '?').join(', ')})`,
    wanted,
  );
  return new Map(rows.map((row) => [row.id, row]));
}

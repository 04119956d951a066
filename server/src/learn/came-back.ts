/** A unit that is visited again soon after something was done to it came back. */
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';

const CAME_BACK_DAYS = 90;

/** @param l - Name in the query of a row of `lessons` or `work_done`. */
const laterThan = (l: string) =>
  `n.unitId = ${l}.unitId AND n.id <> ${l}.jobId AND n.openedAt > ${l}.signedAt
   AND n.openedAt <= ${l}.signedAt + INTERVAL ${CAME_BACK_DAYS} DAY`;

const wasWorkedOn = (l: string) => `EXISTS (SELECT 1 FROM work_done w WHERE w.jobId = ${l}.jobId)`;

/** Condition that a row's job came back. */
export const cameBack = (l: string): string =>
  `(${wasWorkedOn(l)} AND EXISTS (SELECT 1 FROM jobs n WHERE ${laterThan(l)}))`;

/** Id of the visit that it came back with; null where it did not. */
export const backWith = (l: string): string =>
  `IF(${wasWorkedOn(l)}, (SELECT n.id FROM jobs n WHERE ${laterThan(l)} ORDER BY n.openedAt LIMIT 1), NULL)`;

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

/** Parts that were held against a sheet's own and were none of the maker's: what became of them. */
import type { SubstituteResource } from '@jeitinho/core';
import { matchOf, type JobSummary } from '@jeitinho/core/job';
import { findPart, type Sheet } from '@jeitinho/core/sheet';
import { CAME_BACK_DAYS } from '../learn/came-back';
import type { Store } from './models/index';
import { raw } from './raw';

/** Of so many, the newest, it is told. */
const MOST = 50;

interface Row {
  readonly jobId: string;
  readonly text: string;
  readonly at: Date;
  readonly summary: string | null;
  readonly fitted: number;
  readonly again: number;
}

export async function substitutes(
  store: Store,
  sheet: Sheet,
  part: string,
): Promise<SubstituteResource[]> {
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT e.jobId, CONCAT(e.body, '') AS text, e.at, CONCAT(j.summary, '') AS summary,
            EXISTS (SELECT 1 FROM entries f WHERE f.jobId = e.jobId AND f.kind = 'work' AND f.seq > e.seq
                     AND JSON_VALUE(f.body, '$.part') = ? AND JSON_VALUE(f.body, '$.what') = 'fitted') AS fitted,
            EXISTS (SELECT 1 FROM jobs later WHERE later.unitId = j.unitId AND later.openedAt > j.openedAt
                     AND later.openedAt < j.openedAt + INTERVAL ${CAME_BACK_DAYS} DAY) AS again
       FROM jobs j JOIN entries e ON e.jobId = j.id
      WHERE j.sheetId = ? AND e.kind = 'matched' AND JSON_VALUE(e.body, '$.part') = ? AND NOT EXISTS (
        SELECT 1 FROM entries w
         WHERE w.jobId = e.jobId AND w.kind = 'withdrawn' AND JSON_VALUE(w.body, '$.entry') = e.id)
      ORDER BY e.at DESC, e.seq DESC LIMIT ${MOST}`,
    [part, sheet.id, part],
  );
  const own = findPart(sheet, part);
  const seen = new Set<string>();
  return rows.flatMap(({ jobId, text, at, summary, fitted, again }) => {
    const body = JSON.parse(text) as { number: string; values: Record<string, string> };
    const key = `${jobId} ${body.number}`;
    if (seen.has(key) || matchOf(own, body).verdict === 'original') return [];
    seen.add(key);
    const { proven } = (summary === null ? {} : JSON.parse(summary)) as Partial<JobSummary>;
    const fared = !fitted ? 'not-fitted' : again ? 'came-back' : proven ? 'proven' : 'unproven';
    return [{ job: jobId, part, number: body.number, at: at.toISOString(), fared }];
  });
}

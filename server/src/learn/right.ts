/** How right what was said turned out to be: over all, by sheet, where somebody chose otherwise; and surprises. */
import type { RightResource } from '@jeitinho/core';
import { calibrationOf } from '@jeitinho/core/diagnose';
import type { Store } from '../store/models/index';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';

/** What was called at least so likely and was not so surprises; so does what was called no likelier than that. */
const SURE = 0.8;
const UNLIKELY = 0.2;
const MOST_SURPRISES = 30;

interface BandRow {
  readonly sheetId: string;
  readonly title: string | null;
  readonly band: number | bigint;
  readonly count: number | bigint;
  readonly right: number | string;
  readonly sumP: number;
  readonly sumSquares: number;
}

interface OverruledRow {
  readonly who: string;
  readonly count: number | bigint;
  readonly theirs: number | string;
  readonly ours: number | string;
}

/** @param only - Whose overrulings are told; undefined for everybody's. */
export async function rightOf(store: Store, only: string | undefined): Promise<RightResource> {
  await projectNow(store);
  const { sequelize } = store;
  const standing = 'l.saidRight IS NOT NULL AND l.backWith IS NULL';
  const [rows, [unknown], overruled] = await Promise.all([
    raw<BandRow[]>(
      sequelize,
      `SELECT b.*, s.title FROM (
         SELECT l.sheetId, LEAST(9, FLOOR(l.said * 10)) AS band, COUNT(*) AS count, SUM(l.saidRight) AS \`right\`,
                SUM(l.said) AS sumP, SUM((l.said - l.saidRight) * (l.said - l.saidRight)) AS sumSquares
           FROM lessons l WHERE ${standing} GROUP BY l.sheetId, band
       ) b LEFT JOIN sheets s ON s.id = b.sheetId AND s.newest`,
    ),
    raw<{ unproven: number | string | null; back: number | string | null }[]>(
      sequelize,
      `SELECT SUM(l.saidRight IS NULL AND l.said IS NOT NULL) AS unproven,
              SUM(l.saidRight IS NOT NULL AND l.backWith IS NOT NULL) AS back FROM lessons l`,
    ),
    raw<OverruledRow[]>(
      sequelize,
      `SELECT l.technician AS who, COUNT(*) AS count, SUM(l.chosenRight) AS theirs,
              SUM(l.saidRight AND NOT l.chosenRight) AS ours
         FROM lessons l WHERE ${standing} AND l.overruled ${only === undefined ? '' : 'AND l.technician = ?'}
        GROUP BY l.technician ORDER BY l.technician`,
      only === undefined ? [] : [only],
    ),
  ]);
  const bands = rows.map((row) => ({
    ...row,
    band: Number(row.band),
    count: Number(row.count),
    right: Number(row.right),
  }));
  const all = calibrationOf(bands);
  const sheets = [...new Set(bands.map(({ sheetId }) => sheetId))].map((sheet) => {
    const own = bands.filter(({ sheetId }) => sheetId === sheet);
    return { sheet, title: own[0]!.title ?? sheet, ...calibrationOf(own)! };
  });
  return {
    bands: summed(bands),
    ...(all && { all }),
    unproven: Number(unknown?.unproven ?? 0),
    calledBack: Number(unknown?.back ?? 0),
    sheets: sheets.sort((a, b) => a.title.localeCompare(b.title)),
    overruled: overruled.map((row) => {
      const [count, theirs, ours] = [row.count, row.theirs, row.ours].map(Number) as [
        number,
        number,
        number,
      ];
      return { who: row.who, count, theirs, ours, neither: count - theirs - ours };
    }),
    surprises: await surprises(store),
  };
}

function summed(
  rows: readonly { band: number; count: number; right: number; sumP: number; sumSquares: number }[],
): RightResource['bands'] {
  return Array.from({ length: 10 }, (_, band) => {
    const own = rows.filter((row) => row.band === band);
    const sum = (of: 'count' | 'right' | 'sumP' | 'sumSquares') =>
      own.reduce((total, row) => total + row[of], 0);
    return {
      from: band / 10,
      ...{ count: sum('count'), right: sum('right') },
      ...{ sumP: sum('sumP'), sumSquares: sum('sumSquares') },
    };
  }).filter(({ count }) => count > 0);
}

interface SurpriseRow {
  readonly jobId: string;
  readonly signedAt: Date;
  readonly label: string;
  readonly site: string;
  readonly said: number;
  readonly part: string;
  readonly done: string;
  readonly saidRight: number | null;
  readonly back: number;
}

/** The latest of them. */
async function surprises(store: Store): Promise<RightResource['surprises']> {
  const rows = await raw<SurpriseRow[]>(
    store.sequelize,
    `SELECT l.jobId, l.signedAt, u.label, s.name AS site, l.said, l.saidRight, l.backWith IS NOT NULL AS back,
            l.saidName AS part, l.done
       FROM (
         SELECT * FROM lessons FORCE INDEX (lessons_when)
          WHERE said IS NOT NULL AND ((saidRight = 0 AND said >= ${SURE}) OR (saidRight = 1 AND said <= ${UNLIKELY})
             OR (proven AND backWith IS NOT NULL))
          ORDER BY signedAt DESC LIMIT ${MOST_SURPRISES}
       ) l JOIN units u ON u.id = l.unitId JOIN sites s ON s.id = u.siteId ORDER BY l.signedAt DESC`,
  );
  return rows.map(({ jobId, signedAt, label, site, said, part, done, saidRight, back }) => ({
    ...{ job: jobId, at: signedAt.toISOString(), label, site, said: part, p: said },
    was: done,
    why: back ? 'came-back' : saidRight === 1 ? 'unexpected' : 'not-so',
  }));
}

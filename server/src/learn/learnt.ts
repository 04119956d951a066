/** What a sheet's proven jobs say of it, and adopting that. */
import { type LearntResource, numberKey } from '@jeitinho/core';
import {
  bandsOf,
  calibrationOf,
  familyOdds,
  type FamilyOdds,
  type Lesson,
  type SeldomProven,
  seldomProven,
  toAuthor,
} from '@jeitinho/core/diagnose';
import { faultsOn } from '@jeitinho/core/job';
import { findPart, plainSheet, type Sheet, testsOf } from '@jeitinho/core/sheet';
import { notFound, ProblemError } from '../problem';
import { audit } from '../store/audit';
import { isDuplicate } from '../store/database-errors';
import type { Store } from '../store/models/index';
import { newestSheet } from '../store/open-job';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';
import { addOdds, oddsRevisions, type OddsRow } from './odds-in-use';
import { patternsOf } from './patterns';

/** Lessons that tests and limits are judged by: the newest. */
const MOST_LESSONS = 2_000;

interface CountRow {
  readonly faults: string;
  readonly said: number | null;
  readonly saidRight: number | null;
  readonly back: number;
}

interface Counted {
  readonly sheet: Sheet;
  readonly odds: FamilyOdds;
  readonly seldom: readonly SeldomProven[];
  readonly rows: readonly CountRow[];
}

/** Proven jobs of a sheet; those that came back count for nothing. @throws {ProblemError} 404 */
async function counted(store: Store, sheetId: string): Promise<Counted> {
  const written = await newestSheet(store, sheetId);
  if (!written) throw notFound('such sheet');
  const sheet = plainSheet(written);
  await projectNow(store);
  const rows = await raw<CountRow[]>(
    store.sequelize,
    `SELECT CONCAT(JSON_EXTRACT(b.body, '$.faults'), '') AS faults, l.said, l.saidRight, l.backWith IS NOT NULL AS back
       FROM lessons l JOIN lesson_bodies b ON b.jobId = l.jobId WHERE l.sheetId = ? AND l.proven`,
    [sheetId],
  );
  const standing = rows.filter(({ back }) => !back);
  const led = await raw<{ part: string; proven: number }[]>(
    store.sequelize,
    'SELECT saidPart AS part, proven FROM lessons WHERE sheetId = ? AND said IS NOT NULL',
    [sheetId],
  );
  const seldom = seldomProven(led.map(({ part, proven }) => ({ part, proven: proven === 1 })));
  const aside = new Set(seldom.flatMap(({ part }) => faultsOn(sheet, part).map(({ id }) => id)));
  const lessons = standing.map(({ faults }) => ({
    proven: true,
    faults: JSON.parse(faults) as Lesson['faults'],
  }));
  return { sheet, odds: familyOdds(sheet, lessons, aside), seldom, rows };
}

export async function learntOf(store: Store, sheetId: string): Promise<LearntResource> {
  const { sheet, odds, seldom, rows } = await counted(store, sheetId);
  const lessons = await raw<{ jobId: string; body: string }[]>(
    store.sequelize,
    `SELECT l.jobId, CONCAT(b.body, '') AS body FROM lessons l JOIN lesson_bodies b ON b.jobId = l.jobId
      WHERE l.sheetId = ? ORDER BY l.signedAt DESC LIMIT ${MOST_LESSONS}`,
    [sheetId],
  );
  const revisions = await oddsRevisions(store, sheetId);
  const [newest] = revisions;
  const { patterns, currency } = await patternsOf(store);
  const forecasts = rows.flatMap(({ said, saidRight, back }) =>
    said === null || saidRight === null || back ? [] : [{ p: said, right: saidRight === 1 }],
  );
  const calibration = calibrationOf(bandsOf(forecasts));
  const known = sheet.faults.reduce((sum, { id }) => sum + (newest?.shares[id] ?? 0), 0);
  return {
    sheet: sheetId,
    title: sheet.title,
    maker: sheet.equipment.maker,
    models: sheet.equipment.models,
    units: await store.units.count({ where: { sheetId } }),
    jobs: odds.jobs,
    calledBack: rows.filter(({ back }) => back).length,
    gone: odds.gone,
    seldom: seldom.map((each) => ({
      ...each,
      name: findPart(sheet, each.part)?.name ?? each.part,
    })),
    faults: odds.faults.map((each) => ({
      ...each,
      interval: [...each.interval],
      inUse:
        newest?.kind === 'adopted' && known > 0
          ? (newest.shares[each.fault] ?? each.own)
          : each.own,
    })),
    revisions: revisions.map(({ at, shares: _shares, ...row }) => ({
      ...row,
      at: at.toISOString(),
    })),
    ...toAuthorOf(sheet, lessons),
    fared: await faredOf(store, sheet),
    ...(calibration && { calibration }),
    currency,
    patterns: patterns.filter((each) => each.sheet === sheetId),
  };
}

function toAuthorOf(sheet: Sheet, rows: readonly { jobId: string; body: string }[]) {
  const lessons = rows.map(({ jobId, body }) => ({ job: jobId, ...(JSON.parse(body) as Lesson) }));
  const { silent, failed } = toAuthor(testsOf(sheet), lessons);
  return {
    silent: [...silent],
    failed: failed.map((each) => ({ ...each, readings: [...each.readings] })),
  };
}

interface FaredRow {
  readonly kind: 'part' | 'repair' | 'other';
  readonly what: string;
  readonly name: string;
  readonly number: string | null;
  readonly done: number | bigint;
  readonly proven: number | string;
  readonly back: number | string;
}

async function faredOf(store: Store, sheet: Sheet): Promise<LearntResource['fared']> {
  const rows = await raw<FaredRow[]>(
    store.sequelize,
    `SELECT l.kind, l.what, MAX(l.name) AS name, l.number, COUNT(*) AS done, SUM(l.proven) AS proven, SUM(t.backWith IS NOT NULL) AS back
       FROM work_done l JOIN lessons t ON t.jobId = l.jobId WHERE l.sheetId = ? GROUP BY l.kind, l.what, l.number ORDER BY done DESC, name LIMIT 200`,
    [sheet.id],
  );
  return rows.map(({ kind, what, name, number, done, proven, back }) => {
    const own = kind === 'part' ? findPart(sheet, what)?.number : undefined;
    const substitute = number !== null && own !== undefined && numberKey(number) !== numberKey(own);
    return {
      ...{ kind, name, number: number ?? '', substitute },
      ...{ done: Number(done), proven: Number(proven), cameBack: Number(back) },
    };
  });
}

interface Adoption {
  readonly take: 'learnt' | 'own';
  readonly jobs: number;
  readonly note: string;
}

/** @throws {ProblemError} 409 where other jobs count by now, or nothing would change; 404 */
export async function adoptOdds(
  store: Store,
  sheetId: string,
  { take, jobs, note }: Adoption,
  who: string,
): Promise<void> {
  const { odds } = await counted(store, sheetId);
  const [newest] = await oddsRevisions(store, sheetId);
  if (take === 'own' && newest?.kind !== 'adopted')
    throw new ProblemError(
      409,
      'own-already',
      'Nothing was changed: the sheet’s own odds are in use.',
    );
  if (take === 'learnt' && odds.jobs === 0)
    throw new ProblemError(409, 'nothing-learnt', 'Nothing was changed: no job was proven yet.');
  if (take === 'learnt' && odds.jobs !== jobs)
    throw new ProblemError(
      409,
      'counted-anew',
      `Nothing was changed: ${odds.jobs} jobs count by now, not ${jobs}. Look at the new figures first.`,
    );
  const revision = (newest?.revision ?? 0) + 1;
  const shares =
    take === 'own' ? {} : Object.fromEntries(odds.faults.map((each) => [each.fault, each.share]));
  const kind: OddsRow['kind'] = take === 'own' ? 'reset' : 'adopted';
  try {
    await addOdds(store, sheetId, {
      ...{ revision, kind, shares, note },
      ...{ at: new Date(), author: who, jobs: odds.jobs },
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    throw new ProblemError(
      409,
      'counted-anew',
      'Nothing was changed: somebody else adopted odds in the same moment. Look again.',
    );
  }
  store.memory.patterns = undefined;
  await audit(store, who, 'odds-changed', { sheet: sheetId, revision, kind, jobs: odds.jobs });
}

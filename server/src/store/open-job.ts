/** Opening a job: freezes the newest revision of the unit's sheet and the shop's meter into it. */
import { carriedFrom } from '@jeitinho/core/diagnose';
import {
  foldJob,
  jobSheet,
  type KeptTwin,
  MOST_TWINS,
  summarise,
  type StoredEntry,
} from '@jeitinho/core/job';
import { allObservables, type Sheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { and, literal } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../problem';
import type { Job } from './models/job';
import type { Store } from './models/index';
import { frozenRevision } from './frozen-sheets';
import { coldJob } from './hot-jobs';
import { noteCameBack } from '../learn/came-back';
import { oddsInUse } from '../learn/odds-in-use';
import { projected, projectLater, projectNow, queueOf } from './projections';
import { living } from './merge';
import { shopOf } from './resources';

export interface OpenJob {
  readonly id?: string;
  readonly unitId: string;
  readonly complaint: string;
  readonly urgent?: boolean;
  readonly visitAt?: Date | null;
  readonly openedAt?: Date;
  /** Id of the entry that opens it, where a device opened it while it was away. */
  readonly openedId?: string;
  readonly author?: string;
  /** The signed visit that this one goes on from; the last one, where it is to be come back to. */
  readonly continues?: string;
}

/** @throws {ProblemError} 422 without the unit; 409 when the id is taken. */
export async function openJob(store: Store, input: OpenJob): Promise<Job> {
  const unit = await living(store, store.units, input.unitId);
  if (!unit)
    throw new ProblemError(422, 'unknown-unit', 'Nothing was stored: there is no such unit.', {
      errors: [{ path: '/unitId', message: 'There is no such unit.' }],
    });
  const id = input.id ?? uuidv7();
  if (await store.jobs.findByPk(id))
    throw new ProblemError(409, 'id-used', 'A job with this id is there already.');
  const earlier = await earlierVisit(store, unit.id, input.continues);
  const sheet =
    earlier?.sheet ?? (unit.sheetId ? await newestSheet(store, unit.sheetId) : undefined);
  const twins = sheet ? await twinsKept(store, jobSheet(sheet, [])) : [];
  const odds = sheet && (await oddsInUse(store, sheet.id));
  const shop = await shopOf(store);
  const openedAt = input.openedAt ?? new Date();
  const opened = {
    id: input.openedId ?? uuidv7(),
    seq: 1,
    kind: 'opened',
    at: openedAt.toISOString(),
    author: input.author ?? 'office',
    body: {
      complaint: input.complaint,
      meter: shop.meter,
      rules: 2,
      ...(earlier && { continues: earlier.continues }),
      ...(twins.length > 0 && { twins }),
      ...(odds && { odds: { revision: odds.revision, shares: { ...odds.shares } } }),
    },
  } satisfies StoredEntry;
  const job = await store.sequelize.transaction(async (transaction) => {
    const row = await store.jobs.create(
      {
        id,
        unitId: unit.id,
        sheetId: sheet?.id ?? null,
        sheetRevision: sheet?.revision ?? null,
        complaint: input.complaint,
        urgent: input.urgent ?? false,
        queue: queueOf(false, input.urgent ?? false),
        visitAt: input.visitAt ?? null,
        openedAt,
        lastSeq: 1,
        ...(sheet &&
          projected(summarise(jobSheet(sheet, [opened]), foldJob(sheet, [opened])), input.urgent)),
      },
      { transaction },
    );
    await store.entries.create(
      { ...opened, jobId: id, at: openedAt, receivedAt: new Date() },
      { transaction },
    );
    return row;
  });
  // It can be found from now on, and what was done there before came back.
  projectLater(store, id);
  await noteCameBack(store, unit.id);
  return job;
}

/**
 * What an earlier visit to the unit had found and done: the one that is named, else the last one where it
 * ended so that somebody comes back. It goes on with the sheet that visit had.
 * @throws {ProblemError} 422 for a visit that is not there, not signed, or to another unit.
 */
async function earlierVisit(store: Store, unitId: string, named: string | undefined) {
  await projectNow(store);
  const row = await store.jobs.findOne({
    where: { unitId, status: 'signed', ...(named !== undefined && { id: named }) },
    order: [['signedAt', 'DESC']],
  });
  if (named !== undefined && !row)
    throw new ProblemError(422, 'unknown-visit', 'Nothing was stored: there is no such visit.', {
      errors: [{ path: '/continues', message: 'There is no signed visit like this to this unit.' }],
    });
  if (!row) return undefined;
  const { written, fold } = await coldJob(store, row.id, row);
  const state = fold.state();
  const comeBack = state.decision?.body.endings.some(({ kind }) => kind === 'come-back');
  if (!written || !state.signed || (named === undefined && !comeBack)) return undefined;
  const carried = carriedFrom(fold.sheet, state);
  return { sheet: written, continues: { job: row.id, at: state.signed.at, carried } };
}

/** Visits looked at, the newest first: what is older than these, nobody trusts as a limit. */
const VISITS_WITH_TWINS = 50;

/** What good twins of a model read, the latest at each place that its sheet still asks for. */
async function twinsKept(store: Store, sheet: Sheet): Promise<KeptTwin[]> {
  await projectNow(store);
  const visits = await store.jobs.findAll({
    attributes: ['summary'],
    where: and({ sheetId: sheet.id }, literal(`JSON_CONTAINS_PATH(summary, 'one', '$.twins')`)),
    order: [['openedAt', 'DESC']],
    limit: VISITS_WITH_TWINS,
  });
  const known = new Set(allObservables(sheet).map(({ id }) => id));
  const latest = new Map<string, KeptTwin>();
  for (const twin of visits.flatMap(({ summary }) => summary?.twins ?? []))
    if (known.has(twin.observable) && twin.at > (latest.get(twin.observable)?.at ?? ''))
      latest.set(twin.observable, twin);
  return [...latest.values()].slice(0, MOST_TWINS);
}

export async function newestSheet(store: Store, id: string): Promise<WrittenSheet | undefined> {
  const row = await store.sheets.findOne({
    attributes: ['revision'],
    where: { id },
    order: [['revision', 'DESC']],
  });
  return row ? (await frozenRevision(store, id, row.revision))?.document : undefined;
}

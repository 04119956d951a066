/** Opening a job: freezes the newest revision of the unit's sheet and the shop's meter into it. */
import { foldJob, summarise, type StoredEntry } from '@jeitinho/core/job';
import type { Sheet } from '@jeitinho/core/sheet';
import { v7 as uuidv7 } from 'uuid';
import { ProblemError } from '../problem';
import type { Job } from './models/job';
import type { Store } from './models/index';
import { frozenRevision } from './frozen-sheets';
import { projected } from './projections';
import { shopOf } from './resources';

export interface OpenJob {
  readonly id?: string;
  readonly unitId: string;
  readonly complaint: string;
  readonly urgent?: boolean;
  readonly visitAt?: Date | null;
  readonly openedAt?: Date;
  readonly author?: string;
}

/** @throws {ProblemError} 422 without the unit; 409 when the id is taken. */
export async function openJob(store: Store, input: OpenJob): Promise<Job> {
  const unit = await store.units.findByPk(input.unitId);
  if (!unit)
    throw new ProblemError(422, 'unknown-unit', 'Nothing was stored: there is no such unit.', {
      errors: [{ path: '/unitId', message: 'There is no such unit.' }],
    });
  const id = input.id ?? uuidv7();
  if (await store.jobs.findByPk(id))
    throw new ProblemError(409, 'id-used', 'A job with this id is there already.');
  const sheet = unit.sheetId ? await newestSheet(store, unit.sheetId) : undefined;
  const shop = await shopOf(store);
  const openedAt = input.openedAt ?? new Date();
  const opened = {
    id: uuidv7(),
    seq: 1,
    kind: 'opened',
    at: openedAt.toISOString(),
    author: input.author ?? (shop.technician || 'office'),
    body: { complaint: input.complaint, meter: shop.meter, rules: 2 },
  } satisfies StoredEntry;
  return store.sequelize.transaction(async (transaction) => {
    const job = await store.jobs.create(
      {
        id,
        unitId: unit.id,
        sheetId: sheet?.id ?? null,
        sheetRevision: sheet?.revision ?? null,
        complaint: input.complaint,
        urgent: input.urgent ?? false,
        visitAt: input.visitAt ?? null,
        openedAt,
        lastSeq: 1,
        ...(sheet && projected(summarise(sheet, foldJob(sheet, [opened])))),
      },
      { transaction },
    );
    await store.entries.create(
      { ...opened, jobId: id, at: openedAt, receivedAt: new Date() },
      { transaction },
    );
    return job;
  });
}

export async function newestSheet(store: Store, id: string): Promise<Sheet | undefined> {
  const row = await store.sheets.findOne({
    attributes: ['revision'],
    where: { id },
    order: [['revision', 'DESC']],
  });
  return row ? (await frozenRevision(store, id, row.revision))?.document : undefined;
}

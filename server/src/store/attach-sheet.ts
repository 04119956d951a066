/** Giving a sheet to a job that was opened when its model had none. A sheet once given stays. */
import { foldJob, jobSheet, summarise } from '@jeitinho/core/job';
import { notFound, ProblemError } from '../problem';
import { entryPage } from './entry-rows';
import { newestSheet } from './open-job';
import { projected } from './projections';
import type { Store } from './models/index';

/** @throws {ProblemError} 404 without the job; 409 when it has a sheet; 422 without such a sheet. */
export async function attachSheet(store: Store, jobId: string, sheetId: string): Promise<void> {
  await store.sequelize.transaction(async (transaction) => {
    const job = await store.jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!job) throw notFound('such job');
    if (job.sheetId === sheetId) return;
    if (job.sheetId !== null)
      throw new ProblemError(
        409,
        'has-sheet',
        'This job has its sheet already; what was measured was judged by it.',
      );
    const sheet = await newestSheet(store, sheetId);
    if (!sheet)
      throw new ProblemError(422, 'unknown-sheet', 'Nothing was stored: there is no such sheet.', {
        errors: [{ path: '/sheetId', message: 'There is no such sheet.' }],
      });
    // Nothing but its opening: without a sheet nothing goes in.
    const { entries } = await entryPage(store, jobId, 0, transaction);
    await job.update(
      {
        sheetId,
        sheetRevision: sheet.revision,
        ...projected(summarise(jobSheet(sheet, entries), foldJob(sheet, entries))),
      },
      { transaction },
    );
    // The unit’s next jobs open with it at once.
    await store.units.update(
      { sheetId },
      { where: { id: job.unitId, sheetId: null }, transaction },
    );
  });
  store.memory.jobs.drop(jobId);
}

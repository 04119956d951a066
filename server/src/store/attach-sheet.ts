/** Giving a sheet to a job that was opened when its model had none. A sheet once given stays. */
import { foldJob, summarise, SUMMARY_VERSION } from '@jeitinho/core';
import { notFound, ProblemError } from '../problem';
import { entriesAfter } from './log';
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
    const row = await store.sheets.findOne({
      where: { id: sheetId },
      order: [['revision', 'DESC']],
      transaction,
    });
    if (!row)
      throw new ProblemError(422, 'unknown-sheet', 'Nothing was stored: there is no such sheet.', {
        errors: [{ path: '/sheetId', message: 'There is no such sheet.' }],
      });
    const log = await entriesAfter(store, jobId, 0, transaction);
    await job.update(
      {
        sheetId,
        sheetRevision: row.revision,
        summary: summarise(row.document, foldJob(row.document, log)),
        summaryVersion: SUMMARY_VERSION,
      },
      { transaction },
    );
    // The unit’s next jobs open with it at once.
    await store.units.update(
      { sheetId },
      { where: { id: job.unitId, sheetId: null }, transaction },
    );
  });
}

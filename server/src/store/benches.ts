/** Benches of jobs: drawn once, hidden, marked by unsafe acts. */
import { drawFault, hasBench, type BenchedSheet, type HiddenFault } from '@jeitinho/core/bench';
import { machineSheet, type Chosen } from '@jeitinho/core/sheet';
import type { Bench } from './models/bench';
import type { Job } from './models/job';
import type { Store } from './models/index';
import type { Transaction } from 'sequelize';

/**
 * The sheet that the job was opened with, where it has a bench.
 * @param chosen - The variants that are known; the machine is of the first for the rest.
 */
export async function benchedSheetOf(
  store: Store,
  job: Job,
  chosen?: Chosen,
): Promise<BenchedSheet | undefined> {
  if (job.sheetId === null || job.sheetRevision === null) return undefined;
  const row = await store.sheets.findOne({
    where: { id: job.sheetId, revision: job.sheetRevision },
  });
  const sheet = row && machineSheet(row.document, chosen);
  return sheet && hasBench(sheet) ? sheet : undefined;
}

/**
 * Put a simulated machine behind a job, unless there is one.
 * @param among - Faults that fit the complaint; any where empty.
 * @returns undefined where the job's sheet has no bench.
 */
export async function giveBench(
  store: Store,
  job: Job,
  seed: number,
  among: readonly string[] = [],
  transaction?: Transaction,
): Promise<Bench | undefined> {
  const known = await store.benches.findByPk(job.id, { transaction: transaction ?? null });
  if (known) return known;
  const sheet = await benchedSheetOf(store, job);
  if (!sheet) return undefined;
  const drawn = drawFault(sheet, seed, among);
  return store.benches.create(
    { jobId: job.id, ...drawn, marks: {} },
    { transaction: transaction ?? null },
  );
}

export const hiddenFaultOf = ({ fault, variant, seed }: Bench): HiddenFault => ({
  fault,
  variant,
  seed,
});

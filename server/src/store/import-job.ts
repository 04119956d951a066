/** A job that another shop or device wrote, brought in whole or not at all. */
import { tamperedIn, type JobFile } from '@jeitinho/core';
import { admit, JobFold, type StoredEntry } from '@jeitinho/core/job';
import { plainSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { ProblemError } from '../problem';
import { inSlices } from '../slices';
import { appendEntries } from './append';
import { indexNewUnits } from '../search/index-units';
import { noteCameBack } from '../learn/came-back';
import { livingId } from './merge';
import type { Store } from './models/index';
import { projectLater, projectNow } from './projections';
import { saveSheet } from './save-sheet';

/** Entries that are appended at once. */
const AT_ONCE = 500;

/**
 * @param sheet - That of the file, read and lifted.
 * @returns the id of the job, and whether it was there before.
 */
export async function importJob(
  store: Store,
  file: JobFile,
  sheet: WrittenSheet,
): Promise<{ readonly id: string; readonly known: boolean }> {
  const wrong = tamperedIn(file, plainSheet(sheet));
  if (wrong !== undefined)
    throw new ProblemError(409, 'tampered', `Nothing was brought in. ${wrong}`);
  const [opened, ...rest] = file.entries;
  if (opened?.kind !== 'opened')
    throw new ProblemError(
      422,
      'no-beginning',
      'Nothing was brought in: its log has no beginning.',
    );
  const { id } = file.job;
  const known = (await store.jobs.findByPk(id)) !== null;
  if (!known) {
    await lawful(sheet, [opened, ...rest]);
    await keepSheet(store, sheet);
    // A double that went leads to the unit it was merged into.
    const unitId = await livingId(store, file.unit.id);
    if (unitId === file.unit.id) await keepPlace(store, file);
    await begin(store, file, opened, unitId);
  }
  for (let i = 0; i < rest.length; i += AT_ONCE)
    await appendEntries(store, id, rest.slice(i, i + AT_ONCE));
  projectLater(store, id);
  await indexNewUnits(store);
  await projectNow(store);
  await noteCameBack(store, (await store.jobs.findByPk(id))!.unitId);
  return { id, known };
}

/** @throws {ProblemError} 409 naming the first entry that no job would have let in. */
async function lawful(sheet: WrittenSheet, entries: readonly StoredEntry[]): Promise<void> {
  const found = await inSlices(admit(new JobFold(sheet, entries.slice(0, 1)), entries.slice(1)));
  if (!found) return;
  const { refusal, index } = found;
  throw new ProblemError(
    409,
    refusal.code,
    `Nothing was brought in: entry ${index + 2} cannot stand there. ${refusal.message}`,
    { entry: { index: index + 1, id: entries[index + 1]!.id } },
  );
}

async function keepSheet(store: Store, sheet: WrittenSheet): Promise<void> {
  try {
    await saveSheet(store, sheet);
  } catch (error) {
    if (error instanceof ProblemError && error.problem.code === 'revision-taken')
      throw new ProblemError(
        409,
        'sheet-differs',
        `Nothing was brought in: this shop has another sheet “${sheet.title}” under revision ${sheet.revision}, or is not that far.`,
      );
    throw error;
  }
}

/** Customer, place and unit by their ids; who is there already stays as this shop has them. */
async function keepPlace(store: Store, { customer, site, unit }: JobFile): Promise<void> {
  const quiet = { ignoreDuplicates: true };
  await store.customers.bulkCreate([{ ...customer }], quiet);
  await store.sites.bulkCreate([{ ...site, customerId: customer.id }], quiet);
  await store.units.bulkCreate([{ ...unit, siteId: site.id }], quiet);
}

async function begin(store: Store, { job, sheet }: JobFile, opened: StoredEntry, unitId: string) {
  await store.sequelize.transaction(async (transaction) => {
    await store.jobs.create(
      {
        id: job.id,
        unitId,
        sheetId: sheet.id,
        sheetRevision: sheet.revision,
        complaint: job.complaint,
        urgent: job.urgent,
        openedAt: new Date(job.openedAt),
        lastSeq: 1,
      },
      { transaction },
    );
    await store.entries.create(
      {
        ...opened,
        seq: 1,
        jobId: job.id,
        at: new Date(opened.at),
        receivedAt: new Date(),
      },
      { transaction },
    );
  });
}

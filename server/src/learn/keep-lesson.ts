/** Keeping what a closed job teaches beside its log: made again with its other projections, gone while it is open. */
import type { Lesson, ReadingKept } from '@jeitinho/core/diagnose';
import type { Store } from '../store/models/index';
import { raw, toColumn } from '../store/raw';

export interface Taught {
  readonly lesson: Lesson;
  readonly readings: readonly ReadingKept[];
  readonly codes: readonly string[];
  readonly technician: string;
  readonly signedAt: string;
}

interface JobPlace {
  readonly unitId: string;
  readonly sheetId: string;
  readonly openedAt: Date;
}

/** A device whose clock runs behind signs no job before it was opened, one ahead none after today. */
const withinReason = (signedAt: string, openedAt: Date, now = Date.now()): string =>
  new Date(Math.max(openedAt.getTime(), Math.min(Date.parse(signedAt), now))).toISOString();

/** @param taught - Undefined for a job that is open. */
export async function keepLesson(
  store: Store,
  jobId: string,
  taught: Taught | undefined,
): Promise<void> {
  const { sequelize } = store;
  store.memory.patterns = undefined;
  if (!taught) {
    for (const table of ['lessons', 'work_done'])
      await raw(sequelize, `DELETE FROM ${table} WHERE jobId = ?`, [jobId]);
    return;
  }
  const [place] = await raw<JobPlace[]>(
    sequelize,
    'SELECT unitId, sheetId, openedAt FROM jobs WHERE id = ?',
    [jobId],
  );
  if (!place) return;
  const { lesson, readings, codes, technician } = taught;
  const { said } = lesson;
  const signedAt = toColumn(withinReason(taught.signedAt, place.openedAt));
  const minutes = Object.values(lesson.minutes).reduce((sum, each) => sum + each, 0);
  await sequelize.transaction(async (transaction) => {
    await raw(
      sequelize,
      `REPLACE INTO lessons (jobId, unitId, sheetId, signedAt, technician, proven, said, saidRight, overruled,
         chosenRight, minutes, body, readings, codes) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      [
        ...[jobId, place.unitId, place.sheetId, signedAt, technician, lesson.proven],
        ...[said?.p ?? null, said?.right ?? null, said?.overruled !== undefined],
        ...[said?.chosenRight ?? null, minutes],
        ...[JSON.stringify(lesson), JSON.stringify(readings), JSON.stringify(codes)],
      ],
      transaction,
    );
    await raw(sequelize, 'DELETE FROM work_done WHERE jobId = ?', [jobId], transaction);
    for (const [nth, done] of lesson.done.entries())
      await raw(
        sequelize,
        `INSERT INTO work_done (jobId, nth, kind, what, name, number, batch, supplier, unitId, sheetId, signedAt, proven)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        [
          ...[jobId, nth, done.kind, done.id, done.name.slice(0, 400)],
          ...[done.number ?? null, done.batch ?? null, done.supplier ?? null],
          ...[place.unitId, place.sheetId, signedAt, lesson.proven],
        ],
        transaction,
      );
  });
}

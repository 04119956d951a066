/** Keeping what a closed job teaches beside its log: made again with its other projections, gone while it is open. */
import type { Lesson, ReadingKept } from '@jeitinho/core/diagnose';
import type { Store } from '../store/models/index';
import { raw, toColumn } from '../store/raw';
import { noteCameBack } from './came-back';

export interface Taught {
  readonly lesson: Lesson;
  readonly readings: readonly ReadingKept[];
  /** As they were shown. */
  readonly codes: readonly string[];
  readonly complaint: string;
  readonly ending: string;
  readonly technician: string;
  readonly signedAt: string;
}

interface JobPlace {
  readonly unitId: string;
  readonly sheetId: string;
  readonly openedAt: Date;
}

const LONGEST = 400;
const short = (text: string): string => text.slice(0, LONGEST);

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
  const [place] = await raw<JobPlace[]>(
    sequelize,
    'SELECT unitId, sheetId, openedAt FROM jobs WHERE id = ?',
    [jobId],
  );
  if (!place) return;
  if (!taught) {
    const known = await raw<object[]>(sequelize, 'SELECT 1 FROM lessons WHERE jobId = ?', [jobId]);
    if (known.length === 0) return;
    store.memory.patterns = undefined;
    for (const table of ['lessons', 'lesson_bodies', 'work_done'])
      await raw(sequelize, `DELETE FROM ${table} WHERE jobId = ?`, [jobId]);
    return;
  }
  store.memory.patterns = undefined;
  await keep(store, jobId, place, taught);
  await noteCameBack(store, place.unitId);
}

async function keep(store: Store, jobId: string, place: JobPlace, taught: Taught): Promise<void> {
  const { sequelize } = store;
  const { lesson, readings, codes, complaint, ending, technician } = taught;
  const { said, done, proven } = lesson;
  const signedAt = toColumn(withinReason(taught.signedAt, place.openedAt));
  const minutes = Object.values(lesson.minutes).reduce((sum, each) => sum + each, 0);
  const names = done.map(({ name }) => name).join(', ');
  await sequelize.transaction(async (transaction) => {
    await raw(
      sequelize,
      `REPLACE INTO lessons (jobId, unitId, sheetId, signedAt, technician, complaint, codes, ending, done, proven,
         said, saidPart, saidName, saidRight, overruled, chosenRight, minutes)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      [
        ...[jobId, place.unitId, place.sheetId, signedAt, technician],
        ...[short(complaint), short(codes.join(', ')), short(ending), short(names), proven],
        ...[said?.p ?? null, said?.part ?? null, said?.name ?? null, said?.right ?? null],
        ...[said?.overruled !== undefined, said?.chosenRight ?? null, minutes],
      ],
      transaction,
    );
    await raw(
      sequelize,
      'REPLACE INTO lesson_bodies (jobId, body, readings) VALUES (?, ?, ?)',
      [jobId, JSON.stringify(lesson), JSON.stringify(readings)],
      transaction,
    );
    await raw(sequelize, 'DELETE FROM work_done WHERE jobId = ?', [jobId], transaction);
    for (const [nth, each] of done.entries())
      await raw(
        sequelize,
        `INSERT INTO work_done (jobId, nth, kind, what, name, number, batch, supplier, unitId, sheetId, signedAt, proven)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        [
          ...[jobId, nth, each.kind, each.id, short(each.name)],
          ...[each.number ?? null, each.batch ?? null, each.supplier ?? null],
          ...[place.unitId, place.sheetId, signedAt, proven],
        ],
        transaction,
      );
  });
}

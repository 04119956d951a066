/** Whether the disk of the data folder has room for large things: a database that runs out in one ends itself. */
import { statfs } from 'node:fs/promises';
import { diskFull } from '../database-problem';

/** What must stay free beside what is stored: the database grows its files by as much at once. */
const SPARE_BYTES = 32_000_000;

/** @param folder - Undefined where the database is kept elsewhere. @throws {ProblemError} 503 */
export async function needRoom(folder: string | undefined, bytes: number): Promise<void> {
  if (folder === undefined) return;
  const { bavail, bsize } = await statfs(folder);
  if (bavail * bsize >= bytes + SPARE_BYTES) return;
  throw diskFull();
}

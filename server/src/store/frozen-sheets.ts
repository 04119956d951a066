/** Revisions of sheets, read once, lifted to the present edition, and kept while they are used. */
import { liftSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import type { FrozenSheet } from './memory';
import type { Store } from './models/index';
import { raw } from './raw';

/** @returns undefined for a revision that is not there. */
export async function frozenRevision(
  store: Store,
  id: string,
  revision: number,
): Promise<FrozenSheet | undefined> {
  const key = `${revision} ${id}`;
  const known = store.memory.sheets.get(key);
  if (known) return known;
  const [row] = await raw<{ text: string }[]>(
    store.sequelize,
    // Not as a JSON column: the connector would parse it, and the text is wanted as well.
    "SELECT CONCAT(document, '') AS text FROM sheets WHERE id = ? AND revision = ?",
    [id, revision],
  );
  if (!row) return undefined;
  const stored: unknown = JSON.parse(row.text);
  const lifted = liftSheet(stored);
  const text = lifted.value === stored ? row.text : JSON.stringify(lifted.value);
  const frozen = { document: lifted.value as WrittenSheet, text };
  store.memory.sheets.set(key, frozen, row.text.length * 4);
  return frozen;
}

/** The sheet a job was opened with; null for a job without one. */
export async function frozenSheet(
  store: Store,
  job: { readonly sheetId: string | null; readonly sheetRevision: number | null },
): Promise<WrittenSheet | null> {
  if (job.sheetId === null || job.sheetRevision === null) return null;
  return (await frozenRevision(store, job.sheetId, job.sheetRevision))?.document ?? null;
}

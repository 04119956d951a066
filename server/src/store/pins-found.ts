/** Pins that visits found elsewhere than a sheet has them: offered to its author. */
import type { PinsFoundResource } from '@jeitinho/core';
import { findConnector } from '@jeitinho/core/sheet';
import { frozenRevision } from './frozen-sheets';
import type { Store } from './models/index';
import { raw } from './raw';

/** Of so many entries, the newest, it is told. */
const MOST_LOOKED_AT = 500;

interface Row {
  readonly jobId: string;
  readonly revision: number;
  readonly text: string;
  readonly at: Date;
}

/**
 * By connector and pinning, how many visits found it so; the newest first. What was found on a revision whose
 * connector has been changed since is the author's already.
 * @param newest - Newest revision of the sheet.
 */
export async function pinsFound(
  store: Store,
  id: string,
  newest: number,
): Promise<PinsFoundResource[]> {
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT e.jobId, j.sheetRevision AS revision, CONCAT(e.body, '') AS text, e.at
       FROM jobs j JOIN entries e ON e.jobId = j.id
      WHERE j.sheetId = ? AND e.kind = 'pins' AND NOT EXISTS (
        SELECT 1 FROM entries w
         WHERE w.jobId = e.jobId AND w.kind = 'withdrawn' AND JSON_VALUE(w.body, '$.entry') = e.id)
      ORDER BY e.at DESC, e.seq DESC LIMIT ${MOST_LOOKED_AT}`,
    [id],
  );
  const now = (await frozenRevision(store, id, newest))?.document;
  const said = new Set<string>();
  const found = new Map<string, PinsFoundResource>();
  for (const { jobId, revision, text, at: when } of rows) {
    const { connector, at } = JSON.parse(text) as Pick<PinsFoundResource, 'connector' | 'at'>;
    // What a visit said last of a connector is what it found.
    if (said.has(`${jobId} ${connector}`)) continue;
    said.add(`${jobId} ${connector}`);
    if (!now || Object.keys(at).length === 0) continue;
    const then = (await frozenRevision(store, id, revision))?.document;
    const pins = (sheet = then) => JSON.stringify(sheet && findConnector(sheet, connector)?.pins);
    if (pins(then) !== pins(now)) continue;
    const key = JSON.stringify([connector, Object.entries(at).sort()]);
    const before = found.get(key);
    found.set(
      key,
      before
        ? { ...before, visits: before.visits + 1 }
        : { connector, at, visits: 1, job: jobId, foundAt: when.toISOString() },
    );
  }
  return [...found.values()];
}

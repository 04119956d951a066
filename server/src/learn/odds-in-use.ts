/** Revisions of a sheet's odds: what a lead adopted of what proven jobs say. The newest holds. */
import type { OddsInUse } from '@jeitinho/core/sheet';
import type { Store } from '../store/models/index';
import { raw, toColumn } from '../store/raw';

export interface OddsRow {
  readonly revision: number;
  readonly at: Date;
  readonly author: string;
  readonly kind: 'adopted' | 'reset';
  readonly jobs: number;
  readonly shares: Readonly<Record<string, number>>;
  readonly note: string;
}

/** The newest first. */
export async function oddsRevisions(store: Store, sheetId: string): Promise<OddsRow[]> {
  const rows = await raw<(Omit<OddsRow, 'shares'> & { readonly shares: string })[]>(
    store.sequelize,
    `SELECT revision, at, author, kind, jobs, CONCAT(shares, '') AS shares, note
       FROM odds WHERE sheetId = ? ORDER BY revision DESC`,
    [sheetId],
  );
  return rows.map((row) => ({ ...row, shares: JSON.parse(row.shares) as OddsRow['shares'] }));
}

/** Undefined where the sheet's own hold: none were adopted, or the last were put back. */
export async function oddsInUse(store: Store, sheetId: string): Promise<OddsInUse | undefined> {
  const [newest] = await oddsRevisions(store, sheetId);
  return newest?.kind === 'adopted'
    ? { revision: newest.revision, shares: newest.shares }
    : undefined;
}

export async function addOdds(
  store: Store,
  sheetId: string,
  { revision, at, author, kind, jobs, shares, note }: OddsRow,
): Promise<void> {
  await raw(
    store.sequelize,
    'INSERT INTO odds (sheetId, revision, at, author, kind, jobs, shares, note) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [
      ...[sheetId, revision, toColumn(at.toISOString()), author],
      ...[kind, jobs, JSON.stringify(shares), note],
    ],
  );
}

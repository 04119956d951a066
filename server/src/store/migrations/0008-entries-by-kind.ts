/** Rare kinds of entries found across all jobs: pins that stood elsewhere than the sheet has them. */
import type { QueryInterface } from 'sequelize';

export async function up(db: QueryInterface): Promise<void> {
  await db.sequelize.query('ALTER TABLE entries ADD INDEX entries_kind (kind, jobId, seq)');
}

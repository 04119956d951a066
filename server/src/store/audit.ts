/** The trail of who did what: appended, never changed; the database refuses that as well. */
import type { Store } from './models/index';

/** What is worth a line. */
export type AuditedAct =
  | 'signed-in'
  | 'signed-out'
  | 'wrong-password'
  | 'password-changed'
  | 'passkey-made'
  | 'passkey-dropped'
  | 'device-ended'
  | 'person-added'
  | 'person-changed'
  | 'person-removed'
  | 'link-made'
  | 'link-used'
  | 'backup-made'
  | 'backup-failed'
  | 'restored'
  | 'exported'
  | 'imported'
  | 'customer-erased'
  | 'sheet-saved'
  | 'sheet-proposed'
  | 'proposal-decided'
  | 'prices-changed'
  | 'price-list-changed'
  | 'job-file-brought'
  | 'pictures-cleared'
  | 'odds-changed'
  | 'report-link-made'
  | 'report-link-ended';

/** @param who - A person's name, or the shop itself. @param about - Figures and ids; never what customers are called. */
export async function audit(
  store: Store,
  who: string,
  what: AuditedAct,
  about: Readonly<Record<string, string | number | boolean | null>> = {},
): Promise<void> {
  await store.audit.create({ at: new Date(), who: who.slice(0, 120), what, about });
}

/** Who stands for what nobody in particular did. */
export const THE_SHOP = 'Jeitinho';

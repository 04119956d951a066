/**
 * Wrong passwords are waited for: the first few are anybody's mistyping, then each makes the next wait twice as
 * long, up to a quarter of an hour. Kept by login, known or not, so that nothing is learnt by it; in the
 * database, so that two servers count together. A passkey or an owner's link lets in meanwhile.
 */
import { ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { digest } from './secrets';

const FREE = 5;
const LONGEST_S = 15 * 60;
/** After so long without one, it begins anew. */
const FORGOTTEN_MS = 24 * 3_600_000;

const keyOf = (login: string) => digest(login.trim().toLowerCase());

/** Seconds that the next try waits after so many wrong ones in a row. */
export const waitAfter = (failed: number): number =>
  failed < FREE ? 0 : Math.min(LONGEST_S, 2 ** (failed - FREE));

/** @throws {ProblemError} 429 while a login waits. */
export async function mayTry(store: Store, login: string, now = Date.now()): Promise<void> {
  const row = await store.attempts.findByPk(keyOf(login));
  // A clock that was set back must not lock anybody out for longer than the longest wait.
  const left = row ? Math.min(LONGEST_S * 1000, row.until.getTime() - now) : 0;
  if (left <= 0) return;
  const seconds = Math.ceil(left / 1000);
  throw new ProblemError(
    429,
    'too-often',
    `Too many wrong passwords. Wait ${waitWords(seconds)}, use a passkey, or ask an owner for a link.`,
    { retryAfter: seconds },
  );
}

const waitWords = (seconds: number) =>
  seconds < 90 ? `${seconds} s` : `${Math.ceil(seconds / 60)} minutes`;

/** @returns how many it were in a row. */
export async function noteWrong(store: Store, login: string, now = Date.now()): Promise<number> {
  const who = keyOf(login);
  return store.sequelize.transaction(async (transaction) => {
    const at = new Date(now);
    const fresh = { who, failed: 0, lastAt: at, until: at };
    await store.attempts.bulkCreate([fresh], { ignoreDuplicates: true, transaction });
    const row = (await store.attempts.findByPk(who, { transaction, lock: true }))!;
    const failed = now - row.lastAt.getTime() > FORGOTTEN_MS ? 1 : row.failed + 1;
    await row.update(
      { failed, lastAt: at, until: new Date(now + waitAfter(failed) * 1000) },
      { transaction },
    );
    return failed;
  });
}

export const forgetWrong = (store: Store, login: string): Promise<unknown> =>
  store.attempts.destroy({ where: { who: keyOf(login) } });

/**
 * Entries that are on the screen and on their way to the store, noted where writing takes no time: a page that
 * is closed or crashes within that moment finds them again.
 */
import type { LocalEntry } from './local-store';

const PREFIX = 'jeitinho.ahead.';
const keyOf = ({ jobId, id }: LocalEntry) => `${PREFIX}${jobId}.${id}`;

/** Nothing where this browser keeps nothing so: the store itself still gets them. */
function quickly<T>(work: (store: Storage) => T): T | undefined {
  try {
    return work(globalThis.localStorage);
  } catch {
    return undefined;
  }
}

export const noteAhead = (entry: LocalEntry): void =>
  void quickly((store) => store.setItem(keyOf(entry), JSON.stringify(entry)));

export const forgetAhead = (entry: LocalEntry): void =>
  void quickly((store) => store.removeItem(keyOf(entry)));

/** What was on its way when the page of a job was closed, the earliest first. */
export const leftAhead = (jobId: string): LocalEntry[] =>
  quickly((store) =>
    Object.keys(store)
      .filter((key) => key.startsWith(`${PREFIX}${jobId}.`))
      .sort()
      .flatMap((key) => {
        const text = store.getItem(key);
        return text === null ? [] : [JSON.parse(text) as LocalEntry];
      }),
  ) ?? [];

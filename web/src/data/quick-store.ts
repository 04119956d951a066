/**
 * The device's quick store for what is being typed: written at once, at every key. Where it is full or
 * forbidden, the large one takes its place a moment later, and the page says so.
 */
import { useSyncExternalStore } from 'react';
import { localStore } from './local-store';

const PREFIX = 'jeitinho.draft.';
const documentKey = (key: string) => `draft:${key}`;

/** What could not go into the quick store, as it is now. */
const spilled = new Map<string, string>();
const listeners = new Set<() => void>();
let told: 'quick' | 'spilled' | 'lost' = 'quick';

function tell(next: typeof told): void {
  if (next === told) return;
  told = next;
  for (const listener of listeners) listener();
}

/** Keys written before the large store was read: what it held under them is old. */
let writtenFirst: Set<string> | undefined = new Set();

/** Read back what went into the large store before; once, at the start. */
export async function readSpilled(): Promise<void> {
  try {
    const kept = await localStore.documents.where('key').startsWith(documentKey('')).toArray();
    for (const { key: stored, value } of kept) {
      const key = stored.slice(documentKey('').length);
      if (spilled.has(key)) continue;
      if (writtenFirst?.has(key)) void localStore.documents.delete(stored).catch(() => undefined);
      else spilled.set(key, String(value));
    }
  } catch {
    // No large store either: the page works, and says it when something is typed.
  }
  writtenFirst = undefined;
}

export function readQuick(key: string): string {
  const there = spilled.get(key);
  if (there !== undefined) return there;
  try {
    return localStorage.getItem(PREFIX + key) ?? '';
  } catch {
    return '';
  }
}

export function writeQuick(key: string, text: string): void {
  writtenFirst?.add(key);
  try {
    if (text === '') localStorage.removeItem(PREFIX + key);
    else localStorage.setItem(PREFIX + key, text);
    if (!spilled.delete(key)) return;
    // It fits again: what lies in the large store is old.
    void localStore.documents.delete(documentKey(key)).catch(() => undefined);
    if (spilled.size === 0) tell('quick');
  } catch {
    spill(key, text);
  }
}

function spill(key: string, text: string): void {
  // An older text there would come back in its place.
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // Forbidden altogether.
  }
  const kept =
    text === ''
      ? localStore.documents.delete(documentKey(key))
      : localStore.documents.put({ key: documentKey(key), value: text });
  if (text === '') spilled.delete(key);
  else spilled.set(key, text);
  kept.then(
    () => tell(spilled.size > 0 ? 'spilled' : 'quick'),
    () => tell('lost'),
  );
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** `spilled` while the quick store is full, `lost` while nothing typed can be kept at all. */
export const useQuickStore = () => useSyncExternalStore(subscribe, () => told);

/** By what “Go on” goes on from one test to the next: a choice of this device. */
import { useSyncExternalStore } from 'react';
import { keepItem, keptItem } from './device';

export type GoingOn = 'sheet' | 'worth';

const KEY = 'jeitinho.going-on';
const listeners = new Set<() => void>();
const current = (): GoingOn => (keptItem(KEY) === 'worth' ? 'worth' : 'sheet');

export function setGoingOn(by: GoingOn): void {
  keepItem(KEY, by);
  for (const listener of listeners) listener();
}

export const useGoingOn = (): GoingOn =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);

/** By what “Go on” goes on from one test to the next: a choice of this device. */
import type { School } from '@jeitinho/core/diagnose';
import { useSyncExternalStore } from 'react';
import { keepItem, keptItem } from './device';

export type GoingOn = 'sheet' | School;

const KEY = 'jeitinho.going-on';
const WAYS: readonly string[] = [
  'sheet',
  'balanced',
  'likeliest',
  'power-path',
  'half-split',
  'quick',
] satisfies readonly GoingOn[];
const isWay = (text: string): text is GoingOn => WAYS.includes(text);
const listeners = new Set<() => void>();

function current(): GoingOn {
  const kept = keptItem(KEY) ?? 'sheet';
  // What is worth most was called so before there were schools.
  if (kept === 'worth') return 'balanced';
  return isWay(kept) ? kept : 'sheet';
}

export function setGoingOn(by: GoingOn): void {
  keepItem(KEY, by);
  for (const listener of listeners) listener();
}

export const useGoingOn = (): GoingOn =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);

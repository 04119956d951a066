/** Auto-hold as this device is set: on or off, and how long a figure must stand. */
import { AutoHold, HOLD, type HoldState, type MeterLine } from '@jeitinho/core';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { onMeterLine } from './feed';
import { keepItem } from '../device';

interface HoldChoice {
  readonly on: boolean;
  /** The simulated leads go wherever the card wants them. */
  readonly follow: boolean;
}

const KEY = 'jeitinho.hold';
const listeners = new Set<() => void>();
let choice: HoldChoice | undefined;

function current(): HoldChoice {
  if (choice) return choice;
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<HoldChoice>;
    choice = { on: kept.on === true, follow: kept.follow === true };
  } catch {
    choice = { on: false, follow: false };
  }
  return choice;
}

export function setHold(next: Partial<HoldChoice>): void {
  choice = { ...current(), ...next };
  keepItem(KEY, JSON.stringify(choice));
  for (const listener of listeners) listener();
}

export const useHoldChoice = (): HoldChoice =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);

/**
 * @param place - What the leads are wanted on; another one begins anew.
 * @param settle - Seconds that this test's figure needs to stand.
 * @param onTake - Called once for each figure that stood still.
 */
export function useAutoHold(
  place: string,
  settle: number,
  onTake: ((line: MeterLine) => void) | undefined,
): { state: HoldState['kind'] | undefined; taken: (line: MeterLine) => void } {
  const [state, setState] = useState<HoldState['kind']>();
  const hold = useRef<AutoHold>(undefined);
  const take = useRef(onTake);
  useEffect(() => {
    take.current = onTake;
  });
  const still = Math.max(HOLD.still, settle);
  useEffect(() => {
    const before = hold.current;
    // What was held last stays remembered: the leads may still lie on the old place.
    hold.current = new AutoHold({ ...HOLD, still }, before);
    return onMeterLine((line) => {
      const now = hold.current!.feed(line);
      setState(now.kind);
      if (now.kind === 'take') take.current?.(now.line);
    });
  }, [place, still]);
  return { state, taken: (line) => hold.current?.taken(line) };
}

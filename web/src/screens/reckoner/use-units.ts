/** The chosen units, kept on the device and the same everywhere. */
import { useSyncExternalStore } from 'react';
import { START_CHOICES, UNIT_CHOICES, type UnitChoices } from './quantity-units';
import { keepItem } from '../../data/device';

const KEY = 'jeitinho.units';
const listeners = new Set<() => void>();
let current = read();

function read(): UnitChoices {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<UnitChoices>;
    const sound = Object.entries(kept).filter(([key, value]) =>
      (UNIT_CHOICES[key as keyof UnitChoices] as readonly string[] | undefined)?.includes(value),
    );
    return { ...START_CHOICES, ...Object.fromEntries(sound) };
  } catch {
    return START_CHOICES;
  }
}

export function chooseUnit<K extends keyof UnitChoices>(quantity: K, unit: UnitChoices[K]): void {
  current = { ...current, [quantity]: unit };
  keepItem(KEY, JSON.stringify(current));
  for (const listener of listeners) listener();
}

export function useUnits(): UnitChoices {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );
}

/** How a board is shown: whole, close to the two points, or the connector alone; remembered. */
import { useCallback, useSyncExternalStore } from 'react';
import type { Side } from './connector-face';
import { keepItem } from '../../data/device';

export type View = 'whole' | 'close' | 'connector';

const listeners = new Set<() => void>();

/** A choice kept on the device, the same for every drawing on screen. */
function useKept<T extends string>(key: string, usual: T, known: readonly T[]) {
  const read = () => {
    const kept = localStorage.getItem(key) as T | null;
    return kept !== null && known.includes(kept) ? kept : usual;
  };
  const value = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, read);
  const set = useCallback(
    (next: T) => {
      keepItem(key, next);
      for (const listener of listeners) listener();
    },
    [key],
  );
  return [value, set] as const;
}

/** Phones have a choice of their own: the whole board is too small there to begin with. */
export const useView = (small: boolean) =>
  useKept<View>(`jeitinho.view.${small ? 'small' : 'wide'}`, small ? 'close' : 'whole', [
    'whole',
    'close',
    'connector',
  ]);

export const useSide = () => useKept<Side>('jeitinho.side', 'pin', ['pin', 'wire']);

const WORDS: Readonly<Record<View, string>> = {
  whole: 'Board',
  close: 'Close',
  connector: 'Connector',
};

export function ViewChoice({
  view,
  views,
  onView,
}: {
  view: View;
  views: readonly View[];
  onView: (view: View) => void;
}) {
  return (
    <div
      role="group"
      aria-label="How the board is shown"
      className="flex shrink-0 max-lg:flex-col max-lg:justify-center"
    >
      {views.map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={each === view}
          onClick={() => onView(each)}
          className="min-h-11 min-w-11 cursor-pointer border-b-[3px] border-transparent px-2 text-[14px] text-soft max-lg:border-b-0 max-lg:border-l-[3px] max-lg:px-1.5 max-lg:text-left max-lg:text-[13px] aria-pressed:border-ink aria-pressed:font-bold aria-pressed:text-ink"
        >
          {WORDS[each]}
        </button>
      ))}
    </div>
  );
}

/** After auto-hold took the last placement of a test: a moment for its verdict, then the next. */
import { useEffect, useRef } from 'react';
import { meterFeed } from '../../data/meter/feed';
import { useHoldChoice } from '../../data/meter/hold';

/** How long a verdict stands before auto-hold goes on. */
const VERDICT_MS = 2000;

export function useGoOnByItself(ready: boolean, place: string, goOn: () => void): void {
  const { on } = useHoldChoice();
  const taken = useRef<string>(undefined);
  const run = useRef(goOn);
  useEffect(() => {
    run.current = goOn;
  });
  useEffect(() => {
    if (!ready) {
      // Only what was taken while this card stood here: not a card come back to.
      taken.current = place;
      return undefined;
    }
    if (!on || taken.current !== place || meterFeed().status !== 'on') return undefined;
    const timer = setTimeout(() => run.current(), VERDICT_MS);
    return () => clearTimeout(timer);
  }, [ready, place, on]);
}

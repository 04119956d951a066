/**
 * A digit that stands alone is a choice; digits in a row, or beside a decimal mark, are a figure that was
 * meant for another card, and choose nothing.
 */
import { useEffect, useRef } from 'react';
import { freeKey } from './keys';

/** Silence on either side that makes a digit a choice. Fast typists leave less than half of it. */
const ALONE_MS = 280;

export function useLoneDigit(onDigit: (digit: number) => void): void {
  const latest = useRef(onDigit);
  useEffect(() => {
    latest.current = onDigit;
  });
  useEffect(() => {
    let last = -Infinity;
    let pending: ReturnType<typeof setTimeout> | undefined;
    const onKey = (event: KeyboardEvent) => {
      const key = freeKey(event);
      if (key === undefined || !/^[\d.,-]$/.test(key)) return;
      event.preventDefault();
      const alone = event.timeStamp - last > ALONE_MS;
      last = event.timeStamp;
      clearTimeout(pending);
      if (alone && /[1-9]/.test(key))
        pending = setTimeout(() => latest.current(Number(key)), ALONE_MS);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      clearTimeout(pending);
      window.removeEventListener('keydown', onKey);
    };
  }, []);
}

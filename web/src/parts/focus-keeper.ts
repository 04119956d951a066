/**
 * Focus goes where the work goes: where what had it is gone, as an answer that led on or a dialog that was
 * closed, the heading of the screen has it, and never the bare page.
 */
import { useEffect } from 'react';

export function useFocusKeeper(): void {
  useEffect(() => {
    let last: Element | null = null;
    const remember = (event: FocusEvent) => (last = event.target as Element);
    const look = () => {
      const lost = last && (!last.isConnected || last.matches(':disabled'));
      if (!lost || document.activeElement !== document.body) return;
      last = null;
      const heading = document.querySelector<HTMLElement>('main h1');
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(look);
    const what = {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    };
    document.addEventListener('focusin', remember);
    watch.observe(document.body, what);
    return () => {
      document.removeEventListener('focusin', remember);
      watch.disconnect();
    };
  }, []);
}

/** Digits typed while no field has the focus go into the one that takes figures on this card. */
import { useLayoutEffect, type RefObject } from 'react';

export function useTypeAnywhere(field: RefObject<HTMLInputElement | null>): void {
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      // A tick or a choice takes no digits; whatever else is typed into keeps them.
      if (target.matches('input:not([type="radio"], [type="checkbox"]), textarea, select')) return;
      if (target.closest('[role="dialog"]')) return;
      if (/^[0-9.,-]$/.test(event.key)) field.current?.focus({ preventScroll: true });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [field]);
}

/** Keys that work anywhere on a screen, unless the person is typing into a field that wants them. */
import { useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';

export type KeyMap = Readonly<Record<string, (event: KeyboardEvent) => void>>;

/** Fields take their own keys; buttons and links take Enter and Space. */
function takenByFocus(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (!target) return false;
  if (target.closest('[data-keys="off"], [role="dialog"]')) return true;
  // A tick box takes the space bar and nothing else.
  if (target.matches('input[type="checkbox"]')) return event.key === ' ';
  const typing = target.matches('input:not([data-keys="on"]), textarea, select, [contenteditable]');
  if (typing) return true;
  return (event.key === 'Enter' || event.key === ' ') && target.matches('button, a[href], summary');
}

/** The key of an event that nothing else claims; letters in lower case. */
export function freeKey(event: KeyboardEvent): string | undefined {
  if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return undefined;
  // A held key must not run through steps, least of all those of making safe.
  if (event.repeat || takenByFocus(event)) return undefined;
  return event.key.length === 1 ? event.key.toLowerCase() : event.key;
}

/** Whether a figure is being typed: its letters are prefixes then, and no commands. */
const typingFigure = ({ target }: KeyboardEvent) =>
  target instanceof HTMLInputElement && target.dataset.keys === 'on' && target.value !== '';

/**
 * @param keys - By `event.key`; letters in lower case. `Enter` is free while a button has the focus.
 * @param options.whileTyping - Whether they work while a figure is half typed; true by default.
 */
export function useKeys(keys: KeyMap, { whileTyping = true } = {}): void {
  const latest = useRef(keys);
  // Before the screen shows the change, so that a key pressed on seeing it means what it says.
  useLayoutEffect(() => {
    latest.current = keys;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = whileTyping || !typingFigure(event) ? freeKey(event) : undefined;
      const run = key === undefined ? undefined : latest.current[key];
      if (!run) return;
      event.preventDefault();
      // At once, so that the next key already finds what this one opened.
      flushSync(() => run(event));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [whileTyping]);
}

/** Text being typed, kept on the device at every key so that a reload or a crash loses none of it. */
import { useCallback, useState } from 'react';

const PREFIX = 'jeitinho.draft.';

const read = (key: string) => localStorage.getItem(PREFIX + key) ?? '';

/** Drop a draft once it is recorded, unless it was typed on in the meantime. */
export function dropDraft(key: string, recorded: string): void {
  if (read(key) === recorded) localStorage.removeItem(PREFIX + key);
}

export function useDraft(key: string): [text: string, setText: (text: string) => void] {
  const [kept, setKept] = useState({ key, text: read(key) });
  // Another field took this one's place: show its own draft.
  const current = kept.key === key ? kept : { key, text: read(key) };
  const setText = useCallback(
    (text: string) => {
      if (text === '') localStorage.removeItem(PREFIX + key);
      else localStorage.setItem(PREFIX + key, text);
      setKept({ key, text });
    },
    [key],
  );
  return [current.text, setText];
}

/** Text being typed, kept on the device at every key so that a reload or a crash loses none of it. */
import { useCallback, useState } from 'react';
import { readQuick, writeQuick } from './quick-store';

const read = readQuick;

export interface Draft {
  readonly text: string;
  readonly setText: (text: string) => void;
  /** Drop what was recorded, unless it was typed on in the meantime. */
  readonly drop: (recorded: string) => void;
}

export function useKeptDraft(key: string): Draft {
  const [kept, setKept] = useState({ key, text: read(key) });
  // Another field took this one's place: show its own draft.
  const current = kept.key === key ? kept : { key, text: read(key) };
  const setText = useCallback(
    (text: string) => {
      writeQuick(key, text);
      setKept({ key, text });
    },
    [key],
  );
  const drop = useCallback(
    (recorded: string) => {
      if (read(key) !== recorded) return;
      writeQuick(key, '');
      setKept((now) => (now.key === key && now.text === recorded ? { key, text: '' } : now));
    },
    [key],
  );
  return { text: current.text, setText, drop };
}

/** The plain form: text and its setter. */
export function useDraft(key: string): [text: string, setText: (text: string) => void] {
  const { text, setText } = useKeptDraft(key);
  return [text, setText];
}

/** Fields that one draft holds together; none for a draft that is empty, torn or of another program. */
export function fieldsIn<T extends object>(text: string): Partial<T> {
  try {
    const kept: unknown = JSON.parse(text || '{}');
    return kept !== null && typeof kept === 'object' ? kept : {};
  } catch {
    return {};
  }
}

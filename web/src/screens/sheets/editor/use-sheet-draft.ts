/**
 * A sheet being edited: kept on the device at every change, with undo and redo. Changes to one place in
 * quick succession are one step.
 */
import { liftSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { useEffect, useReducer } from 'react';
import { dropItem, keepItem, keptItem } from '../../../data/device';
import { localStore } from '../../../data/local-store';
import { pointer, withValue, type Path } from '../../../parts/schema-form/update';

interface History {
  readonly past: readonly WrittenSheet[];
  readonly present: WrittenSheet;
  readonly future: readonly WrittenSheet[];
  /** Place and moment of the latest change. */
  readonly last?: { readonly path: string; readonly at: number };
}

type Action =
  | { readonly kind: 'change'; readonly path: Path; readonly value: unknown; readonly at: number }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' }
  | { readonly kind: 'replace'; readonly sheet: WrittenSheet };

const ONE_STEP_MS = 900;
const MOST_STEPS = 200;

export function historyAfter(history: History, action: Action): History {
  const { past, present, future, last } = history;
  switch (action.kind) {
    case 'change': {
      const path = pointer(action.path);
      const next = withValue(present, action.path, action.value);
      const goesOn = last?.path === path && action.at - last.at < ONE_STEP_MS;
      return {
        past: goesOn ? past : [...past, present].slice(-MOST_STEPS),
        present: next,
        future: [],
        last: { path, at: action.at },
      };
    }
    case 'undo': {
      const before = past.at(-1);
      return before
        ? { past: past.slice(0, -1), present: before, future: [present, ...future] }
        : history;
    }
    case 'redo': {
      const [after, ...rest] = future;
      return after ? { past: [...past, present], present: after, future: rest } : history;
    }
    case 'replace':
      return { past: [...past, present].slice(-MOST_STEPS), present: action.sheet, future: [] };
    default:
      action satisfies never;
      return history;
  }
}

/** What is kept on the device of a sheet being edited. */
export interface KeptDraft {
  /** Revision it was begun from; 0 for a new sheet. */
  readonly base: number;
  readonly sheet: WrittenSheet;
  /** The other sheet that it was begun from. */
  readonly from?: WrittenSheet;
}

export const draftKey = (id: string) => `sheet-draft:${id}`;

/** Where a draft is put when the page goes away before the store has answered. */
const leftKey = (id: string) => `jeitinho.sheet-left.${id}`;

/** As it was last, also when the page went away in the middle of a key. */
export async function keptDraft(id: string): Promise<KeptDraft | undefined> {
  const left = keptItem(leftKey(id));
  if (left !== undefined) {
    await keepDraft(id, JSON.parse(left) as KeptDraft);
    dropItem(leftKey(id));
  }
  const kept = (await localStore.documents.get(draftKey(id)))?.value as KeptDraft | undefined;
  // Begun with an earlier program, it may be of an earlier edition.
  return kept && { ...kept, sheet: liftSheet(kept.sheet).value as WrittenSheet };
}

export const keepDraft = (id: string, draft: KeptDraft): Promise<unknown> =>
  localStore.documents.put({ key: draftKey(id), value: draft });

export async function dropDraft(id: string): Promise<void> {
  dropItem(leftKey(id));
  await localStore.documents.delete(draftKey(id));
}

/** Written at once while the page goes away: the large store would answer too late. */
function leave(id: string, draft: KeptDraft): void {
  // Too large for it, what the store has already taken is all there is.
  keepItem(leftKey(id), JSON.stringify(draft));
}

export function useSheetDraft(id: string, start: KeptDraft) {
  const [history, dispatch] = useReducer(historyAfter, {
    past: [],
    present: start.sheet,
    future: [],
  });
  const { present } = history;
  useEffect(() => {
    if (present === start.sheet) return;
    const draft = { ...start, sheet: present };
    let pending = true;
    keepDraft(id, draft).then(
      () => (pending = false),
      () => undefined,
    );
    const onLeave = () => {
      if (pending) leave(id, draft);
    };
    window.addEventListener('pagehide', onLeave);
    return () => window.removeEventListener('pagehide', onLeave);
  }, [id, start, present]);
  return {
    sheet: present,
    change: (path: Path, value: unknown) =>
      dispatch({ kind: 'change', path, value, at: Date.now() }),
    replace: (sheet: WrittenSheet) => dispatch({ kind: 'replace', sheet }),
    undo: () => dispatch({ kind: 'undo' }),
    redo: () => dispatch({ kind: 'redo' }),
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}

/** Entering the live state that a placement wants, where nothing stands in the way, or all the same. */
import { unmetFor } from '@jeitinho/core/job';
import type { SheetState } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';
import { useJob } from '../job/job-context';

export interface Entering {
  /** What stands in the way; undefined where nothing does. */
  readonly unmet: ReturnType<typeof unmetFor>;
  /** Why it is entered all the same: for the machine’s harm only. */
  readonly despite: string;
  readonly setDespite: (words: string) => void;
  /** Whether it may be entered now. */
  readonly ready: boolean;
  readonly enter: () => void;
}

/** @param state - Undefined for the supply alone. */
export function useEntering(state: SheetState | undefined): Entering {
  const { job, sheet, state: log, record } = useJob();
  const [despite, setDespite] = useDraft(`despite.${job.id}`);
  const unmet = log.rules === 1 ? undefined : unmetFor(sheet, log, state);
  const ready = unmet === undefined || (unmet.harm === 'machine' && despite.trim() !== '');
  const enter = async () => {
    if (!state) return;
    const body = { state: state.id, ...(unmet && { despite: despite.trim() }) };
    // What may not be is refused with its reason, and stands over the card.
    if (await record('window', ready ? body : { state: state.id })) setDespite('');
  };
  return { unmet, despite, setDespite, ready, enter: () => void enter() };
}

/** What is said of an earlier finding must find it standing. */
import type { JobState, Taken } from '../state/state';
import { refuse, type Refusal } from './refusal';

/** @returns the finding of an entry as it stands now, or why nothing can be said of it. */
export function standingFinding(state: JobState, entry: string): Taken | Refusal {
  return (
    [...state.current.values()].find((taken) => taken.entry === entry) ??
    refuse('nothing-to-judge', 'That reading no longer stands: nothing can be said of it.')
  );
}

/** @returns undefined where it stands. */
export function unlessStanding(state: JobState, entry: string): Refusal | undefined {
  const target = standingFinding(state, entry);
  return 'code' in target ? target : undefined;
}

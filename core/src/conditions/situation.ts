/**
 * What the machine was in when something was taken: folded from the entries before it, never sent. Each
 * finding is stamped with it and keeps it; later changes never make an old one good or void.
 */
import type { EnergyKind } from './energy';

export interface Situation {
  readonly energy: EnergyKind;
  /**
   * The live state that was current; null where there was none. Undefined in a log from before states were
   * entered: then nothing is known of it, and nothing hangs on it.
   */
  readonly state: string | null | undefined;
  /** Accesses that were open or out. */
  readonly out: ReadonlySet<string>;
  /** How often work had changed what the finding speaks of. */
  readonly epoch: number;
}

/** Two findings of one place farther apart than this are not one look at the same thing. */
export const SAME_LOOK_MS = 10 * 60_000;

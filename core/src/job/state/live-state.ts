/** Which live state is current at a moment, as far as the log says. */
import { baseState, lengthOf } from '../../conditions/live-state';
import { findState } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { Entered, JobState } from './state';
import { GRACE_MS } from './windows';

interface Known extends Pick<JobState, 'rules' | 'energy'> {
  readonly entered?: Entered | undefined;
}

/** Moment, ms, after which the state entered last is over, a late key included; undefined where it stays. */
export function stateEndsAt(sheet: Sheet, { entered }: Known): number | undefined {
  const state = entered && findState(sheet, entered.state);
  const length = state && lengthOf(state);
  return length === undefined ? undefined : entered!.at + length * 1000 + GRACE_MS;
}

/**
 * @param at - Moment, ms, by the device's present clock.
 * @returns its id; null where none is current; undefined in a log from before states were entered.
 */
export function liveStateAt(
  sheet: Sheet,
  { rules, energy, entered }: Known,
  at: number,
): string | null | undefined {
  if (rules === 1) return undefined;
  if (energy.kind !== 'live') return null;
  const base = baseState(sheet)?.id ?? null;
  if (!entered) return base;
  const endsAt = stateEndsAt(sheet, { rules, energy, entered });
  // It ends by itself, and the machine is where it came from.
  if (endsAt !== undefined && at > endsAt) return findState(sheet, entered.state)?.from ?? base;
  return entered.state;
}

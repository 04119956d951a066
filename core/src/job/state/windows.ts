/**
 * Machine states that end by themselves, and attempts that must be counted. A test mode lasts some tens
 * of seconds and may step on a fixed beat; an ignition attempt leaves gas behind, so after so many of
 * them the chamber is purged before the next.
 */
import { lengthOf } from '../../conditions/live-state';
import type { SheetState } from '../../sheet/schema';

/** One entering of a state with an end, by the device's present clock. */
export interface Spell {
  readonly startedAt: number;
  /** Undefined for a state that does not end by itself. */
  readonly endsAt?: number;
}

export interface Attempts {
  /** Since the last purge. */
  readonly count: number;
  /** Moment of the latest, ms since the epoch. */
  readonly lastAt: number;
}

export function spellOf(state: SheetState, startedAt: number): Spell {
  const seconds = lengthOf(state);
  return {
    startedAt,
    ...(seconds !== undefined && { endsAt: startedAt + seconds * 1000 }),
  };
}

/** A reading keyed in a moment late was still taken inside. */
export const GRACE_MS = 5000;

/** Why a reading taken at a moment says nothing: its test mode was over by then. */
export function lateReason(spell: Spell | undefined, at: number): string | undefined {
  if (spell?.endsAt === undefined || at <= spell.endsAt + GRACE_MS) return undefined;
  const late = Math.round((at - spell.endsAt) / 1000);
  return `the test mode had ended ${late} s before: enter it again and repeat`;
}

export interface Beat {
  /** From 1. */
  readonly step: number;
  readonly of: number;
  /** Seconds to the next. */
  readonly nextIn: number;
  /** What the sheet calls it; absent for a plain beat. */
  readonly name?: string;
}

/** Which of its own named steps runs, these many seconds after it began; undefined when all are over. */
function stepAt(
  steps: readonly { readonly name: string; readonly seconds: number }[],
  seconds: number,
): Beat | undefined {
  let end = 0;
  for (const [i, { name, seconds: length }] of steps.entries()) {
    end += length;
    if (seconds >= 0 && seconds < end)
      return { step: i + 1, of: steps.length, nextIn: end - seconds, name };
  }
  return undefined;
}

/** The step of a beating test mode that runs at a moment, from 1; undefined outside it. */
export function beatAt(state: SheetState, spell: Spell | undefined, now: number): Beat | undefined {
  if (state.steps && spell) return stepAt(state.steps, (now - spell.startedAt) / 1000);
  if (state.beat === undefined || state.lasts === undefined || !spell) return undefined;
  const seconds = (now - spell.startedAt) / 1000;
  if (seconds < 0 || seconds >= state.lasts) return undefined;
  const step = Math.floor(seconds / state.beat) + 1;
  return { step, of: Math.ceil(state.lasts / state.beat), nextIn: step * state.beat - seconds };
}

/** Moment from which the purge that is owed is over; undefined while none is owed. */
export function purgeUntil(state: SheetState, attempts: Attempts | undefined): number | undefined {
  if (!state.attempts || !attempts || attempts.count < state.attempts.most) return undefined;
  return attempts.lastAt + state.attempts.purge * 1000;
}

/** A clock that the technician started and named. */
export interface NamedClock {
  readonly entry: string;
  readonly name: string;
  readonly meanwhile: string;
  readonly startedAt: number;
  readonly endsAt: number;
}

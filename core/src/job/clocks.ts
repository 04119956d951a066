/**
 * Every clock that runs in a job: those the technician named, and those that follow from the log: the
 * wait for the bus, a test mode, a purge. Computed from the moment of the entry, never from ticks, so
 * they survive a reload, a locked phone and another device.
 */
import { findState, stateName } from '../sheet/lookup';
import type { Sheet } from '../sheet/schema';
import { dischargeOf } from './discharge';
import type { JobState } from './state';
import { purgeUntil } from './windows';

export interface NamedClock {
  readonly entry: string;
  readonly name: string;
  readonly meanwhile: string;
  readonly startedAt: number;
  readonly endsAt: number;
}

export interface RunningClock {
  readonly id: string;
  readonly kind: 'named' | 'wait' | 'discharge' | 'window' | 'purge';
  readonly name: string;
  /** What to do while it runs. */
  readonly meanwhile: string;
  /** What to do when it ends. */
  readonly then: string;
  readonly startedAt: number;
  readonly endsAt: number;
}

/** In the order in which they end. One that has ended stays until it is answered or overtaken. */
export function clocksOf(sheet: Sheet, state: JobState): RunningClock[] {
  const clocks = [
    ...state.clocks.map(({ entry, ...rest }): RunningClock => ({
      id: entry,
      kind: 'named',
      then: '',
      ...rest,
    })),
    ...waiting(sheet, state),
    ...windows(sheet, state),
  ];
  return clocks.sort((a, b) => a.endsAt - b.endsAt);
}

function waiting(sheet: Sheet, { energy }: JobState): RunningClock[] {
  const { waitUntil, isolatedAt, kind, bus } = energy;
  if (kind !== 'not-proven' || waitUntil === undefined || isolatedAt === undefined) return [];
  const startedAt = waitUntil - sheet.safety.waitMinutes * 60_000;
  const wait: RunningClock = {
    id: `wait-${isolatedAt}`,
    kind: 'wait',
    name: 'Wait for the bus',
    meanwhile: 'Touch nothing inside. Look and photograph only.',
    then: 'Measure the bus.',
    startedAt,
    endsAt: waitUntil,
  };
  const fall = dischargeOf(sheet, energy);
  const last = fall?.limits.at(-1);
  // Once a reading says when it will be low, that moment is worth waiting for.
  if (bus && fall && last?.at !== undefined && !last.reached && last.at > waitUntil)
    return [
      {
        ...wait,
        id: `discharge-${bus.entry}`,
        kind: 'discharge',
        name: `Bus below ${last.below} V`,
        startedAt: fall.from,
        endsAt: last.at,
      },
    ];
  return energy.next === 'reprove-meter' ? [] : [wait];
}

function windows(sheet: Sheet, state: JobState): RunningClock[] {
  const spells = [...state.spells].flatMap(([id, spell]): RunningClock[] => {
    const of = findState(sheet, id);
    if (!of || spell.endsAt === undefined) return [];
    return [
      {
        id: `window-${id}-${spell.startedAt}`,
        kind: 'window',
        name: stateName(of),
        meanwhile: 'Measure now.',
        then: 'It has ended. Enter it again for more.',
        startedAt: spell.startedAt,
        endsAt: spell.endsAt,
      },
    ];
  });
  const purges = [...state.attempts].flatMap(([id, attempts]): RunningClock[] => {
    const of = findState(sheet, id);
    const until = of && purgeUntil(of, attempts);
    if (!of || until === undefined) return [];
    return [
      {
        id: `purge-${id}-${attempts.lastAt}`,
        kind: 'purge',
        name: `Purge before the next ${stateName(of)}`,
        meanwhile: of.attempts?.say ?? 'Ventilate; no further attempt.',
        then: 'Say that it is purged, then go on.',
        startedAt: attempts.lastAt,
        endsAt: until,
      },
    ];
  });
  return [...spells, ...purges];
}

/**
 * Every clock that runs in a job: those the technician named, and those that follow from the log: the
 * wait for the bus, a test mode, a purge. Computed from the moment of the entry, never from ticks, so
 * they survive a reload, a locked phone and another device.
 */
import { dischargeOf } from '../../conditions/discharge';
import { latestOf, passes, type Energy } from '../../conditions/energy';
import type { Moment } from '../../conditions/moment';
import { pairsOf, type Pair } from '../../conditions/pairs';
import { findState, stateName } from '../../sheet/lookup';
import type { Sheet } from '../../sheet/schema';
import type { JobState } from '../state/state';
import { purgeUntil } from '../state/windows';
import { nth } from '../../numeric/nth';

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
  if (energy.kind !== 'not-proven' || !energy.isolated) return [];
  const { isolated } = energy;
  const open = pairsOf(sheet).filter((pair) => {
    const latest = latestOf(energy, pair.id);
    // Measured and low, only the meter's second proof is wanting.
    return pair.waitMinutes > 0 && !energy.proven.has(pair.id) && !(latest && passes(latest));
  });
  const ends = [...new Set(open.map(({ waitMinutes }) => waitMinutes))];
  return ends.flatMap((minutes): RunningClock[] => {
    const pairs = open.filter(({ waitMinutes }) => waitMinutes === minutes);
    const endsAt = isolated.time + minutes * 60_000;
    const falling = pairs.flatMap((pair) => forecast(pair, energy, endsAt) ?? []);
    const waits = pairs.length - falling.length;
    // Pairs that wait as long are one clock.
    return waits === 0 ? falling : [waitFor(pairs, isolated, endsAt), ...falling];
  });
}

const WHILE_WAITING = 'Touch nothing inside. Look and photograph only.';

function waitFor(pairs: readonly Pair[], isolated: Moment, endsAt: number): RunningClock {
  const more = pairs.length > 1 ? ` and ${pairs.length - 1} more` : '';
  return {
    id: `wait-${isolated.at}-${endsAt}`,
    kind: 'wait',
    name: `Wait: ${nth(pairs, 0).name}${more}`,
    meanwhile: WHILE_WAITING,
    then: `Measure ${nth(pairs, 0).name}.`,
    startedAt: isolated.time,
    endsAt,
  };
}

/** Once a reading says when it will be low, that moment is worth waiting for. */
function forecast(pair: Pair, energy: Energy, endsAt: number): RunningClock | undefined {
  const latest = latestOf(energy, pair.id);
  const fall = dischargeOf(pair, energy);
  const last = fall?.limits.at(-1);
  if (!latest || !fall || last?.at === undefined || last.reached || last.at <= endsAt)
    return undefined;
  return {
    id: `discharge-${latest.entry}`,
    kind: 'discharge',
    name: `${pair.name} below ${last.below} V`,
    meanwhile: WHILE_WAITING,
    then: `Measure ${pair.name}.`,
    startedAt: fall.from,
    endsAt: last.at,
  };
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

/**
 * What a lamp says, from taps along with it: long and short ones, groups and pauses, round after round; and
 * how sure that is. A hand is late by about a fifth of what it times, so what lies near a boundary is said
 * to be unsure, and two rounds that agree are asked for.
 */
import { median } from '../../numeric/median';
import { normalCdf } from '../../numeric/normal';
import { nth } from '../../numeric/nth';
import type { CodeScheme } from '../schema';

/** One press along with the lamp, ms. */
export interface Tap {
  readonly down: number;
  readonly up: number;
}

export interface BlinkRound {
  readonly longs: number;
  readonly shorts: number;
  /** Blinks between pauses, in order. */
  readonly groups: readonly number[];
  readonly code: string;
  /** Probability that it was heard right. */
  readonly sure: number;
}

export interface BlinksRead {
  readonly rounds: readonly BlinkRound[];
  /** Of the last two rounds, where they agree. */
  readonly code?: string;
  /** Probability that it is right. */
  readonly sure: number;
  /** Blinks a second, and whether they come evenly; of one round with three blinks or more. */
  readonly rate?: number;
  readonly even?: boolean;
}

/** Relative spread of a hand’s timing: of what lies between two boundaries, one standard deviation. */
const HAND = 0.2;
/** Pauses so many times the usual interval part groups, and rounds. */
const GROUP = 1.7;
const ROUND = 3.2;
/** ms: shorter ones part no rounds however quick the lamp, and longer ones always do. */
const LEAST_ROUND = 1_400;
const MOST_ROUND = 6_000;
/** Of the longest to the shortest: below it all are of one kind. */
const TWO_KINDS = 1.9;
/** ms: where all are of one kind, what is longer is long. */
const LONG = 800;
/** Of the time a blink is held: no pause within a group is so long. */
const SINGLE = 2.5;
const EVEN = 0.25;

type Counts = Pick<CodeScheme, 'long' | 'short'>;

/** @param taps - In the order of pressing. */
export function readBlinks(taps: readonly Tap[], scheme: Counts): BlinksRead {
  if (taps.length === 0) return { rounds: [], sure: 0 };
  const kinds = kindsOf(taps);
  const pauses = taps.slice(1).map(({ down }, i) => down - nth(taps, i).up);
  const { group, round } = boundaries(taps, pauses);
  const rounds: BlinkRound[] = [];
  let from = 0;
  for (let i = 0; i <= pauses.length; i += 1) {
    const pause = pauses[i];
    if (pause !== undefined && pause < round) continue;
    rounds.push(
      roundOf(taps.slice(from, i + 1), pauses.slice(from, i), scheme, kinds, group, round),
    );
    from = i + 1;
  }
  const [last, before] = [rounds.at(-1), rounds.at(-2)];
  const agreed = last && before && last.code === before.code;
  return {
    rounds,
    ...(agreed && { code: last.code }),
    sure: agreed
      ? both(last.sure, before.sure)
      : (last?.sure ?? 0) * (before ? 1 - before.sure / 2 : 1),
    ...pace(taps),
  };
}

/** Of two that agree, wrong ones agreeing by chance in one of four. */
function both(a: number, b: number): number {
  const right = a * b;
  return right / (right + (1 - a) * (1 - b) * 0.25);
}

interface Kinds {
  /** ms; what is longer is long. */
  readonly boundary: number;
  readonly two: boolean;
}

function kindsOf(taps: readonly Tap[]): Kinds {
  const held = taps.map(({ down, up }) => Math.max(1, up - down));
  const [least, most] = [Math.min(...held), Math.max(...held)];
  return most / least >= TWO_KINDS
    ? { boundary: Math.sqrt(least * most), two: true }
    : { boundary: LONG, two: false };
}

/** From the usual time between beginnings: of a lamp that is regular the shortest, as a group has them. */
function boundaries(taps: readonly Tap[], pauses: readonly number[]) {
  if (pauses.length === 0) return { group: LEAST_ROUND, round: LEAST_ROUND };
  const short = [...pauses].sort((a, b) => a - b);
  const usual = median(short.slice(0, Math.max(1, Math.ceil(short.length / 2))));
  const held = median(taps.map(({ down, up }) => up - down));
  // One blink to a round: its only pauses are those between rounds.
  const single = usual > Math.max(LEAST_ROUND, held * SINGLE);
  const beat = single ? held : Math.max(usual, held * 0.5);
  return {
    group: beat * GROUP,
    round: Math.min(MOST_ROUND, Math.max(LEAST_ROUND, beat * ROUND)),
  };
}

function roundOf(
  taps: readonly Tap[],
  pauses: readonly number[],
  { long, short }: Counts,
  { boundary, two }: Kinds,
  group: number,
  round: number,
): BlinkRound {
  const held = taps.map(({ down, up }) => Math.max(1, up - down));
  const longs = held.filter((ms) => ms > boundary).length;
  const shorts = held.length - longs;
  const groups: number[] = [1];
  for (const pause of pauses) {
    if (pause > group) groups.push(0);
    groups[groups.length - 1]! += 1;
  }
  const counted = long !== undefined || short !== undefined;
  const clear = (ms: number, at: number) => normalCdf(Math.abs(Math.log(ms / at)) / HAND);
  const parted = counted ? [round] : [group, round];
  const sure = [
    ...(counted && two ? held.map((ms) => clear(ms, boundary)) : []),
    ...pauses.flatMap((ms) => parted.map((at) => clear(Math.max(1, ms), at))),
  ].reduce((product, p) => product * p, 0.98);
  return {
    longs,
    shorts,
    groups,
    code: counted ? String(longs * (long ?? 1) + shorts * (short ?? 1)) : groups.join(''),
    sure,
  };
}

function pace(taps: readonly Tap[]): Pick<BlinksRead, 'rate' | 'even'> {
  if (taps.length < 3) return {};
  const beats = taps.slice(1).map(({ down }, i) => down - nth(taps, i).down);
  const usual = median(beats);
  const spread = median(beats.map((ms) => Math.abs(ms - usual))) / usual;
  return { rate: 1000 / usual, even: spread < EVEN };
}

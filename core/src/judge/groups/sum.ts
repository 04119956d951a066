/**
 * Sum rule of a single-phase motor with a start winding: run and start winding meet at the common
 * terminal, so the largest of the three readings is the sum of the other two. Which terminal is which
 * follows: the pair with the largest reading leaves the common one out; the smallest reading is the run
 * winding, the middle one the start winding.
 *
 * Worked example: 1–2 reads 8.0 Ω, 2–3 5.5 Ω, 3–1 2.5 Ω. 5.5 + 2.5 = 8.0: the sum holds, the common
 * terminal is 3, run is 1, start is 2.
 */
import { propagate } from '../../numeric/propagate';
import { formatQuantity } from '../../units/format';
import { certain, judgeFigure } from '../figure';
import type { Judgement } from '../judge';
import { figuresOf, openOnes, type GroupReading } from './readings';

export interface SumRule {
  readonly kind: 'sum';
  /** Allowed difference, percent of the largest reading. */
  readonly percent: number;
}

export const SUM_OUTCOMES = ['ok', 'sum', 'open'] as const;

export interface MotorTerminals {
  readonly common: string;
  readonly run: string;
  readonly start: string;
}

/** @param readings - Three, over the pairs of three terminals. */
export function judgeSum(rule: SumRule, readings: readonly GroupReading[]): Judgement {
  const open = openOnes(readings);
  const figures = figuresOf(readings);
  if (!figures)
    return certain(
      'open',
      open.length === 3
        ? 'All three read OL: the winding protector may be open. Let the motor cool and repeat.'
        : `${open.join(' and ')} reads OL: a winding is open there.`,
    );
  // In the unit of the readings: a percentage of next to nothing would be no figure.
  const figure = propagate((values) => {
    const sorted = [...values].sort((a, b) => a - b);
    return sorted[2]! - sorted[0]! - sorted[1]!;
  }, figures);
  const largest = Math.max(...figures.map((each) => each.value));
  const allowed = (rule.percent / 100) * Math.abs(largest);
  const gap = formatQuantity(Math.abs(figure.value), readings[0]!.unit, 3);
  const terminals = nameTerminals(readings);
  const named = terminals
    ? ` Common is ${terminals.common}, run ${terminals.run}, start ${terminals.start}.`
    : '';
  return judgeFigure(
    figure,
    { low: -allowed, high: allowed },
    { low: 'sum', high: 'sum' },
    `The largest differs from the sum of the other two by ${gap}.${named}`,
  );
}

/** @returns undefined unless the three pairs join exactly three terminals. */
export function nameTerminals(readings: readonly GroupReading[]): MotorTerminals | undefined {
  const pairs = readings.map(({ red, black, judgement }) => ({
    ends: [red, black],
    value: judgement.corrected,
  }));
  const terminals = new Set(pairs.flatMap(({ ends }) => ends));
  if (pairs.length !== 3 || terminals.size !== 3 || terminals.has(undefined)) return undefined;
  if (pairs.some(({ value }) => value === undefined)) return undefined;
  const sorted = [...pairs].sort((a, b) => a.value! - b.value!);
  const common = [...terminals].find((each) => !sorted[2]!.ends.includes(each));
  const other = (ends: (string | undefined)[]) => ends.find((each) => each !== common);
  const short = (ref: string | undefined) => ref?.split('.').slice(1).join('.') || ref;
  const [run, start] = [other(sorted[0]!.ends), other(sorted[1]!.ends)];
  if (common === undefined || run === undefined || start === undefined || run === start)
    return undefined;
  return { common: short(common)!, run: short(run)!, start: short(start)! };
}

/**
 * Balance: readings of the same kind must agree. Unbalance is the largest deviation from the mean
 * divided by the mean, in percent (NEMA MG-1, 14.36, there for phase voltages); or the spread between
 * largest and smallest is limited as it stands, as for the drops of three transistors.
 *
 * Worked example: 7.0, 7.1 and 6.6 Ω have the mean 6.9 Ω; 6.6 lies 0.3 away: 4.35 %.
 */
import { Type } from '@sinclair/typebox';
import { InvalidInputError } from '../../errors';
import { nth } from '../../numeric/nth';
import { formatDifference } from '../../units/format';
import { certain, judgeApart, unsettled } from '../figure';
import type { Judgement } from '../judge';
import type { Drawn } from '../uncertainty/draws';
import { mayBeNothing, standardUncertainty, type Measured } from '../uncertainty/errors';
import { COVERAGE } from '../uncertainty/level';
import { drawFigure, figuresOf, mean, openOnes, shortly, type GroupReading } from './readings';
import { defineRule, Points, positive } from './rule';

interface BalanceLimits {
  readonly id: string;
  /** Largest unbalance, percent of the mean. */
  readonly percent?: number | undefined;
  /** Or the largest spread, in the unit of the readings. */
  readonly spread?: number | undefined;
}

const OUTCOMES = ['ok', 'unequal'] as const;

export const balance = defineRule({
  kind: 'balance',
  fields: {
    percent: Type.Optional(positive),
    spread: Type.Optional(positive),
    points: Type.Optional(Points),
  },
  title: 'Equal among themselves',
  outcomes: OUTCOMES,
  points: ({ points }, all) => points ?? all,
  problem: ({ percent, spread }, points) =>
    percent === undefined && spread === undefined
      ? 'A balance needs percent or spread.'
      : points < 2
        ? 'A balance needs two readings at least.'
        : undefined,
  judge: judgeBalance,
  // A spread only grows; an unbalance in percent of the mean may shrink again.
  early: (rule, readings) =>
    rule.spread !== undefined && rule.percent === undefined && readings.length > 1
      ? judgeBalance(rule, readings)
      : undefined,
});

/** @returns percent of the mean; 0 for equal readings, also when all are 0. */
export function unbalancePercent(values: readonly number[]): number {
  const centre = mean(values);
  let worst = 0;
  for (const value of values) worst = Math.max(worst, Math.abs(value - centre));
  return worst === 0 ? 0 : (100 * worst) / Math.abs(centre);
}

export function spreadOf(values: readonly number[]): number {
  let [low, high] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return high - low;
}

/** Beyond any limit: around zero there is no percentage of the mean. */
const BEYOND: Drawn = {
  value: Number.MAX_VALUE,
  u: 0,
  below: () => 0,
  above: () => 1,
  byErrorAlone: () => 0,
};

/** @param readings - Two or more. */
export function judgeBalance(rule: BalanceLimits, readings: readonly GroupReading[]): Judgement {
  const [first] = readings;
  if (!first) throw new InvalidInputError('a balance takes two readings or more', '/readings');
  const open = openOnes(readings);
  if (open.length === readings.length)
    return certain('ok', 'All of them read OL: equal, and judged one by one.');
  const figures = figuresOf(readings);
  if (!figures)
    return certain(
      'unequal',
      `${open.join(' and ')} reads OL and the others do not.${sharedTerminal(readings)}`,
    );
  const odd = oddOne(readings, figures);
  if (rule.spread !== undefined) {
    const figure = drawFigure(rule, spreadOf, figures);
    return judgeApart(
      figure,
      rule.spread,
      'unequal',
      `They lie ${formatDifference(figure.value, first.unit, 3)} apart; ${formatDifference(rule.spread, first.unit)} is allowed.${odd}`,
    );
  }
  const limit = rule.percent ?? 0;
  // Of figures that may all be nothing there is no percentage; exact ones are what they are.
  if (figures.every(mayBeNothing) && figures.some(({ errors }) => standardUncertainty(errors) > 0))
    return unsettled(
      OUTCOMES,
      'All of them are too near to nothing for a percentage: judged one by one.',
    );
  const raw = drawFigure(rule, unbalancePercent, figures);
  const figure = Number.isFinite(raw.value) && Number.isFinite(raw.u) ? raw : BEYOND;
  return judgeApart(
    figure,
    limit,
    'unequal',
    `Unbalance ${figure === raw ? shortly(raw.value) : 'beyond measure'} %; ${shortly(limit)} % is allowed.${odd}`,
  );
}

/** Of three where two are open, the place that both of them touch: what leads there is open. */
function sharedTerminal(readings: readonly GroupReading[]): string {
  const open = readings.filter(({ reading }) => reading.kind === 'overload');
  const [first, second] = open;
  if (readings.length !== 3 || open.length !== 2 || !first || !second) return '';
  const shared = [first.red, first.black].find(
    (place) => place !== undefined && (place === second.red || place === second.black),
  );
  return shared === undefined
    ? ''
    : ` Both touch ${nth(shared.split('.').slice(-1), 0)}: it is open there.`;
}

/** Names the reading furthest from the others where one stands out by more than its own error. */
function oddOne(readings: readonly GroupReading[], figures: readonly Measured[]): string {
  if (readings.length < 3) return '';
  const values = figures.map(({ value }) => value);
  const centre = mean(values);
  const away = values.map((value) => Math.abs(value - centre));
  const worst = Math.max(...away);
  const at = away.indexOf(worst);
  // Gain is common to all of them; what each has by itself is its counts.
  const own = standardUncertainty({ ...nth(figures, at).errors, gain: 0, lead: 0 });
  if (worst <= COVERAGE * own || away.filter((each) => each > 0.8 * worst).length !== 1) return '';
  return ` ${readings[at]?.id ?? ''} stands out.`;
}

/**
 * Balance: readings of the same kind must agree. Unbalance is the largest deviation from the mean
 * divided by the mean, in percent (NEMA MG-1, 14.36, there for phase voltages); or the spread between
 * largest and smallest is limited as it stands, as for the drops of three transistors.
 *
 * Worked example: 7.0, 7.1 and 6.6 Ω have the mean 6.9 Ω; 6.6 lies 0.3 away: 4.35 %.
 */
import { propagate } from '../../numeric/propagate';
import { formatQuantity } from '../../units/format';
import { certain, judgeFigure } from '../figure';
import type { Judgement } from '../judge';
import { figuresOf, mean, openOnes, type GroupReading } from './readings';

export interface BalanceRule {
  readonly kind: 'balance';
  /** Largest unbalance, percent of the mean. */
  readonly percent?: number | undefined;
  /** Or the largest spread, in the unit of the readings. */
  readonly spread?: number | undefined;
}

export const BALANCE_OUTCOMES = ['ok', 'unequal'] as const;

/** @returns percent of the mean; 0 for equal readings, also when all are 0. */
export function unbalancePercent(values: readonly number[]): number {
  const centre = mean(values);
  const worst = Math.max(...values.map((value) => Math.abs(value - centre)));
  return worst === 0 ? 0 : (100 * worst) / Math.abs(centre);
}

export const spreadOf = (values: readonly number[]): number =>
  Math.max(...values) - Math.min(...values);

/** @param readings - Two or more. */
export function judgeBalance(rule: BalanceRule, readings: readonly GroupReading[]): Judgement {
  const open = openOnes(readings);
  if (open.length === readings.length)
    return certain('ok', 'All of them read OL: equal, and judged one by one.');
  const figures = figuresOf(readings);
  if (!figures) return certain('unequal', `${open.join(' and ')} reads OL and the others do not.`);
  const odd = oddOne(readings);
  const classes = { low: 'unequal', high: 'unequal' };
  if (rule.spread !== undefined) {
    const figure = propagate(spreadOf, figures);
    const { unit } = readings[0]!;
    return judgeFigure(
      figure,
      { low: -Infinity, high: rule.spread },
      classes,
      `They lie ${formatQuantity(figure.value, unit, 3)} apart; ${formatQuantity(rule.spread, unit)} is allowed.${odd}`,
    );
  }
  const limit = rule.percent ?? 0;
  const raw = propagate(unbalancePercent, figures);
  const figure =
    Number.isFinite(raw.value) && Number.isFinite(raw.u) ? raw : { value: Number.MAX_VALUE, u: 0 };
  return judgeFigure(
    figure,
    { low: -Infinity, high: limit },
    classes,
    `Unbalance ${figure === raw ? round(raw.value) : 'beyond measure'} %; ${round(limit)} % is allowed.${odd}`,
  );
}

const round = (value: number) => String(Number(value.toPrecision(3)));

/** Names the reading furthest from the others where one stands out. */
function oddOne(readings: readonly GroupReading[]): string {
  if (readings.length < 3) return '';
  const values = readings.map(({ judgement }) => judgement.corrected!);
  const centre = mean(values);
  const away = values.map((value) => Math.abs(value - centre));
  const worst = Math.max(...away);
  if (worst === 0 || away.filter((each) => each > 0.8 * worst).length !== 1) return '';
  return ` ${readings[away.indexOf(worst)]!.id} stands out.`;
}

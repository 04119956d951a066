/**
 * Within: after an event the figure must reach a level within a time: valve volts after the igniter is
 * hot, a fan after its command.
 *
 * Worked example: 24 V appears 6.5 s after the event; 4 to 10 s is right.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { crossing, type Series } from './samples';

export interface WithinRule {
  readonly kind: 'within';
  readonly event: string;
  readonly level: number;
  /** `above`: the figure must rise to the level; `below`: fall to it. */
  readonly side: 'above' | 'below';
  /** Shortest and longest time after the event, seconds. */
  readonly after: readonly [number, number];
  readonly unit: Unit;
}

export const WITHIN_OUTCOMES = ['ok', 'early', 'late', 'never'] as const;

export function judgeWithin(rule: WithinRule, { samples, event }: Series): Judgement {
  if (event === undefined) return unsettled(WITHIN_OUTCOMES, `Mark the moment: ${rule.event}.`);
  const direction = rule.side === 'above' ? 1 : -1;
  const reached = crossing(
    samples.filter(({ t }) => t >= event),
    rule.level,
    direction,
  );
  const level = formatQuantity(rule.level, rule.unit);
  const [shortest, longest] = rule.after;
  if (reached === undefined) {
    const watched = (samples.at(-1)?.t ?? event) - event;
    return watched > longest
      ? certain('never', `It never came to ${level} in ${Math.round(watched)} s.`)
      : unsettled(WITHIN_OUTCOMES, `Watch it for ${longest} s after: ${rule.event}.`);
  }
  const delay = reached - event;
  const words = `${level} after ${Number(delay.toPrecision(3))} s; ${shortest} to ${longest} s is right.`;
  if (delay < shortest) return certain('early', words);
  return certain(delay > longest ? 'late' : 'ok', words);
}

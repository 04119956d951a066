/**
 * Starts: the figure comes to a level so long after the watch began, not before and not after. A start delay
 * is no fault, and one that is not kept is: a compressor that starts at once after a stop, a fan that never
 * does.
 *
 * Worked example: 230 V at the contactor 182 s after the call; 170 to 200 s is right.
 */
import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import { crossing, durationOf } from './samples';
import { defineSeries, pair } from './series-kind';

const OUTCOMES = ['ok', 'early', 'late', 'never'] as const;

export const starts = defineSeries({
  kind: 'starts',
  fields: {
    level: Type.Number(),
    /** `above`: the figure must rise to the level; `below`: fall to it. */
    side: words(['above', 'below']),
    /** Shortest and longest time after the watch began, seconds. */
    after: pair,
  },
  outcomes: () => OUTCOMES,
  words: ({ side, level, after }, { show }) =>
    `starts: ${side} ${show(level)} after ${after[0]} to ${after[1]} s`,
  seconds: ({ after }) => after[1],
  limits: ({ after }) => [after],
  wanted: ({ level }) => [{ low: level, high: level }],
  judge(rule, { samples }) {
    const began = samples[0]?.t ?? 0;
    const reached = crossing(samples, rule.level, rule.side === 'above' ? 1 : -1);
    const level = formatQuantity(rule.level, rule.unit);
    const [shortest, longest] = rule.after;
    if (reached === undefined)
      return durationOf(samples) > longest
        ? certain('never', `It did not start in ${Math.round(durationOf(samples))} s.`)
        : unsettled(OUTCOMES, `Watch it for ${longest} s from the call.`);
    const delay = reached - began;
    const said = `${level} after ${Number(delay.toPrecision(3))} s; ${shortest} to ${longest} s is right.`;
    if (delay < shortest) return certain('early', said);
    return certain(delay > longest ? 'late' : 'ok', said);
  },
});

/**
 * Within: after an event the figure must reach a level within a time: valve volts after the igniter is
 * hot, a fan after its command.
 *
 * Worked example: 24 V appears 6.5 s after the event; 4 to 10 s is right. 24 V that stood there before the
 * event are no reaction to it.
 */
import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { formatQuantity } from '../../units/format';
import { certain, unsettled } from '../figure';
import { crossing } from './samples';
import { defineSeries, event, pair } from './series-kind';

const OUTCOMES = ['ok', 'early', 'late', 'never'] as const;

export const within = defineSeries({
  kind: 'within',
  fields: {
    event,
    level: Type.Number(),
    /** `above`: the figure must rise to the level; `below`: fall to it. */
    side: words(['above', 'below']),
    /** Shortest and longest time after the event, seconds. */
    after: pair,
  },
  outcomes: () => OUTCOMES,
  words: ({ side, level, after, event: marks }, { show }) =>
    `${side} ${show(level)} ${after[0]} to ${after[1]} s after: ${marks}`,
  seconds: ({ after }) => after[1],
  limits: ({ after }) => [after],
  wanted: ({ level }) => [{ low: level, high: level }],
  judge(rule, { samples, event: marked }) {
    if (marked === undefined) return unsettled(OUTCOMES, `Mark the moment: ${rule.event}.`);
    const direction = rule.side === 'above' ? 1 : -1;
    const level = formatQuantity(rule.level, rule.unit);
    const before = samples.findLast(({ t }) => t < marked);
    // What stood there before the event is no reaction to it.
    const stood = before !== undefined && (before.value - rule.level) * direction >= 0;
    const since = samples.filter(({ t }) => t >= marked);
    if (stood) return certain('early', `It stood at ${level} before the event: no reaction to it.`);
    const reached = crossing(since, rule.level, direction);
    const [shortest, longest] = rule.after;
    if (reached === undefined) {
      const watched = (samples.at(-1)?.t ?? marked) - marked;
      return watched > longest
        ? certain('never', `It never came to ${level} in ${Math.round(watched)} s.`)
        : unsettled(OUTCOMES, `Watch it for ${longest} s after: ${rule.event}.`);
    }
    const delay = reached - marked;
    const said = `${level} after ${Number(delay.toPrecision(3))} s; ${shortest} to ${longest} s is right.`;
    if (delay < shortest) return certain('early', said);
    return certain(delay > longest ? 'late' : 'ok', said);
  },
});

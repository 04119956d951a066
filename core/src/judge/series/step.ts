/**
 * Step: in band A before an event, in band B after it. A voltage that falls to nothing when the flame
 * lights may be success.
 *
 * Worked example: 121, 120 V before the flame and 0.3 V after it, wanted 110 to 130 V, then below 5 V.
 */
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import { allOf, besides } from '../uncertainty/together';
import { defineSeries, event, pair } from './series-kind';

const OUTCOMES = ['ok', 'before-wrong', 'still'] as const;

export const step = defineSeries({
  kind: 'step',
  fields: { event, before: pair, after: pair },
  outcomes: () => OUTCOMES,
  words: (expect, { band }) =>
    `${band(...expect.before)}, then ${band(...expect.after)} (${expect.event})`,
  seconds: () => 0,
  limits: ({ before, after }) => [before, after],
  wanted: ({ before, after }, { event: marked }) => [
    { low: before[0], high: before[1], ...(marked !== undefined && { to: marked }) },
    ...(marked === undefined ? [] : [{ low: after[0], high: after[1], from: marked }]),
  ],
  judge(rule, { samples, event: marked }, errors) {
    if (marked === undefined)
      return unsettled(
        OUTCOMES,
        `Mark the moment: ${rule.event}. Without it nothing is before or after.`,
      );
    // The last one on either side: what came earlier may still have been settling.
    const a = samples.findLast(({ t }) => t < marked);
    const b = samples.findLast(({ t }) => t >= marked);
    if (!a || !b) return unsettled(OUTCOMES, `A figure is needed before and after: ${rule.event}.`);
    const inside = (value: number, [low, high]: readonly [number, number]) =>
      classProbabilities({ value, errors: errors(value) }, { low, high }, { low: 'x', high: 'x' })
        .ok ?? 0;
    const [pBefore, pAfter] = [inside(a.value, rule.before), inside(b.value, rule.after)];
    const show = (value: number) => formatQuantity(value, rule.unit, 3);
    return judgeClasses(
      besides(allOf([pBefore, pAfter]), {
        'before-wrong': 1 - pBefore,
        still: pBefore * (1 - pAfter),
      }),
      `${show(a.value)} before, ${show(b.value)} after: ${rule.event}.`,
    );
  },
});

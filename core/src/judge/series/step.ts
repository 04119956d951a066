/**
 * Step: in band A before an event, in band B after it. A voltage that falls to nothing when the flame
 * lights may be success.
 *
 * Worked example: 121, 120 V before the flame and 0.3 V after it, wanted 110 to 130 V, then below 5 V.
 */
import type { Unit } from '../../units/units';
import { formatQuantity } from '../../units/format';
import { classProbabilities, judgeClasses, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { type Sample, type Series } from './samples';

export interface StepRule {
  readonly kind: 'step';
  readonly event: string;
  readonly before: readonly [number, number];
  readonly after: readonly [number, number];
  readonly unit: Unit;
}

export const STEP_OUTCOMES = ['ok', 'before-wrong', 'still'] as const;

export function judgeStep(rule: StepRule, { samples, event }: Series, u: number): Judgement {
  if (event === undefined)
    return unsettled(
      STEP_OUTCOMES,
      `Mark the moment: ${rule.event}. Without it nothing is before or after.`,
    );
  const before = samples.filter(({ t }) => t < event);
  const after = samples.filter(({ t }) => t >= event);
  if (before.length === 0 || after.length === 0)
    return unsettled(STEP_OUTCOMES, `A figure is needed before and after: ${rule.event}.`);
  const within = (sample: Sample, [low, high]: readonly [number, number]) =>
    classProbabilities({ value: sample.value, u }, { low, high }, { low: 'x', high: 'x' }).ok!;
  // The last one on either side: what came earlier may still have been settling.
  const [a, b] = [before.at(-1)!, after.at(-1)!];
  const [pBefore, pAfter] = [within(a, rule.before), within(b, rule.after)];
  const show = (value: number) => formatQuantity(value, rule.unit, 3);
  return judgeClasses(
    { ok: pBefore * pAfter, 'before-wrong': 1 - pBefore, still: pBefore * (1 - pAfter) },
    `${show(a.value)} before, ${show(b.value)} after: ${rule.event}.`,
  );
}

/**
 * Judging a derived figure (a balance, a ratio, a slope) that has a value, a standard uncertainty and
 * limits: the same conformance probability as for a single reading (JCGM 106:2012, section 7), with
 * classes named by the rule.
 */
import type { Uncertain } from '../numeric/propagate';
import type { Limits } from './expectation';
import {
  above,
  below,
  decideBy,
  likeliest,
  type Judgement,
  type OutcomeProbabilities,
} from './judge';

export interface FigureClasses {
  /** Name of the class below the lower limit. */
  readonly low: string;
  readonly high: string;
}

/** The parts of a judgement that no derived figure has. */
const PLAIN = { edge: false, signFlagged: false, assumed: false, contactOwed: false } as const;
const NO_LIMITS: Limits = { low: -Infinity, high: Infinity };

/** @returns probability of each class, `ok` first; sums to 1. */
export function classProbabilities(
  { value, u }: Uncertain,
  limits: Limits,
  classes: FigureClasses,
): OutcomeProbabilities {
  const pLow = below(limits.low, value, u);
  const pHigh = above(limits.high, value, u);
  const p: Record<string, number> = { ok: Math.max(0, 1 - pLow - pHigh) };
  if (limits.low !== -Infinity) p[classes.low] = pLow;
  if (limits.high !== Infinity) p[classes.high] = (p[classes.high] ?? 0) + pHigh;
  return p;
}

/**
 * A judgement on a derived figure.
 * @param sentence - Given the verdict's facts, the line for the technician.
 */
export function judgeFigure(
  figure: Uncertain,
  limits: Limits,
  classes: FigureClasses,
  sentence: string,
): Judgement {
  // Beyond the range of numbers there is nothing to judge.
  if (!Number.isFinite(figure.value) || !Number.isFinite(figure.u))
    return unsettled([...new Set(['ok', classes.low, classes.high])], sentence);
  const p = classProbabilities(figure, limits, classes);
  const verdict = decideBy(p.ok!, undefined, figure.value, figure.u);
  const toLimit = Math.min(figure.value - limits.low, limits.high - figure.value);
  return {
    ...PLAIN,
    verdict,
    outcome: likeliest(p),
    p,
    corrected: figure.value,
    u: figure.u,
    limits,
    edge: verdict === 'in' && figure.u > 0 && toLimit < 2 * figure.u,
    sentence: verdict === 'cannot-tell' ? `${sentence} ${BETTER}` : sentence,
  };
}

const BETTER =
  'The meter cannot tell it from the limit: repeat all of them on the finest range, leads zeroed, or with a better meter.';

/** A judgement from class probabilities alone, for rules that have no single figure. */
export function judgeClasses(p: OutcomeProbabilities, sentence: string): Judgement {
  const verdict = decideBy(p.ok ?? 0, undefined, 0, 0);
  return {
    ...PLAIN,
    verdict,
    outcome: likeliest(p),
    p,
    limits: NO_LIMITS,
    sentence: verdict === 'cannot-tell' ? `${sentence} ${BETTER}` : sentence,
  };
}

/** A settled outcome: it is so, or it is not. */
export function certain(outcome: string, sentence: string): Judgement {
  return judgeClasses({ [outcome]: 1, ...(outcome === 'ok' ? {} : { ok: 0 }) }, sentence);
}

/** Neither good nor bad: what was recorded does not reach; says what would. Weighs nothing as evidence. */
export function unsettled(outcomes: readonly string[], sentence: string): Judgement {
  const share = 1 / outcomes.length;
  return {
    ...PLAIN,
    verdict: 'not-settled',
    outcome: 'ok',
    p: Object.fromEntries(outcomes.map((outcome) => [outcome, share])),
    limits: NO_LIMITS,
    sentence,
  };
}

/**
 * Judging a derived figure (a balance, a ratio, a change over time): the same conformance probability as
 * for a single reading (JCGM 106:2012, section 7), with classes named by the rule.
 */
import type { Limits } from './expectation';
import {
  above,
  below,
  decideBy,
  likeliest,
  type Judgement,
  type OutcomeProbabilities,
} from './judge';
import type { Drawn } from './uncertainty/draws';
import { standardUncertainty, type Measured } from './uncertainty/errors';
import { DECISION_LEVEL, EDGE_LEVEL } from './uncertainty/level';

export interface FigureClasses {
  /** Name of the class below the lower limit. */
  readonly low: string;
  readonly high: string;
}

/** The parts of a judgement that no derived figure has. */
const PLAIN = { edge: false, signFlagged: false, assumed: false, contactOwed: false } as const;
const NO_LIMITS: Limits = { low: -Infinity, high: Infinity };

/** @returns probability of each class of one reading, `ok` first; sums to 1. */
export function classProbabilities(
  { value, errors }: Measured,
  limits: Limits,
  classes: FigureClasses,
): OutcomeProbabilities {
  const u = standardUncertainty(errors);
  return classesFrom(below(limits.low, value, u), above(limits.high, value, u), limits, classes);
}

/** @returns probability of each class of a figure of several readings. */
export const classProbabilitiesOf = (
  figure: Drawn,
  limits: Limits,
  classes: FigureClasses,
): OutcomeProbabilities =>
  classesFrom(figure.below(limits.low), figure.above(limits.high), limits, classes);

function classesFrom(
  pLow: number,
  pHigh: number,
  limits: Limits,
  classes: FigureClasses,
): OutcomeProbabilities {
  const p: Record<string, number> = { ok: Math.max(0, 1 - pLow - pHigh) };
  if (limits.low !== -Infinity) p[classes.low] = pLow;
  if (limits.high !== Infinity) p[classes.high] = (p[classes.high] ?? 0) + pHigh;
  return p;
}

/**
 * A judgement on a figure of several readings.
 * @param sentence - The line for the technician.
 */
export function judgeFigure(
  figure: Drawn,
  limits: Limits,
  classes: FigureClasses,
  sentence: string,
): Judgement {
  // Beyond the range of numbers there is nothing to judge.
  if (!Number.isFinite(figure.value) || !Number.isFinite(figure.u))
    return unsettled([...new Set(['ok', classes.low, classes.high])], sentence);
  const p = classProbabilitiesOf(figure, limits, classes);
  return { ...judgeClasses(p, sentence), corrected: figure.value, u: figure.u, limits };
}

/**
 * How far readings lie apart that should be equal, against what is allowed. Errors only ever drive them
 * apart, so that a coarse meter finds equal things unequal: nothing is condemned that lies within its limit
 * as it stands, or that error alone would show as often as one time in twenty.
 */
export function judgeApart(figure: Drawn, most: number, name: string, sentence: string): Judgement {
  const judgement = judgeFigure(
    figure,
    { low: -Infinity, high: most },
    { low: name, high: name },
    sentence,
  );
  const within = figure.value <= most;
  const coarse =
    judgement.verdict === 'out'
      ? within || figure.byErrorAlone() > 1 - DECISION_LEVEL
      : within && (judgement.p.ok ?? 0) < 0.5;
  return coarse ? tooCoarse(judgement) : judgement;
}

/** It is the meter that cannot tell: what it shows speaks neither way. */
export const tooCoarse = (judgement: Judgement): Judgement => ({
  ...judgement,
  verdict: 'cannot-tell',
  coarse: true,
  sentence:
    judgement.verdict === 'cannot-tell'
      ? (judgement.sentence ?? '')
      : `${judgement.sentence ?? ''} ${BETTER}`.trim(),
});

const BETTER =
  'The meter cannot tell it from the limit: repeat all of them on the finest range, leads zeroed, or with a better meter.';

/** A judgement from class probabilities alone, for rules that have no single figure. */
export function judgeClasses(p: OutcomeProbabilities, sentence: string): Judgement {
  const ok = p.ok ?? 0;
  const verdict = decideBy(ok, undefined, 0, 0);
  return {
    ...PLAIN,
    verdict,
    outcome: likeliest(p),
    p,
    limits: NO_LIMITS,
    edge: verdict === 'in' && ok < EDGE_LEVEL,
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

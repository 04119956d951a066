/**
 * Judging one reading against one expectation, with the meter's own error.
 *
 * A reading is what the meter indicated; judging asks what the true value may be. The meter's limits
 * of error are taken as a rectangular distribution of half-width a, whose standard uncertainty is
 * a/√3 (JCGM 100:2008, 4.3.7); the probability that the true value conforms follows JCGM 106:2012,
 * section 7, with a normal state of knowledge.
 */
import { InvalidInputError } from '../errors';
import { DC_FUNCTIONS, type MeterFunctionLike } from './signs';
import { limitsOf, type Expectation, type Limits } from './expectation';
import { normalCdf } from '../numeric/normal';
import { nth } from '../numeric/nth';
import { isTone, type Accuracy, type LeadZero, type Reading, type Tone } from './reading';
import { remedyFor, type Remedy } from './remedy';
import { judgeSpan } from './span';
import { classesIn, toneInterval } from './tone';
import { errorsOf, standardUncertainty, type ErrorParts } from './uncertainty/errors';
import { COVERAGE, DECISION_LEVEL } from './uncertainty/level';

export type Verdict = 'in' | 'watch' | 'out' | 'cannot-tell' | 'not-settled';
/** Classes a reading falls into; answers may name others. `ok` is always the good one. */
export type Outcome = string;
export type OutcomeProbabilities = Readonly<Record<Outcome, number>>;

export interface JudgeInput {
  readonly expect: Expectation;
  readonly reading: Reading;
  /** Absent: the reading is taken as exact. */
  readonly meter?: Accuracy;
  /** Applied to resistances only. */
  readonly lead?: LeadZero;
  /** Dial position; decides the name of a vanished reading and whether a sign can be flagged. */
  readonly function?: MeterFunctionLike;
  /** Ohms under which this meter's continuity sounds; unknown where absent. */
  readonly soundsBelow?: number;
}

export interface Judgement {
  readonly verdict: Verdict;
  /** The likeliest class. */
  readonly outcome: Outcome;
  /** Probability of every class this expectation can yield; sums to 1. */
  readonly p: OutcomeProbabilities;
  /** Indicated value less the leads; absent for an overload. */
  readonly corrected?: number;
  /** Standard uncertainty of `corrected`; absent for an overload. */
  readonly u?: number;
  /** What that uncertainty is made of; absent for an overload and for derived figures. */
  readonly errors?: ErrorParts;
  readonly limits: Limits;
  /** In, but within the expanded uncertainty (coverage factor 2) of a limit. */
  readonly edge: boolean;
  /** A minus on DC where the sheet expects none: leads swapped or polarity reversed. */
  readonly signFlagged: boolean;
  /** For `cannot-tell`: what would decide it. */
  readonly remedy?: Remedy;
  /** The limits are the house's: no document states a tolerance. */
  readonly assumed: boolean;
  /**
   * Nothing was found where something should be: a probe on paint or in the wrong jack shows the same,
   * so proven contact is owed before it may accuse anything.
   */
  readonly contactOwed: boolean;
  /** The meter is too coarse for this rule: what it shows speaks neither way, and is no evidence. */
  readonly coarse?: true;
  /** One sentence for the technician; for a single reading only where there is more than the verdict. */
  readonly sentence?: string;
}

/** Outcomes that a lost contact shows as well. */
const ABSENT: ReadonlySet<Outcome> = new Set(['open', 'none']);

/** Whether a verdict accuses by an absence. */
export const owesContact = (verdict: Verdict, outcome: Outcome): boolean =>
  verdict !== 'in' && ABSENT.has(outcome);

/** Name of a reading that has all but vanished: `short` across the probes, or `none` arriving. */
export function vanishedName(expect: Expectation, fn?: MeterFunctionLike): 'short' | 'none' {
  return expect.unit === 'ohm' || fn === 'diode' ? 'short' : 'none';
}

/** Size below which a low reading is named by {@link vanishedName}; 0 where there is no such size. */
export function floorOf(expect: Expectation, limits: Limits = limitsOf(expect)): number {
  if (expect.floor !== undefined) return expect.floor;
  return limits.low > 0 && Number.isFinite(limits.low) ? limits.low / 10 : 0;
}

/**
 * Judge one reading.
 * @throws {InvalidInputError} for a reading that is not a finite number, or limits without sense.
 */
export function judge(input: JudgeInput): Judgement {
  const { expect, reading } = input;
  const limits = limitsOf(expect);
  const assumed = expect.from === 'house';
  if (isTone(reading)) return { ...judgeTone(input, reading, limits), assumed };
  if (reading.kind === 'overload') return { ...judgeOverload(input, limits), assumed };
  if (reading.to !== undefined)
    return judgeSpan([
      judge({ ...input, reading: { kind: 'value', value: reading.value } }),
      judge({ ...input, reading: { kind: 'value', value: reading.to } }),
    ]);
  if (!Number.isFinite(reading.value))
    throw new InvalidInputError('a reading must be a finite number or OL', '/reading/value');
  checkAccuracy(input);

  const lead = expect.unit === 'ohm' && input.function !== 'diode' ? input.lead : undefined;
  const signFlagged =
    reading.value < 0 && DC_FUNCTIONS.has(input.function ?? '') && expectsNoMinus(limits);
  const indicated = signFlagged ? -reading.value : reading.value;
  const x = indicated - (lead?.value ?? 0);
  const errors = errorsOf(input.meter ?? NO_METER, indicated, lead?.half);
  const u = Math.hypot(standardUncertainty(errors), (expect.limitHalf ?? 0) / Math.sqrt(3));

  const pLow = below(limits.low, x, u);
  const pHigh = above(limits.high, x, u);
  const pOk = Math.max(0, 1 - pLow - pHigh);
  const lowName =
    Math.abs(x) < floorOf(expect, limits) ? vanishedName(expect, input.function) : 'low';
  const p = { ok: pOk, [lowName]: pLow, high: pHigh };
  const verdict = decideBy(pOk, expect.watch, x, u);
  const outcome = likeliest(p);
  const bound = boundOnly(expect, reading, verdict, outcome);
  if (bound)
    return { ...bound, assumed, corrected: x, u, errors, limits, edge: false, signFlagged };
  return {
    verdict,
    outcome,
    assumed,
    contactOwed: owesContact(verdict, outcome),
    p,
    corrected: x,
    u,
    errors,
    limits,
    edge: verdict === 'in' && u > 0 && Math.min(x - limits.low, limits.high - x) < COVERAGE * u,
    signFlagged,
    ...(verdict === 'cannot-tell' && {
      remedy: remedyFor({ x, indicated, u, limits, expect, meter: input.meter, lead }),
    }),
  };
}

/**
 * A peak where the standing figure is wanted is an upper bound of it, and a standing figure where the peak
 * is wanted a lower one. What a bound cannot say is no evidence.
 */
function boundOnly(
  expect: Expectation,
  { peak = false }: { readonly peak?: boolean },
  verdict: Verdict,
  outcome: Outcome,
): Pick<Judgement, 'verdict' | 'outcome' | 'p' | 'contactOwed' | 'sentence'> | undefined {
  if (peak === (expect.peak ?? false)) return undefined;
  const { low, high } = limitsOf(expect);
  const tooHigh = verdict !== 'in' && outcome === 'high';
  // The truth is at most a peak; at least what stood there, where the peak is wanted.
  const says =
    verdict === 'in'
      ? (peak ? low : high) === (peak ? -Infinity : Infinity)
      : peak
        ? !tooHigh
        : tooHigh;
  if (says || verdict === 'cannot-tell') return undefined;
  const classes = ['ok', ...(peak ? (low > -Infinity ? ['low'] : []) : ['high'])];
  if (verdict !== 'in') classes.push(outcome);
  const each = [...new Set(classes)];
  return {
    verdict: 'cannot-tell',
    outcome: 'ok',
    p: Object.fromEntries(each.map((name) => [name, 1 / each.length])),
    contactOwed: false,
    sentence: peak
      ? 'The highest it showed says only that what stands there is not more. Read it standing.'
      : 'What stands there says nothing of its peak: take it with max-hold.',
  };
}

/** Every class that the interval reaches into is as likely as the next: a tone says no more. */
function judgeTone(
  { expect, soundsBelow, lead }: JudgeInput,
  reading: Tone,
  limits: Limits,
): Omit<Judgement, 'assumed'> {
  if (expect.unit !== 'ohm')
    throw new InvalidInputError('a tone is heard on continuity alone', '/reading/kind');
  const asked = expect.kind === 'sounds' || expect.kind === 'silent';
  const vanished = vanishedName(expect, 'ohm');
  const floor = floorOf(expect, limits);
  const right = expect.kind === 'sounds' ? 'tone' : 'silence';
  const classes = asked
    ? [reading.kind === right ? 'ok' : expect.kind === 'sounds' ? 'open' : vanished]
    : classesIn(toneInterval(reading, soundsBelow, lead?.value), limits, { floor, vanished });
  const p = Object.fromEntries(classes.map((each) => [each, 1 / classes.length]));
  const parted = !classes.includes('ok') || classes.length === 1;
  // What is named is the plainest: nothing at all, or all the way through.
  const outcome = classes.includes('ok')
    ? 'ok'
    : (classes.find((each) => each === 'open' || each === vanished) ?? nth(classes, 0));
  const verdict: Verdict = !parted ? 'cannot-tell' : outcome === 'ok' ? 'in' : 'out';
  return {
    verdict,
    outcome,
    p,
    limits,
    edge: false,
    signFlagged: false,
    contactOwed: owesContact(verdict, outcome),
    ...(!parted && {
      sentence: `${reading.kind === 'tone' ? 'A tone' : 'Silence'} does not part what is good from what is not here. Take the figure in ohms.`,
    }),
  };
}

/** No meter stated: the reading is taken as exact. */
const NO_METER: Accuracy = { percent: 0, absolute: 0 };

/** Whether the limits are about a size: −300 V must not pass for “at most 24 V”. */
function expectsNoMinus({ low, high }: Limits): boolean {
  return low >= 0 || (low === -Infinity && high >= 0);
}

/** On volts and amps the figure is over the range; elsewhere nothing conducts there. */
const overloadName = ({ unit }: Expectation, fn?: MeterFunctionLike): 'open' | 'high' =>
  (unit === 'V' || unit === 'A') && fn !== 'diode' ? 'high' : 'open';

function judgeOverload(
  { expect, function: fn }: JudgeInput,
  limits: Limits,
): Omit<Judgement, 'assumed'> {
  const satisfied = limits.high === Infinity;
  const outcome = satisfied ? 'ok' : overloadName(expect, fn);
  const verdict = satisfied ? 'in' : 'out';
  return {
    contactOwed: owesContact(verdict, outcome),
    verdict,
    outcome,
    p: { [outcome]: 1 },
    limits,
    edge: false,
    signFlagged: false,
  };
}

function checkAccuracy({ meter, lead }: JudgeInput): void {
  const figures = [meter?.percent, meter?.absolute, lead?.half].filter((f) => f !== undefined);
  if (figures.some((figure) => !(figure >= 0 && Number.isFinite(figure))))
    throw new InvalidInputError('accuracy figures must be finite and not negative', '/meter');
  if (lead && !Number.isFinite(lead.value))
    throw new InvalidInputError('the lead zero must be a finite number', '/lead/value');
}

/** P(true value < limit). With no uncertainty a value on the limit conforms. */
export function below(limit: number, x: number, u: number): number {
  if (limit === -Infinity) return 0;
  if (u === 0) return x < limit ? 1 : 0;
  return normalCdf((limit - x) / u);
}

/** P(true value > limit), from the complementary tail so that small values keep their digits. */
export function above(limit: number, x: number, u: number): number {
  if (limit === Infinity) return 0;
  if (u === 0) return x > limit ? 1 : 0;
  return normalCdf((x - limit) / u);
}

/** The verdict on a figure whose chance to conform is known. */
export function decideBy(pOk: number, watch: Expectation['watch'], x: number, u: number): Verdict {
  if (pOk >= DECISION_LEVEL) return 'in';
  if (pOk > 1 - DECISION_LEVEL) return 'cannot-tell';
  if (watch && 1 - below(watch.low, x, u) - above(watch.high, x, u) >= DECISION_LEVEL)
    return 'watch';
  return 'out';
}

/** Ties go to the class named first, so `ok` wins a reading that sits exactly on its limit. */
export function likeliest(p: OutcomeProbabilities): Outcome {
  return Object.entries(p).reduce((best, each) => (each[1] > best[1] ? each : best))[0];
}

/** Every class that {@link judge} can yield for an expectation, `ok` first. */
export function possibleOutcomes(expect: Expectation, fn?: MeterFunctionLike): Outcome[] {
  const limits = limitsOf(expect);
  const outcomes: Outcome[] = ['ok'];
  if (limits.low !== -Infinity) {
    outcomes.push('low');
    if (floorOf(expect, limits) > 0) outcomes.push(vanishedName(expect, fn));
  }
  if (limits.high !== Infinity) outcomes.push('high');
  if (limits.high !== Infinity && overloadName(expect, fn) === 'open') outcomes.push('open');
  return outcomes;
}

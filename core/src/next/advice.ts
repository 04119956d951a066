/** What is said of a test that could be taken next. */
import type { Step } from '../job/trail/steps';
import type { Fault, Test } from '../sheet/schema';
import type { Effort } from '../job/trail/effort';

export interface Advice {
  /** What is worth it. */
  readonly test: Test;
  /** What must be taken before it, in this order. */
  readonly before: readonly Test[];
  /** The first placement of it all. */
  readonly step: Step;
  readonly effort: Effort;
  /** Money that it saves, less its price. */
  readonly net: number;
  /** Bits by which it is expected to narrow down what is left. */
  readonly bits: number;
  /** Two likely suspects that it tells apart; one where it only speaks about that one. */
  readonly tells: readonly Fault[];
}

export interface Advised {
  /** Best first, without what is put off. Empty where nothing is left that could be taken. */
  readonly tests: readonly Advice[];
  /** Those that were put off, in the order of the sheet. */
  readonly putOff: readonly Advice[];
  /** The first of the tests, where somebody wants it next. */
  readonly pinned?: string;
  /** Nothing is worth its price any more, or nothing is left; what is put off is not looked at. */
  readonly stop: boolean;
}

/** A test with what the schools go by. */
export interface Weighed {
  readonly advice: Advice;
  /** Money that its outcome is expected to save. */
  readonly saves: number;
  /** Money that it costs. */
  readonly price: number;
  /** Probability of its likeliest outcome. */
  readonly surest: number;
  /** Links of a broken path that are left in the worse case, where it halves one. */
  readonly leaves?: number;
}

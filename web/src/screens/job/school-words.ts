/** The ways to go on from test to test, in words: chosen in the plan, and said over what is advised. */
import type { GoingOn } from '../../data/going-on';

export interface SchoolWords {
  /** As it is chosen: “Go on by …”. */
  readonly way: string;
  /** Over the test that it puts first. */
  readonly over: string;
  /** Why this one is next. */
  readonly why: string;
}

export const SCHOOL_WORDS: Readonly<Record<GoingOn, SchoolWords>> = {
  sheet: {
    way: 'the sheet’s order',
    over: 'Worth most now',
    why: 'worth most for its minutes',
  },
  balanced: {
    way: 'what is worth most',
    over: 'Worth most now',
    why: 'worth most for its minutes',
  },
  likeliest: {
    way: 'the likeliest first',
    over: 'Likeliest first',
    why: 'it saves most for its price, without looking further',
  },
  'power-path': {
    way: 'from input to output',
    over: 'Next from input to output',
    why: 'the next from input to output that is not foreseen',
  },
  'half-split': {
    way: 'halving what is left',
    over: 'Halves it best',
    why: 'it halves what is left',
  },
  quick: {
    way: 'the quickest first',
    over: 'Quickest now',
    why: 'the quickest that tells anything',
  },
};

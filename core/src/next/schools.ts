/**
 * In which order to test: good technicians disagree, so each of their schools can be followed. All weigh the
 * same tests by the same belief and the same minutes; they differ by what comes first. When to stop is no
 * matter of school. Balanced is what simulated visits found shortest: docs/advice.md.
 */
import type { Weighed } from './advice';

export type School = 'balanced' | 'likeliest' | 'power-path' | 'half-split' | 'quick';

type Rank = (tests: readonly Weighed[]) => readonly Weighed[];

/** What is so sure to come out one way is not worth the walk along the path. */
const FORESEEN = 0.97;
/** Bits: a quick look that tells less is only quick. */
const TELLS = 0.02;
/** Minutes below which nothing is quicker. */
const LEAST_MINUTES = 0.1;

const minutes = ({ advice }: Weighed) => Math.max(advice.effort.minutes, LEAST_MINUTES);
const by =
  (figure: (each: Weighed) => number): Rank =>
  (tests) =>
    [...tests].sort((a, b) => figure(b) - figure(a));

/** What pays, by what it saves for its minutes; then what tells most. */
const balanced: Rank = (tests) => [
  ...by((each) => each.saves / minutes(each))(tests.filter(({ advice }) => advice.net > 0)),
  ...by(({ advice }) => advice.bits)(tests.filter(({ advice }) => advice.net <= 0)),
];

/** Most saved for its price now: what is behind a feeder waits until that has been taken. */
const likeliest: Rank = (tests) => {
  const ranked = by(({ saves, price }) => saves / Math.max(price, 0.01));
  const free = tests.filter(({ advice }) => advice.before.length === 0);
  return [...ranked(free), ...ranked(tests.filter((each) => !free.includes(each)))];
};

/** From the input to the output, as the sheet has it; what is foreseen is passed by. */
const powerPath: Rank = (tests) => [
  ...tests.filter(({ surest }) => surest < FORESEEN),
  ...tests.filter(({ surest }) => surest >= FORESEEN),
];

/** A broken path in halves; else what halves the doubt for its minutes. */
const halfSplit: Rank = (tests) => [
  ...by(({ leaves = 0 }) => -leaves)(tests.filter(({ leaves }) => leaves !== undefined)),
  ...by((each) => each.advice.bits / minutes(each))(
    tests.filter(({ leaves }) => leaves === undefined),
  ),
];

/** What takes least, of what tells anything. */
const quick: Rank = (tests) => {
  const ranked = by((each) => -minutes(each) + each.advice.bits / 1000);
  const telling = tests.filter(({ advice }) => advice.bits > TELLS);
  return [...ranked(telling), ...ranked(tests.filter((each) => !telling.includes(each)))];
};

export const SCHOOLS: Readonly<Record<School, Rank>> = {
  balanced,
  likeliest,
  'power-path': powerPath,
  'half-split': halfSplit,
  quick,
};

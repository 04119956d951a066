/** Which variant of the machine is meant, and what of a sheet is there with it. */
import type { Variant } from '../schema/shape';

/** Question's id to the variant that it is. */
export type Chosen = Readonly<Record<string, string>>;

/** The variants that an answer can lead to, each once. */
export const variantsOf = ({ answers }: Variant): readonly string[] => [
  ...new Set(Object.values(answers)),
];

export type Presence = 'there' | 'not there' | 'unknown';

/** What is left to a variant is there with that one; of several questions every one must let it be. */
export function presenceOf(
  only: readonly string[] | undefined,
  questions: readonly Variant[],
  chosen: Chosen,
): Presence {
  if (!only) return 'there';
  const asking = questions.filter((each) => variantsOf(each).some((id) => only.includes(id)));
  const answers = asking.map(({ id }) => chosen[id]);
  if (answers.some((each) => each !== undefined && !only.includes(each))) return 'not there';
  return answers.includes(undefined) ? 'unknown' : 'there';
}

/** Combinations looked at, at most: more questions than these belong on sheets of their own. */
const MOST_MACHINES = 24;

/**
 * Every machine that the questions let be. Where that would be too many: each variant once, beside the
 * first answers of the other questions.
 */
export function machinesOf(questions: readonly Variant[]): readonly Chosen[] {
  const all = questions.reduce((n, each) => n * variantsOf(each).length, 1);
  if (all <= MOST_MACHINES)
    return questions.reduce<readonly Chosen[]>(
      (machines, each) =>
        machines.flatMap((one) => variantsOf(each).map((id) => ({ ...one, [each.id]: id }))),
      [{}],
    );
  const first = Object.fromEntries(questions.map((each) => [each.id, variantsOf(each)[0]!]));
  return questions.flatMap((each) => variantsOf(each).map((id) => ({ ...first, [each.id]: id })));
}

/** What somebody would have seen there: `small plate, grey fan`. */
export const machineWords = (questions: readonly Variant[], chosen: Chosen): string =>
  questions
    .flatMap(({ id, answers }) => {
      const answer = Object.entries(answers).find(([, variant]) => variant === chosen[id]);
      return answer ? [`“${answer[0]}”`] : [];
    })
    .join(', ');

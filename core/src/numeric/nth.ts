/**
 * Places of arrays whose length is right by construction: the rows of a matrix, the samples of a loop that
 * counts them. The compiler cannot know that, and a check at each place would cost more than the sum it is
 * for. Wherever a place may be missing, ask for it with `[i]` and say what happens then.
 */

/** What stands at a place that is known to be there. */
export const nth = <T>(list: { readonly [i: number]: T }, i: number): T => list[i] as T;

/** Add to a place that is known to be there. */
export function add(list: { [i: number]: number }, i: number, value: number): void {
  list[i] = (list[i] as number) + value;
}

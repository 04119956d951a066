/** A sheet that weighs its faults as a shop has learnt to: a revision of the odds, not of the sheet. */
import type { Fault } from './schema';

/** Shares by fault, as they were when a job was opened. */
export interface OddsInUse {
  /** Which of the shop's revisions of this sheet's odds. */
  readonly revision: number;
  readonly shares: Readonly<Record<string, number>>;
}

/**
 * Faults that the odds know share what the sheet gives them together; those that came to the sheet later keep
 * the weight it gives them, and what is not on the sheet any more counts for nothing.
 */
export function withOdds<S extends { readonly faults: readonly Fault[] }>(
  sheet: S,
  { shares }: Pick<OddsInUse, 'shares'>,
): S {
  const known = sheet.faults.filter(({ id }) => Object.hasOwn(shares, id));
  const weight = known.reduce((sum, { prior }) => sum + prior, 0);
  const share = known.reduce((sum, { id }) => sum + shares[id]!, 0);
  if (!(share > 0)) return sheet;
  const faults = sheet.faults.map((fault) => {
    const learnt = shares[fault.id];
    // Nothing is impossible because it has not been seen here.
    return learnt !== undefined && learnt > 0
      ? { ...fault, prior: (weight * learnt) / share }
      : fault;
  });
  return { ...sheet, faults };
}

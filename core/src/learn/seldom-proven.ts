/**
 * Parts that a shop seldom proves: compressors that are handed over, boards of machines that are given up. Their jobs
 * count for nothing, so without a word about it every other fault would seem the likelier for it. Their faults are set
 * aside: they keep the sheet's share, and proven jobs divide what the others have.
 */

/** How a signed job ended in which a part led. */
export interface Led {
  readonly part: string;
  readonly proven: boolean;
}

export interface SeldomProven {
  readonly part: string;
  readonly led: number;
  readonly proven: number;
}

/** Fewer jobs say nothing about a part. */
const LEAST = 3;
/** Of the jobs in which it led, proven. */
const SELDOM = 0.5;

export function seldomProven(jobs: readonly Led[]): SeldomProven[] {
  const parts = new Map<string, { led: number; proven: number }>();
  for (const { part, proven } of jobs) {
    const own = parts.get(part) ?? { led: 0, proven: 0 };
    own.led += 1;
    if (proven) own.proven += 1;
    parts.set(part, own);
  }
  return [...parts].flatMap(([part, own]) =>
    own.led >= LEAST && own.proven < own.led * SELDOM ? [{ part, ...own }] : [],
  );
}

/** How a probability moved, as the ratio of its odds. */
const odds = (p: number) => p / (1 - p);

/** Odds of `p` over those of `before`; 1 where either is certain and nothing can be said. */
export function oddsRatio(p: number, before: number): number {
  const ratio = odds(p) / odds(before);
  return Number.isFinite(ratio) ? ratio : 1;
}

/** From what to what a track is drawn. */
export interface Range {
  readonly low: number;
  readonly high: number;
  /** Zero is not on it: what lies in a narrow band would be one line otherwise. */
  readonly zoomed: boolean;
}

/** A band narrower than this share of its height above zero is drawn by itself. */
const NARROW = 0.15;

export function rangeOf(values: readonly number[], edges: readonly number[]): Range {
  const least = Math.min(...values, ...edges);
  const most = Math.max(...values, ...edges);
  const spread = most - least;
  if (spread > 0 && least > 0 && spread < NARROW * most)
    return { low: least - spread / 2, high: most + spread / 2, zoomed: true };
  const low = Math.min(0, least);
  return { low, high: Math.max(most, low + 1e-12), zoomed: false };
}

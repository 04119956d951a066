/** A generator of chance with a seed: the same seed draws the same machine, anywhere. */

/** @returns shares in [0, 1). @see Marsaglia’s multiply-with-carry family; this is mulberry32. */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A seed out of a text (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const c of text) hash = Math.imul(hash ^ c.codePointAt(0)!, 0x01000193) >>> 0;
  return hash;
}

/** Index of the share that was drawn. @param weights - Not below zero, not all zero. */
export function draw(weights: readonly number[], roll: () => number): number {
  let left = roll() * weights.reduce((sum, weight) => sum + weight, 0);
  for (const [i, weight] of weights.entries()) {
    left -= weight;
    if (left < 0) return i;
  }
  return weights.length - 1;
}

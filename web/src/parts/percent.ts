/** A probability for people: whole percent, never a false 0 or 100. */
export function percent(p: number): string {
  if (p > 0 && p < 0.005) return '<1\u2009%';
  if (p < 1 && p > 0.995) return '>99\u2009%';
  return `${Math.round(p * 100)}\u2009%`;
}

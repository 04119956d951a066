/** The middle value; of an even number the mean of the two in the middle. @throws {RangeError} of none. */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('there is no median of nothing');
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

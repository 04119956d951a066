/** How many times: two figures, and beyond a thousand no more than that. */
export const sized = (size: number): string =>
  size >= 999.5 ? 'more than 1000' : Number(size.toPrecision(2)).toString();

/** `×14`, `×1.5`, `÷120`. */
export function timesWords(factor: number): string {
  const sign = factor >= 1 ? '×' : '÷';
  const size = factor >= 1 ? factor : 1 / factor;
  return size >= 999.5 ? `${sign}>1000` : `${sign}${sized(size)}`;
}

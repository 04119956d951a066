/** A count with its noun: `one unit`, `3 units`, `no unit`. */
export const many = (n: number, one: string, more: string): string =>
  n === 0 ? `no ${one}` : n === 1 ? `one ${one}` : `${n} ${more}`;

/** Fixed ids, so that loading the world twice changes nothing. */
export const id = (n: number) => `01930000-0000-7000-8000-${String(n).padStart(12, '0')}`;

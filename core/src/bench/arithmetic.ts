/**
 * Functions of the innermost loops, bound once. Where code runs in a sandbox of its own (tests, for one)
 * looking up a global costs more than the arithmetic it is for.
 */
export const { abs, exp, floor, hypot, log, max, min, round, sign, sqrt } = Math;
export const { isFinite } = Number;
/** `Infinity` is looked up in a sandbox as well. */
export const NEVER = Infinity;

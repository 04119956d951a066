/** The axis of a limit band: what stretch of values is drawn, and where a value lies on it. */
import type { Limits } from '@jeitinho/core/judge';

export interface BandScale {
  /** Position of a value from 0 (left) to 1 (right), clamped to the axis. */
  readonly at: (value: number) => number;
  readonly low: number;
  readonly high: number;
}

/**
 * Two-sided limits take the middle half of the axis; one-sided ones the side that is allowed.
 * Values beyond are clamped to the ends: the figure itself says how far.
 */
export function bandScale({ low, high }: Limits): BandScale {
  const [from, to] = axisOf(low, high);
  const at = (value: number) => {
    if (value === Infinity) return 1;
    return Math.min(1, Math.max(0, (value - from) / (to - from)));
  };
  return { at, low: from, high: to };
}

function axisOf(low: number, high: number): [number, number] {
  if (low === -Infinity && high === Infinity) return [-1, 1];
  if (low === -Infinity) return [Math.min(0, high * 2), high > 0 ? high * 2 : high / 2 + 1];
  if (high === Infinity) return [Math.min(0, low * 2), low > 0 ? low * 2 : low / 2 + 1];
  const span = high - low || Math.abs(high) || 1;
  return [low - span / 2, high + span / 2];
}

/** A source's level over time, and the moments at which it bends. */
import { abs, exp, floor, isFinite, max, NEVER } from '../arithmetic';
import type { Wave } from './element';
import { writeNumber as figure } from '../spice/number';
import { nth } from '../../numeric/nth';

const { PI, sin } = Math;

/** @param t - Seconds, from 0. */
export function levelAt(wave: Wave, t: number): number {
  switch (wave.kind) {
    case 'dc':
      return wave.value;
    case 'sin': {
      const { offset, amplitude, hertz, delay, damping, phase } = wave;
      const since = max(0, t - delay);
      const angle = PI * (2 * hertz * since + phase / 180);
      const swing = amplitude * sin(angle);
      return offset + (damping === 0 ? swing : swing * exp(-damping * since));
    }
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = wave;
      if (t <= delay) return low;
      const within = isFinite(period) ? (t - delay) % period : t - delay;
      if (within < rise) return low + ((high - low) * within) / rise;
      if (within <= rise + width) return high;
      const past = within - rise - width;
      return past < fall ? high + ((low - high) * past) / fall : low;
    }
    case 'pwl': {
      const { points } = wave;
      const after = pointAfter(points, t);
      if (after === 0) return nth(points, 0)[1];
      if (after === points.length) return points.at(-1)![1];
      const [t0, y0] = nth(points, after - 1);
      const [t1, y1] = nth(points, after);
      return y0 + ((y1 - y0) * (t - t0)) / (t1 - t0);
    }
  }
}

/** Its mean over a turn; of what does not repeat itself, where it stands in the end. */
export function meanOf(wave: Wave): number {
  switch (wave.kind) {
    case 'dc':
      return wave.value;
    case 'sin':
      return wave.offset;
    case 'pulse': {
      const { low, high, rise, fall, width, period } = wave;
      if (!isFinite(period)) return levelAt(wave, NEVER);
      return low + ((high - low) * (width + (rise + fall) / 2)) / period;
    }
    case 'pwl':
      return wave.points.at(-1)![1];
  }
}

/** Index of the first point after `t`; their number where there is none. */
function pointAfter(points: readonly (readonly [number, number])[], t: number): number {
  let low = 0;
  let high = points.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (nth(points, middle)[0] > t) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** The next corner after `t`; infinite where there is none. */
export function cornerAfter(wave: Wave, t: number): number {
  // A corner reached within rounding is not ahead any more.
  const past = t + 1e-12 + abs(t) * 1e-12;
  switch (wave.kind) {
    case 'dc':
      return NEVER;
    case 'sin':
      return wave.delay > past ? wave.delay : NEVER;
    case 'pwl':
      return wave.points[pointAfter(wave.points, past)]?.[0] ?? NEVER;
    case 'pulse': {
      const { delay, rise, fall, width, period } = wave;
      const corners = [0, rise, rise + width, rise + width + fall];
      const turn = isFinite(period) ? max(0, floor((t - delay) / period)) : 0;
      for (const start of isFinite(period) ? [turn, turn + 1] : [0])
        for (const corner of corners) {
          const at = delay + (start > 0 ? start * period : 0) + corner;
          if (at > past) return at;
        }
      return NEVER;
    }
  }
}

/** The same course at another level. */
export function withLevel(wave: Wave, change: (level: number) => number): Wave {
  switch (wave.kind) {
    case 'dc':
      return { kind: 'dc', value: change(wave.value) };
    case 'sin':
      return { ...wave, amplitude: change(wave.amplitude) };
    case 'pulse':
      return { ...wave, high: change(wave.high) };
    case 'pwl':
      return {
        kind: 'pwl',
        points: wave.points.map(([t, level]) => [t, change(level)] as const),
      };
  }
}

/** As a netlist has it. */
export function waveText(wave: Wave): string {
  switch (wave.kind) {
    case 'dc':
      return `dc ${figure(wave.value)}`;
    case 'sin': {
      const { offset, amplitude, hertz, delay, damping, phase } = wave;
      return `sin(${[offset, amplitude, hertz, delay, damping, phase].map(figure).join(' ')})`;
    }
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = wave;
      const times = [low, high, delay, rise, fall, width, period];
      return `pulse(${times
        .slice(0, times.findIndex((t) => !isFinite(t)) >>> 0)
        .map(figure)
        .join(' ')})`;
    }
    case 'pwl':
      return `pwl(${wave.points.flat().map(figure).join(' ')})`;
  }
}

/** The waveform of a V or I line: `DC 5 AC 1 SIN(0 311 60)`, `PULSE(…)`, `PWL(…)`. */
import type { Phasor, Wave } from '../elements/element';
import type { Words } from './words';
import { nth } from '../../numeric/nth';

export function readSource(words: Words): { wave: Wave; ac: Phasor; dc?: number } {
  let wave: Wave | undefined;
  let level: number | undefined;
  let ac: Phasor = { magnitude: 0, phase: 0 };
  const isFigure = () => words.left > 0 && /^[-+.\d{]/.test(words.peek()!);
  const figures = (most: number) => {
    const list: number[] = [];
    while (isFigure() && list.length < most) list.push(words.figure('a level'));
    return list;
  };
  const once = (next: Wave) => {
    if (wave) words.fail('two waveforms on one source');
    wave = next;
  };
  while (words.left > 0) {
    const word = words.peek()!;
    if (isFigure()) level = words.figure('its level');
    else if (word === 'dc') {
      words.word('dc');
      level = words.figure('its level');
    } else if (word === 'ac') {
      words.word('ac');
      const [magnitude = 1, phase = 0] = figures(2);
      ac = { magnitude, phase };
    } else if (word === 'sin') {
      words.word('sin');
      const [offset, amplitude, hertz, delay = 0, damping = 0, phase = 0] = figures(6);
      if (offset === undefined || amplitude === undefined || hertz === undefined)
        words.fail('SIN takes offset, amplitude and frequency');
      words.positive('the frequency', hertz);
      once({ kind: 'sin', offset, amplitude, hertz, delay, damping, phase });
    } else if (word === 'pulse') {
      words.word('pulse');
      once(pulse(words, figures(7)));
    } else if (word === 'pwl') {
      words.word('pwl');
      once(pieces(words, figures(Infinity)));
    } else words.fail(`“${word}” is not understood on a source`);
  }
  if (!wave) return { wave: { kind: 'dc', value: level ?? 0 }, ac };
  return { wave, ac, ...(level !== undefined && { dc: level }) };
}

function pulse(words: Words, list: number[]): Wave {
  const [low, high, delay = 0, rise = 0, fall = 0, width = Infinity, period = Infinity] = list;
  if (low === undefined || high === undefined) words.fail('PULSE takes two levels at least');
  if ([delay, rise, fall].some((t) => t < 0) || width <= 0)
    words.fail('a time of PULSE is below zero');
  if (period < rise + fall + (Number.isFinite(width) ? width : 0) || period <= 0)
    words.fail('the period of PULSE is shorter than its edges and width');
  return { kind: 'pulse', low, high, delay, rise, fall, width, period };
}

/** Edges of no length would jump; this is far below any time that matters on a board. */
const SHORTEST_EDGE = 1e-9;

/**
 * Edges that are left out, or of no length, last one step of the `.tran`, as in SPICE; where they would
 * not fit into the period, what fits.
 */
export function withEdges(wave: Wave, step: number = SHORTEST_EDGE): Wave {
  if (wave.kind !== 'pulse' || (wave.rise > 0 && wave.fall > 0)) return wave;
  const { rise, fall, width, period } = wave;
  const room = Number.isFinite(period)
    ? (period - rise - fall - (Number.isFinite(width) ? width : 0)) / 2
    : Infinity;
  const edge = Math.max(Math.min(step, room), SHORTEST_EDGE / 1000);
  return { ...wave, rise: rise || edge, fall: fall || edge };
}

function pieces(words: Words, list: number[]): Wave {
  if (list.length < 2 || list.length % 2 !== 0) words.fail('PWL takes pairs of a time and a level');
  const points: [number, number][] = [];
  for (let i = 0; i < list.length; i += 2) {
    if (points.length > 0 && !(nth(list, i) > points.at(-1)![0]))
      words.fail(`the times of PWL must grow; ${list[i]} does not`);
    points.push([nth(list, i), nth(list, i + 1)]);
  }
  return { kind: 'pwl', points };
}

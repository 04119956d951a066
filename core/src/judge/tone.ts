/**
 * Tone and silence on continuity: an interval, not a figure. A tone says that the resistance lies below the
 * meter's own threshold, silence that it lies above. Against limits that the threshold does not part, a
 * tone cannot tell: 4 Ω sounds on one meter as 30 Ω does on another.
 */
import { formatQuantity } from '../units/format';
import type { Expectation, Limits } from './expectation';
import type { Tone } from './reading';

/**
 * Where a meter's profile states no threshold: common ones sound somewhere between these, ohms. A tone is
 * then at most the upper, silence at least the lower.
 */
export const TONE_BETWEEN: readonly [number, number] = [10, 250];

/** The ohms that it may be, less the leads. */
export function toneInterval(
  { kind }: Tone,
  soundsBelow: number | undefined,
  lead = 0,
): readonly [low: number, high: number] {
  const [least, most] = soundsBelow === undefined ? TONE_BETWEEN : [soundsBelow, soundsBelow];
  return kind === 'tone' ? [0, Math.max(0, most - lead)] : [Math.max(0, least - lead), Infinity];
}

/**
 * The classes that the interval reaches into, `ok` first where it is one of them.
 * @param floor - Below it a low figure has a name of its own, `vanished`.
 */
export function classesIn(
  [from, to]: readonly [number, number],
  { low, high }: Limits,
  { floor, vanished }: { readonly floor: number; readonly vanished: string },
): readonly string[] {
  return [
    from <= high && to >= low && 'ok',
    from < Math.min(floor, low) && vanished,
    from < low && to > floor && 'low',
    to > high && from !== Infinity && 'high',
    to === Infinity && high !== Infinity && 'open',
  ].filter((each) => each !== false);
}

/** Said before it misleads: what a tone means on this meter, against these limits. */
export function toneWords(
  expect: Expectation,
  limits: Limits,
  soundsBelow: number | undefined,
): string {
  const [least, most] = soundsBelow === undefined ? TONE_BETWEEN : [soundsBelow, soundsBelow];
  const show = (ohms: number) => formatQuantity(ohms, 'ohm');
  const sounds =
    soundsBelow === undefined
      ? `No threshold is known of this meter: it may sound anywhere below ${show(least)} to ${show(most)}.`
      : `This meter sounds below ${show(soundsBelow)}.`;
  if (expect.kind === 'sounds' || expect.kind === 'silent') return sounds;
  const parts = [limits.low, limits.high].some((each) => each > 0 && each < least);
  const far = [limits.low, limits.high].some((each) => Number.isFinite(each) && each > most);
  if (parts) return `${sounds} A tone cannot tell that from the limit: take the figure.`;
  return far ? `${sounds} Silence cannot tell that from the limit: take the figure.` : sounds;
}

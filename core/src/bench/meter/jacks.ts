/** The finest jack of an ammeter that bears the current, and the fuse before it. */
import type { MeterFunction } from '../../meter/functions';
import { JACKS } from './bench-meter';
import { shown, type Indication, type MeasureOptions } from './shown';

interface Tried<T> {
  /** The largest current, A; RMS where it swings. */
  readonly most: number;
  readonly shows: () => T;
}

/**
 * @param through - What would flow through a shunt of so many ohms.
 * @returns what stands on the jack that bears it; or the blown fuse.
 */
export function onJack<T>(
  fn: MeterFunction,
  options: MeasureOptions,
  through: (ohms: number) => Tried<T>,
): T | Indication {
  const last = JACKS.at(-1)!;
  for (const jack of JACKS) {
    const { most, shows } = through(jack.ohms);
    if (most <= jack.upTo) return shows();
    if (jack !== last && most <= last.upTo) continue;
    if (most > jack.fuse)
      return shown(fn, 0, options, ['fuse'], [{ kind: 'meter-fuse', amps: most }]);
    if (jack === last) return shows();
  }
  return shown(fn, Infinity, options);
}

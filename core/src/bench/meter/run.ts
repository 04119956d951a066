/**
 * A circuit that moves, with the meter in it: one transient, and what the input saw in each update's
 * window. An ohmmeter stays on one range while it runs: each change of range changes its current, and a
 * capacitor would make the figure jump.
 */
import { rangesOf } from '../../meter/profile';
import { nth } from '../../numeric/nth';
import type { Circuit } from '../circuit';
import type { Drive } from '../elements/drive';
import { reader } from '../solve/quantity';
import { rhythmOf } from '../solve/rhythm';
import { Stretch, type Settled } from '../solve/stretch';
import { System } from '../solve/system';
import { paceOf, runTransient, startFromInitial } from '../solve/transient';
import { drive, leads, METER } from './attach';
import {
  BENCH_METER,
  DIODE_AMPS,
  DIODE_OPEN,
  DISTURBING,
  DRIVES,
  OHMS_OPEN,
  UPDATES,
} from './bench-meter';
import { buzzing, DrivenProbe, ohmsAmps, ohmsShown } from './driven';
import { ampsInput, inputOf, isAmps, seenBy, voltsInput, withInput, type Input } from './input';
import { onJack } from './jacks';
import type { Probing } from './probing';
import { AIR, type Flag, type Hazard, type MeasureOptions } from './shown';
import type { Seen, TrackOptions } from './over-time';

interface Run {
  readonly seen: readonly Seen[];
  readonly hazards: readonly Hazard[];
}

/** Volts between the probes from what is stored, the instrument's input on them and nothing driven. */
export function standingVolts(
  circuit: Circuit,
  { red, black = '0' }: Probing,
  { air = AIR, at = 0 }: MeasureOptions,
): number {
  const input = voltsInput(red, black);
  const system = new System(withInput(circuit, input), { air });
  startFromInitial(system, at);
  return Math.abs(reader(system, input.looksAt)());
}

/** @returns one for each of the times; none after a hazard. Capacitance and insulation do not run. */
export function runOf(
  circuit: Circuit,
  probing: Probing,
  options: TrackOptions,
  times: readonly number[],
): Run {
  const fn = probing.function;
  const { meter = BENCH_METER } = options;
  if (DRIVES.has(fn)) return driven(circuit, probing, options, times);
  if (!isAmps(fn)) {
    const windows = watched(circuit, inputOf(circuit, probing, meter), options, times);
    return { seen: windows.map((each) => ({ value: seenBy(fn, each), flags: [] })), hazards: [] };
  }
  const read = onJack(fn, options, (ohms) => {
    const windows = watched(circuit, ampsInput(probing, ohms), options, times);
    return {
      most: windows.reduce((most, { mean, rms }) => Math.max(most, Math.hypot(mean, rms)), 0),
      shows: () => windows.map((each): Seen => ({ value: seenBy(fn, each), flags: [] })),
    };
  });
  return 'hazards' in read ? { seen: [], hazards: read.hazards } : { seen: read, hazards: [] };
}

/** What the input saw in the window before each of the times. */
function watched(
  circuit: Circuit,
  input: Input,
  { air = AIR, at = 0, start = 'rest', seconds, every = 1 / UPDATES }: TrackOptions,
  times: readonly number[],
  ready: (system: System) => void = () => {},
): Settled[] {
  const system = new System(withInput(circuit, input), { air });
  if (start === 'initial') startFromInitial(system, at);
  else system.operatingPoint(at, { settled: false });
  ready(system);
  const read = reader(system, input.looksAt);
  const window = Math.min(every, 1 / UPDATES);
  const most = Math.min(seconds / 50, rhythmOf(circuit)?.step ?? Infinity);
  const pace = paceOf(system);
  let from = at;
  const run = (to: number, longest: number, seen: (t: number) => void) => {
    if (to > from) runTransient(system, { from, to, most: longest, tolerance: 1e-3, pace }, seen);
    from = Math.max(from, to);
  };
  return times.map((time) => {
    // Between two windows nobody looks: what moves there decides how long a step may be.
    run(at + time - window, most, () => {});
    const stretch = new Stretch(from, read());
    run(at + time, Math.min(most, (at + time - from) / 4), (t) => stretch.take(t, read()));
    return stretch.summary({ level: true });
  });
}

function driven(
  circuit: Circuit,
  probing: Probing,
  options: TrackOptions,
  times: readonly number[],
): Run {
  const { meter = BENCH_METER, start = 'rest' } = options;
  const { function: fn, red, black = '0' } = probing;
  const standing = start === 'initial' ? standingVolts(circuit, probing, options) : 0;
  const disturbed: readonly Flag[] = standing > DISTURBING ? ['disturbed'] : [];
  const input: Input = {
    elements: [...leads(red, black), drive(0, OHMS_OPEN)],
    looksAt: { kind: 'volts', plus: METER.red, minus: METER.black },
  };
  const follow = (amps: number, volts: number) =>
    watched(circuit, input, options, times, (system) =>
      (system.device(METER.drive) as Drive).set(amps, volts),
    );
  if (fn === 'diode') {
    const windows = follow(DIODE_AMPS, DIODE_OPEN);
    return { seen: windows.map(({ mean }) => ({ value: mean, flags: disturbed })), hazards: [] };
  }
  const ranges = rangesOf(meter, fn);
  const probe = new DrivenProbe(circuit, [red, black], options);
  probe.place(red, black);
  // Where the figure will stand in the end. Where none will, the finest range shows it climb to OL.
  const range = nth(ranges, probe.ohms(meter, fn)?.range ?? 0);
  const windows = follow(ohmsAmps(range.upTo), OHMS_OPEN);
  const seen = windows.map(({ mean }): Seen => {
    const ohms = ohmsShown(mean, range.upTo);
    return { value: ohms, flags: [...disturbed, ...buzzing(fn, ohms, options)] };
  });
  return { seen, hazards: [] };
}

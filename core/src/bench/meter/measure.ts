/**
 * One reading of the bench: the instrument is put into the circuit, the circuit is solved, and what
 * its input sees is shown. Nothing is looked up: ghost voltages, loading, parallel paths and charged
 * capacitors come out of the solution.
 */
import { InvalidInputError, UnknownReferenceError } from '../../errors';
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import { type MeterProfile, rangesOf } from '../../meter/profile';
import { type Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import { nodesOf, type Element } from '../elements/index';
import { type Quantity } from '../solve/quantity';
import { alternates } from '../solve/rhythm';
import { steadyState } from '../solve/steady';
import { type Settled } from '../solve/stretch';
import { burden, converter, leads, METER, shunt } from './attach';
import { BANDWIDTH_HERTZ, BENCH_METER, DRIVES, JACKS, LOW_IMPEDANCE } from './bench-meter';
import { DrivenMeter } from './driven';
import type { Probing } from './probing';
import { AIR, shown, type Indication, type MeasureOptions } from './shown';
import { nth } from '../../numeric/nth';

/**
 * @throws {UnknownReferenceError} for a node or element that the circuit does not have.
 * @throws {InvalidInputError} for a function that the meter does not have.
 * @throws {CoreError} where the circuit cannot be solved.
 */
export const measure = (
  circuit: Circuit,
  probing: Probing,
  options: MeasureOptions = {},
): Indication => nth(measureAll(circuit, [probing], options), 0);

/** The meter looks on: volts, amps, a clamp, a gauge. */
function passive(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const fn = probing.function;
  if (fn === 'display' || fn === 'count' || fn === 'pressure' || fn === 'temperature')
    return gauge(circuit, probing, options);
  if (fn === 'clamp=' || fn === 'clamp~') return clamped(circuit, probing, options);
  if (fn === 'A=' || fn === 'A~') return amps(circuit, probing, options);
  return volts(circuit, probing, options);
}

/** Many readings on one circuit, in their order; what drives it shares one meter. */
export function measureAll(
  circuit: Circuit,
  probings: readonly Probing[],
  options: MeasureOptions = {},
): Indication[] {
  if (probings.length === 0) return [];
  const known = placesOf(circuit);
  for (const each of probings) checkPlaces(known, each, options.meter ?? BENCH_METER);
  const driven = probings.filter((each) => DRIVES.has(each.function));
  const places = driven.map(({ red, black }) => ({ red, black: black! }));
  const meter = driven.length > 0 ? new DrivenMeter(circuit, places, options) : undefined;
  return probings.map((each) =>
    DRIVES.has(each.function)
      ? meter!.read({ ...each, black: each.black! })
      : passive(circuit, each, options),
  );
}

interface Places {
  readonly nodes: ReadonlySet<string>;
  readonly elements: ReadonlySet<string>;
}

export const placesOf = ({ elements }: Circuit): Places => ({
  nodes: new Set([GROUND, ...elements.flatMap(nodesOf)]),
  elements: new Set(elements.map(({ name }) => name)),
});

export function checkPlaces(known: Places, probing: Probing, meter: MeterProfile): void {
  const fn = probing.function;
  const facts = METER_FUNCTIONS[fn];
  if (!facts) throw new InvalidInputError(`“${String(fn)}” is no function of a meter`);
  if (facts.metered && rangesOf(meter, fn).length === 0)
    throw new InvalidInputError(`“${meter.name}” has no ${facts.words} function`);
  const need = (node: string | undefined, what: string) => {
    if (node === undefined) throw new InvalidInputError(`${what} is on nothing`);
    if (!known.nodes.has(node))
      throw new UnknownReferenceError(`there is no node “${node}” under ${what}`);
  };
  if (fn === 'clamp=' || fn === 'clamp~') {
    if (!known.elements.has(probing.clamp ?? ''))
      throw new UnknownReferenceError(`there is no element “${probing.clamp ?? ''}” for the clamp`);
    return;
  }
  need(probing.red, 'the red probe');
  if (facts.placing === 'two') need(probing.black, 'the black probe');
}

const withElements = (circuit: Circuit, more: readonly Element[]): Circuit => ({
  ...circuit,
  elements: [...circuit.elements, ...more],
});

const INPUT: Quantity = { kind: 'volts', plus: METER.red, minus: METER.black };

function solved(circuit: Circuit, quantity: Quantity, { air = AIR, at = 0 }: MeasureOptions) {
  const { values, settled } = steadyState(circuit, [quantity], { air, at });
  return { ...nth(values, 0), flags: settled ? [] : (['unsteady'] as const) };
}

function volts(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { meter = BENCH_METER } = options;
  const fn = probing.function;
  const input = meter.functions.find((each) => each.function === fn)?.burden ?? 10e6;
  const filtered = fn === 'V~' && alternates(circuit);
  const probed = withElements(circuit, [
    ...leads(probing.red, probing.black!),
    burden(probing.lowImpedance ? LOW_IMPEDANCE : input),
    ...(filtered ? converter(BANDWIDTH_HERTZ) : []),
  ]);
  const quantity = filtered ? { ...INPUT, plus: METER.sense } : INPUT;
  const seen = solved(probed, quantity, options);
  return shown(fn, seenBy(fn, seen), options, seen.flags);
}

/** Which property of the input a function shows. */
export function seenBy(fn: MeterFunction, { mean, rms, hertz }: Settled): number {
  if (fn === 'Hz') return rms > 0.2 ? hertz : 0;
  return fn === 'V~' || fn === 'A~' || fn === 'clamp~' ? rms : mean;
}

function gauge(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const quantity: Quantity = { kind: 'volts', plus: probing.red, minus: probing.black ?? GROUND };
  const { mean, flags } = solved(circuit, quantity, options);
  const fn = probing.function;
  if (METER_FUNCTIONS[fn].metered) return shown(fn, mean, options, flags);
  return {
    value: Number(mean.toPrecision(4)),
    unit: METER_FUNCTIONS[fn].unit ?? null,
    flags,
    hazards: [],
  };
}

function clamped(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const quantity: Quantity = { kind: 'amps', element: probing.clamp! };
  const seen = solved(circuit, quantity, options);
  return shown(probing.function, seenBy(probing.function, seen), options, seen.flags);
}

function amps(circuit: Circuit, probing: Probing, options: MeasureOptions): Indication {
  const { air = AIR, at = 0 } = options;
  for (const jack of JACKS) {
    // What would flow: whether the fuse bears it is seen from that.
    const { values, settled } = steadyState(
      withElements(circuit, [...leads(probing.red, probing.black!), ...shunt(jack.ohms)]),
      [{ kind: 'amps', element: METER.burden }],
      { air, at },
    );
    const found = nth(values, 0);
    const size = Math.hypot(found.mean, found.rms);
    const last = JACKS.at(-1)!;
    if (size > jack.fuse && size > jack.upTo) {
      if (jack !== last && size <= last.upTo) continue;
      return shown(probing.function, 0, options, ['fuse'], [{ kind: 'meter-fuse', amps: size }]);
    }
    const seen = seenBy(probing.function, found);
    if (Math.abs(seen) <= jack.upTo || jack === last)
      return shown(probing.function, seen, options, settled ? [] : ['unsteady']);
  }
  return shown(probing.function, Infinity, options);
}

/**
 * What the instrument puts into a circuit that it only looks at, and what it looks at there. The single
 * reading and the live display are made of the same.
 */
import { METER_FUNCTIONS, type MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';
import type { Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import type { Element } from '../elements/index';
import type { Quantity } from '../solve/quantity';
import { alternates } from '../solve/rhythm';
import type { Settled } from '../solve/stretch';
import { burden, converter, leads, METER, shunt } from './attach';
import { BANDWIDTH_HERTZ, LOW_IMPEDANCE } from './bench-meter';
import type { Probing } from './probing';

export interface Input {
  readonly elements: readonly Element[];
  readonly looksAt: Quantity;
}

export const isAmps = (fn: MeterFunction): boolean => fn === 'A=' || fn === 'A~';
const isClamp = (fn: MeterFunction) => fn === 'clamp=' || fn === 'clamp~';

/** A voltmeter of so many ohms between two nodes. */
export const voltsInput = (red: string, black: string, ohms = 10e6): Input => ({
  elements: [...leads(red, black), burden(ohms)],
  looksAt: { kind: 'volts', plus: METER.red, minus: METER.black },
});

/** Of volts, a clamp or a gauge. Amps depend on the jack: {@link ampsInput}. */
export function inputOf(circuit: Circuit, probing: Probing, meter: MeterProfile): Input {
  const { function: fn, red, black } = probing;
  if (isClamp(fn)) return { elements: [], looksAt: { kind: 'amps', element: probing.clamp! } };
  if (METER_FUNCTIONS[fn].placing !== 'two' || black === undefined)
    return { elements: [], looksAt: { kind: 'volts', plus: red, minus: black ?? GROUND } };
  const stated = meter.functions.find((each) => each.function === fn)?.burden;
  const plain = voltsInput(red, black, probing.lowImpedance ? LOW_IMPEDANCE : stated);
  // Where nothing is too fast for the converter it is left out.
  if (fn !== 'V~' || !alternates(circuit)) return plain;
  return {
    elements: [...plain.elements, ...converter(BANDWIDTH_HERTZ)],
    looksAt: { kind: 'volts', plus: METER.sense, minus: METER.black },
  };
}

export const ampsInput = ({ red, black }: Probing, ohms: number): Input => ({
  elements: [...leads(red, black!), ...shunt(ohms)],
  looksAt: { kind: 'amps', element: METER.burden },
});

export const withInput = (circuit: Circuit, { elements }: Pick<Input, 'elements'>): Circuit => ({
  ...circuit,
  elements: [...circuit.elements, ...elements],
});

/** Which property of what its input sees a function shows. */
export function seenBy(fn: MeterFunction, { mean, rms, hertz }: Settled): number {
  if (fn === 'Hz') return rms > LEAST_COUNTED ? hertz : 0;
  return fn === 'V~' || fn === 'A~' || fn === 'clamp~' ? rms : mean;
}

/** Volts below which a counter counts nothing. */
const LEAST_COUNTED = 0.2;

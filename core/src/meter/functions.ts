/** The positions of a meter's dial that tests ask for. */
import { Type, type Static } from '@sinclair/typebox';
import type { Unit } from '../units/units';

export const meterFunctionSchema = Type.Union([
  Type.Literal('V='),
  Type.Literal('V~'),
  Type.Literal('A='),
  Type.Literal('A~'),
  Type.Literal('ohm'),
  Type.Literal('continuity'),
  Type.Literal('diode'),
  Type.Literal('capacitance'),
  Type.Literal('Hz'),
  Type.Literal('temperature'),
]);
export type MeterFunction = Static<typeof meterFunctionSchema>;

interface FunctionFacts {
  /** As printed beside the dial, in the trade's words. */
  readonly words: string;
  readonly unit: Unit;
  /** The meter drives the circuit itself: forbidden on anything live. */
  readonly deadOnly: boolean;
  /** Whether a minus means something: direction on DC, cold on a thermometer. */
  readonly signed: boolean;
}

export const METER_FUNCTIONS: Record<MeterFunction, FunctionFacts> = {
  'V=': { words: 'DC volts', unit: 'V', deadOnly: false, signed: true },
  'V~': { words: 'AC volts', unit: 'V', deadOnly: false, signed: false },
  'A=': { words: 'DC amps', unit: 'A', deadOnly: false, signed: true },
  'A~': { words: 'AC amps', unit: 'A', deadOnly: false, signed: false },
  ohm: { words: 'ohms', unit: 'ohm', deadOnly: true, signed: false },
  continuity: { words: 'continuity', unit: 'ohm', deadOnly: true, signed: false },
  diode: { words: 'diode', unit: 'V', deadOnly: true, signed: false },
  capacitance: { words: 'capacitance', unit: 'F', deadOnly: true, signed: false },
  Hz: { words: 'hertz', unit: 'Hz', deadOnly: false, signed: false },
  temperature: { words: 'temperature', unit: 'degC', deadOnly: false, signed: true },
};

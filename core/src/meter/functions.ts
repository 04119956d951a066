/** How a figure is got: the positions of a meter's dial, a clamp, a gauge, or reading and counting. */
import type { Static } from '@sinclair/typebox';
import { words } from '../schema-words';
import type { Unit } from '../units/units';

export const meterFunctionSchema = words([
  'V=',
  'V~',
  'A=',
  'A~',
  'clamp=',
  'clamp~',
  'ohm',
  'continuity',
  'diode',
  'capacitance',
  'insulation',
  'Hz',
  'temperature',
  'pressure',
  'count',
  'display',
]);
export type MeterFunction = Static<typeof meterFunctionSchema>;

export interface FunctionFacts {
  /** As printed beside the dial, in the trade's words. */
  readonly words: string;
  /** Undefined where the sheet says what is shown: a display may give volts, hertz or degrees. */
  readonly unit: Unit | undefined;
  /** The meter drives the circuit itself: forbidden on anything live. */
  readonly deadOnly: boolean;
  /** Whether a minus means something: direction on DC, cold on a thermometer. */
  readonly signed: boolean;
  /**
   * `two`: red and black on two points. `one`: a single place, a jaw or a sensor head.
   * `none`: nothing is touched; a display is read, or clicks are counted.
   */
  readonly placing: 'two' | 'one' | 'none';
  /** Whether an electrical meter does it, so that its accuracy, category and rating matter. */
  readonly metered: boolean;
}

const probes = { placing: 'two', metered: true } as const;
const dead = { ...probes, deadOnly: true, signed: false } as const;

export const METER_FUNCTIONS: Record<MeterFunction, FunctionFacts> = {
  'V=': { ...probes, words: 'DC volts', unit: 'V', deadOnly: false, signed: true },
  'V~': { ...probes, words: 'AC volts', unit: 'V', deadOnly: false, signed: false },
  'A=': { ...probes, words: 'DC amps', unit: 'A', deadOnly: false, signed: true },
  'A~': { ...probes, words: 'AC amps', unit: 'A', deadOnly: false, signed: false },
  'clamp=': {
    words: 'DC clamp',
    unit: 'A',
    deadOnly: false,
    signed: true,
    placing: 'one',
    metered: true,
  },
  'clamp~': {
    words: 'AC clamp',
    unit: 'A',
    deadOnly: false,
    signed: false,
    placing: 'one',
    metered: true,
  },
  ohm: { ...dead, words: 'ohms', unit: 'ohm' },
  continuity: { ...dead, words: 'continuity', unit: 'ohm' },
  diode: { ...dead, words: 'diode', unit: 'V' },
  capacitance: { ...dead, words: 'capacitance', unit: 'F' },
  insulation: { ...dead, words: 'insulation', unit: 'ohm' },
  Hz: { ...probes, words: 'hertz', unit: 'Hz', deadOnly: false, signed: false },
  temperature: {
    words: 'temperature',
    unit: 'degC',
    deadOnly: false,
    signed: true,
    placing: 'one',
    metered: true,
  },
  pressure: {
    words: 'pressure gauge',
    unit: 'Pa',
    deadOnly: false,
    signed: true,
    placing: 'one',
    metered: false,
  },
  count: {
    words: 'counting',
    unit: 'count',
    deadOnly: false,
    signed: false,
    placing: 'none',
    metered: false,
  },
  display: {
    words: 'the display',
    unit: undefined,
    deadOnly: false,
    signed: true,
    placing: 'none',
    metered: false,
  },
};

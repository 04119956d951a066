/**
 * The instrument on the bench: its ranges and limits of error as a meter's data sheet states them,
 * and what it does to the circuit. One device does everything, so that a bench needs no second one.
 */
import type { MeterFunction } from '../../meter/functions';
import type { MeterProfile } from '../../meter/profile';

const range = (upTo: number, resolution: number, percent: number, counts: number) => ({
  upTo,
  resolution,
  percent,
  counts,
});

export const BENCH_METER: MeterProfile = {
  id: 'bench-meter',
  name: 'Bench meter (simulated)',
  category: 'CAT III 1000 V',
  rating: { category: 3, volts: 1000 },
  counts: 6000,
  buzzerBelow: 40,
  functions: [
    {
      function: 'V=',
      burden: 10e6,
      ranges: [
        range(0.6, 1e-4, 0.5, 3),
        range(6, 1e-3, 0.5, 2),
        range(60, 0.01, 0.5, 2),
        range(600, 0.1, 0.5, 2),
        range(1000, 1, 0.5, 3),
      ],
    },
    {
      function: 'V~',
      burden: 10e6,
      ranges: [
        range(6, 1e-3, 1, 3),
        range(60, 0.01, 1, 3),
        range(600, 0.1, 1, 3),
        range(1000, 1, 1, 3),
      ],
    },
    {
      function: 'ohm',
      ranges: [
        range(60, 0.01, 0.8, 3),
        range(600, 0.1, 0.9, 2),
        range(6e3, 1, 0.9, 1),
        range(60e3, 10, 0.9, 1),
        range(600e3, 100, 0.9, 1),
        range(6e6, 1e3, 0.9, 1),
        range(60e6, 10e3, 1.5, 3),
      ],
    },
    { function: 'continuity', ranges: [range(600, 0.1, 0.9, 2)] },
    { function: 'diode', testCurrent: 1e-3, ranges: [range(2.6, 1e-3, 1, 2)] },
    {
      function: 'capacitance',
      ranges: [
        range(60e-9, 10e-12, 3, 5),
        range(600e-9, 100e-12, 2, 3),
        range(6e-6, 1e-9, 2, 3),
        range(60e-6, 10e-9, 2, 3),
        range(600e-6, 100e-9, 2.5, 5),
        range(6e-3, 1e-6, 5, 10),
      ],
    },
    {
      function: 'A=',
      ranges: [
        range(600e-6, 1e-7, 1, 3),
        range(6e-3, 1e-6, 1, 3),
        range(0.4, 1e-4, 1, 3),
        range(10, 0.01, 1.2, 3),
      ],
    },
    { function: 'A~', ranges: [range(0.4, 1e-4, 1.5, 3), range(10, 0.01, 1.5, 3)] },
    { function: 'clamp=', ranges: [range(60, 0.01, 2, 10), range(600, 0.1, 2, 5)] },
    {
      function: 'clamp~',
      ranges: [range(6, 1e-3, 2, 8), range(60, 0.01, 2, 5), range(600, 0.1, 2, 5)],
    },
    {
      function: 'insulation',
      testVolts: [250, 500, 1000],
      ranges: [
        range(4e6, 1e4, 3, 3),
        range(40e6, 1e5, 3, 3),
        range(400e6, 1e6, 3, 5),
        range(4e9, 1e7, 5, 10),
      ],
    },
    { function: 'Hz', ranges: [range(600, 0.1, 0.1, 2), range(6e3, 1, 0.1, 2)] },
    { function: 'temperature', ranges: [range(1000, 0.1, 0.5, 5)] },
    { function: 'pressure', ranges: [range(6e6, 1e3, 0.5, 2)] },
  ],
};

/** Ohms of each lead, tip contact included. */
export const LEAD_OHMS = 0.03;
/** Input of the low-impedance volts position, Ω. */
export const LOW_IMPEDANCE = 3e3;
/** Above this the true-RMS converter falls off, Hz. */
export const BANDWIDTH_HERTZ = 5e3;
/** Readings a second. */
export const UPDATES = 4;
/** Full scale of every ohms range lies across this, so that junctions stay shut; and no more than this open. */
export const OHMS_FULL_SCALE = 0.6;
export const OHMS_OPEN = 1.5;
export const DIODE_OPEN = 3;
export const DIODE_AMPS = 1e-3;
/** Insulation test: amps at most. */
export const INSULATION_AMPS = 1e-3;
/** Capacitance: charged to this within one measuring time. */
export const CHARGE_TO = 0.3;
export const CHARGE_TIME = 0.25;
/** Residual volts above which ohms, diodes and capacitances mean nothing. */
export const DISTURBING = 0.5;
/** Volts above which driving a circuit is a hazard rather than a nuisance. */
export const DANGEROUS = 30;

/** An ammeter's jacks: shunt by range, and the fuse before it. */
export const JACKS = [
  { upTo: 6e-3, ohms: 100, fuse: 0.44 },
  { upTo: 0.4, ohms: 1.2, fuse: 0.44 },
  { upTo: 10, ohms: 0.02, fuse: 11 },
] as const;

/** Whether the instrument drives the circuit itself. */
export const DRIVES: ReadonlySet<MeterFunction> = new Set([
  'ohm',
  'continuity',
  'diode',
  'capacitance',
  'insulation',
]);

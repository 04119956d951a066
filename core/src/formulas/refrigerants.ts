/**
 * Saturation pressures of refrigerants by the ancillary equation of the reference formulations,
 * ln(p/pc) = (Tc/T)·Σ nᵢ·(1 − T/Tc)^tᵢ, T in kelvin. Sources stand beside each fluid. Blends have a
 * bubble line (liquid) and a dew line (vapour); for pure fluids they are one.
 */
import { InvalidInputError } from '../errors';
import { nth } from '../numeric/nth';

interface Line {
  readonly n: readonly number[];
  readonly t: readonly number[];
}

interface Fluid {
  readonly criticalK: number;
  readonly criticalPa: number;
  readonly bubble: Line;
  readonly dew: Line;
  readonly source: string;
}

const pure = (
  criticalK: number,
  criticalPa: number,
  n: readonly number[],
  t: readonly number[],
  source: string,
): Fluid => ({ criticalK, criticalPa, bubble: { n, t }, dew: { n, t }, source });

const LEMMON_2003 = 'Lemmon 2003, Int. J. Thermophys. 24, pseudo-pure fluid equations';

export const REFRIGERANTS = {
  'R-134a': pure(
    374.18,
    4.05629e6,
    [-7.686556, 2.311791, -2.039554, -3.583758],
    [1, 1.5, 2, 4],
    'Tillner-Roth & Baehr 1994',
  ),
  'R-32': pure(
    351.255,
    5.782e6,
    [-7.44892, 1.6886, -1.908, -2.81],
    [1, 1.5, 2.5, 5],
    'Tillner-Roth & Yokozeki 1997',
  ),
  'R-290': pure(
    369.89,
    4.2512e6,
    [-6.7722, 1.6938, -1.3341, -3.1876, 0.94937],
    [1, 1.5, 2.2, 4.8, 6.2],
    'Lemmon, McLinden & Wagner 2009',
  ),
  'R-600a': pure(
    407.81,
    3.629e6,
    [-6.85093103, 1.36543198, -1.32542691, -2.56190994],
    [1, 1.5, 2.5, 4.5],
    'Bücker & Wagner 2006',
  ),
  'R-744': pure(
    304.1282,
    7.3773e6,
    [-7.0602087, 1.9391218, -1.6463597, -3.2995634],
    [1, 1.5, 2, 4],
    'Span & Wagner 1996',
  ),
  'R-1234yf': pure(
    367.85,
    3.3822e6,
    [-7.4697, 2.7915, -2.1312, -2.9531],
    [1, 1.5, 1.8, 3.8],
    'Richter, McLinden & Lemmon 2011',
  ),
  'R-410A': {
    criticalK: 344.494,
    criticalPa: 4.9012e6,
    bubble: { n: [-7.2818, 2.5093, -3.2695, -2.8022], t: [1, 1.8, 2.4, 4.9] },
    dew: { n: [-7.4411, 1.9883, -2.4925, -3.2633], t: [1, 1.6, 2.4, 5] },
    source: LEMMON_2003,
  },
  'R-404A': {
    criticalK: 345.27,
    criticalPa: 3.7348e6,
    bubble: { n: [0.061067, -6.5646, -3.6162, -3.9771], t: [0.54, 0.965, 3.7, 9] },
    dew: { n: [-0.00026863, -6.5757, -4.1802, -7.9102], t: [0.1, 0.972, 3.8, 9] },
    source: LEMMON_2003,
  },
  'R-407C': {
    criticalK: 359.345,
    criticalPa: 4.6317e6,
    bubble: { n: [0.48722, -6.6959, -1.4165, -2.5109], t: [0.54, 0.925, 2.7, 4.7] },
    dew: { n: [-0.086077, -6.6364, -2.4648, -3.4776], t: [0.4, 0.965, 3.1, 5] },
    source: LEMMON_2003,
  },
} as const satisfies Record<string, Fluid>;

export type Refrigerant = keyof typeof REFRIGERANTS;
export const REFRIGERANT_NAMES = Object.keys(REFRIGERANTS) as Refrigerant[];
export type SaturationLine = 'bubble' | 'dew';

/** Coldest temperature answered for, °C: the equations hold well below the trade's range. */
export const COLDEST = -60;
const KELVIN = 273.15;

const fluidOf = (name: Refrigerant): Fluid => REFRIGERANTS[name];

/** Critical temperature, °C: above it nothing condenses. */
export const criticalTemperature = (name: Refrigerant): number => fluidOf(name).criticalK - KELVIN;

/** Whether bubble and dew pressures differ. */
export const isBlend = (name: Refrigerant): boolean => fluidOf(name).bubble !== fluidOf(name).dew;

/**
 * Saturation pressure, Pa absolute.
 * @param t - °C, from {@link COLDEST} to the critical temperature.
 * @throws {InvalidInputError} beyond those.
 */
export function saturationPressure(name: Refrigerant, line: SaturationLine, t: number): number {
  const { criticalK, criticalPa } = fluidOf(name);
  const kelvin = t + KELVIN;
  if (!(t >= COLDEST && kelvin < criticalK))
    throw new InvalidInputError(
      `${name} is answered for from ${COLDEST} °C to its critical ${(criticalK - KELVIN).toFixed(1)} °C`,
    );
  return criticalPa * Math.exp(exponent(fluidOf(name), line, kelvin));
}

function exponent(fluid: Fluid, line: SaturationLine, kelvin: number): number {
  const { n, t } = fluid[line];
  const theta = 1 - kelvin / fluid.criticalK;
  return (
    (fluid.criticalK / kelvin) * n.reduce((sum, each, i) => sum + each * theta ** nth(t, i), 0)
  );
}

/**
 * Saturation temperature, °C, by Newton's method kept within a bracket.
 * @param pressure - Pa absolute.
 * @throws {InvalidInputError} for a pressure below that at {@link COLDEST} or above the critical.
 */
export function saturationTemperature(
  name: Refrigerant,
  line: SaturationLine,
  pressure: number,
): number {
  const fluid = fluidOf(name);
  let low = COLDEST + KELVIN;
  let high = fluid.criticalK - 1e-6;
  const target = Math.log(pressure / fluid.criticalPa);
  const off = (kelvin: number) => exponent(fluid, line, kelvin) - target;
  if (!(pressure > 0) || off(low) > 0 || off(high) < 0)
    throw new InvalidInputError(
      `${name} is answered for from ${kilo(saturationPressure(name, line, COLDEST))} to ${kilo(fluid.criticalPa)} kPa absolute`,
    );
  let x = (low + high) / 2;
  for (let i = 0; i < 100; i += 1) {
    const value = off(x);
    if (value > 0) high = x;
    else low = x;
    const slope = (off(x + 1e-4) - off(x - 1e-4)) / 2e-4;
    const newton = x - value / slope;
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - x) < 1e-9) break;
    x = next;
  }
  return x - KELVIN;
}

const kilo = (pascals: number) => Math.round(pascals / 1000);

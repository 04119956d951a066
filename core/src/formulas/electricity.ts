/** Pure relations of circuits, in SI units. Each states its source and edges. */
import { InvalidInputError } from '../errors';

const positive = (value: number, name: string) => {
  if (!(value > 0 && Number.isFinite(value)))
    throw new InvalidInputError(`${name} must be more than nothing`);
  return value;
};

/** Peak of a sine, √2 times its effective value: the bus behind a rectifier without load. */
export const rectifiedPeak = (volts: number): number => Math.SQRT2 * volts;

/** Average behind a three-phase bridge, (3·√2/π)·V line to line, ≈ 1.35·V (IEC 60146-1-1). */
export const rectifiedThreePhase = (lineVolts: number): number =>
  ((3 * Math.SQRT2) / Math.PI) * lineVolts;

/**
 * Time for a bus to fall through a resistor: t = R·C·ln(V₀/V).
 * @returns seconds; 0 when it is below already.
 */
export function dischargeTime(ohms: number, farads: number, from: number, to: number): number {
  const tau = positive(ohms, 'the resistance') * positive(farads, 'the capacitance');
  positive(to, 'the limit');
  return from > to ? tau * Math.log(from / to) : 0;
}

/**
 * Time constant from two readings: τ = t/ln(V₁/V₂).
 * @throws {InvalidInputError} where the second is not lower.
 */
export function timeConstant(first: number, second: number, seconds: number): number {
  positive(second, 'the second reading');
  positive(seconds, 'the time between');
  if (!(first > second))
    throw new InvalidInputError('the second reading must be lower than the first');
  return seconds / Math.log(first / second);
}

/**
 * Capacitance of a run capacitor under load from its current and voltage: C = I/(2π·f·V). The
 * familiar “2650 × amps ÷ volts” in µF is this at 60 Hz.
 */
export function capacitanceUnderLoad(amps: number, volts: number, hertz: number): number {
  return (
    positive(amps, 'the current') /
    (2 * Math.PI * positive(hertz, 'the frequency') * positive(volts, 'the voltage'))
  );
}

/** Hot resistance of a heater from its rating: R = V²/P. Cold elements read a few percent less. */
export const heaterOhms = (volts: number, watts: number): number =>
  positive(volts, 'the voltage') ** 2 / positive(watts, 'the power');

/**
 * Insulation resistance corrected to 40 °C: R₄₀ = R·0.5^((40 − t)/10), halving per 10 K
 * (IEEE 43-2013, 6.3, for thermoplastic windings and of use as a rule elsewhere).
 */
export const insulationAt40 = (ohms: number, celsius: number): number =>
  positive(ohms, 'the resistance') * 0.5 ** ((40 - celsius) / 10);

/** Least insulation of a machine in service by the old rule, MΩ: rated kV plus one (IEEE 43, before 2013). */
export const leastInsulation = (volts: number): number => (volts / 1000 + 1) * 1e6;

/** Tap of a transformer whose nominal lies nearest to what the supply gives. */
export function nearestTap(supply: number, taps: readonly number[]): number {
  positive(supply, 'the supply');
  const sound = taps.filter((tap) => tap > 0);
  if (sound.length === 0) throw new InvalidInputError('give the transformer’s taps');
  return sound.reduce((a, b) => (Math.abs(b - supply) < Math.abs(a - supply) ? b : a));
}

/** NTC thermistors by the beta equation: R(T) = R25·exp(β·(1/T − 1/298.15)), T in kelvin. */
const KELVIN = 273.15;
const T25 = 298.15;

/** @param t - °C, above absolute zero. @returns ohms; NaN at or below −273.15 °C. */
export function ntcResistance(r25: number, beta: number, t: number): number {
  const kelvin = t + KELVIN;
  return kelvin > 0 ? r25 * Math.exp(beta * (1 / kelvin - 1 / T25)) : NaN;
}

/** Inverse of {@link ntcResistance}. @returns °C; NaN for a resistance that is not positive. */
export function ntcTemperature(r25: number, beta: number, ohms: number): number {
  if (!(ohms > 0)) return NaN;
  const inverse = 1 / T25 + Math.log(ohms / r25) / beta;
  return inverse > 0 ? 1 / inverse - KELVIN : NaN;
}

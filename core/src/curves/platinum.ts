/**
 * Platinum resistance thermometers by the Callendar–Van Dusen equation with the coefficients of
 * IEC 60751:2022: R(t) = R0·[1 + A·t + B·t² + C·(t − 100)·t³], C only below 0 °C.
 */
const A = 3.9083e-3;
const B = -5.775e-7;
const C = -4.183e-12;
/** Range of the standard, °C. */
export const PLATINUM_RANGE = { low: -200, high: 850 } as const;

/** @param t - °C. @returns resistance relative to that at 0 °C; NaN outside −200 to 850 °C. */
export function platinumRatio(t: number): number {
  if (!(t >= PLATINUM_RANGE.low && t <= PLATINUM_RANGE.high)) return NaN;
  const above = 1 + A * t + B * t * t;
  return t >= 0 ? above : above + C * (t - 100) * t ** 3;
}

/** Inverse of {@link platinumRatio}. @returns °C; NaN for a ratio that no temperature gives. */
export function platinumTemperature(ratio: number): number {
  if (!(ratio >= platinumRatio(PLATINUM_RANGE.low) && ratio <= platinumRatio(PLATINUM_RANGE.high)))
    return NaN;
  // Above 0 °C the quadratic has a closed form; below, a few Newton steps from it.
  let t = (-A + Math.sqrt(A * A - 4 * B * (1 - ratio))) / (2 * B);
  for (let i = 0; ratio < 1 && i < 20; i += 1) {
    const slope = A + 2 * B * t + C * (4 * t ** 3 - 300 * t * t);
    const step = (1 + A * t + B * t * t + C * (t - 100) * t ** 3 - ratio) / slope;
    t -= step;
    if (Math.abs(step) < 1e-10) break;
  }
  return t;
}

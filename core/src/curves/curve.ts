/** Resistance from temperature and back, along a curve of a sheet. */
import { ntcResistance, ntcTemperature } from './ntc';
import { platinumRatio, platinumTemperature } from './platinum';
import type { Curve } from './schema';
import { nth } from '../numeric/nth';

/** @param t - °C. @returns ohms; NaN beyond the curve's ends. */
export function resistanceAt(curve: Curve, t: number): number {
  switch (curve.kind) {
    case 'ntc-beta':
      return ntcResistance(curve.r25, curve.beta, t);
    case 'rtd-pt100':
      return 100 * platinumRatio(t);
    case 'rtd-pt1000':
      return 1000 * platinumRatio(t);
    case 'table':
      return interpolate(
        curve.points.map(([celsius, ohms]) => [celsius, Math.log(ohms)]),
        t,
        Math.exp,
      );
    default:
      curve satisfies never;
      return NaN;
  }
}

/** @param ohms - Corrected for the leads. @returns °C; NaN beyond the curve's ends. */
export function temperatureAt(curve: Curve, ohms: number): number {
  switch (curve.kind) {
    case 'ntc-beta':
      return ntcTemperature(curve.r25, curve.beta, ohms);
    case 'rtd-pt100':
      return platinumTemperature(ohms / 100);
    case 'rtd-pt1000':
      return platinumTemperature(ohms / 1000);
    case 'table':
      if (!(ohms > 0)) return NaN;
      return interpolate(
        curve.points.map(([celsius, each]) => [Math.log(each), celsius]),
        Math.log(ohms),
        (value) => value,
      );
    default:
      curve satisfies never;
      return NaN;
  }
}

/** Whether resistance falls with temperature, as an NTC's does. */
export function falls(curve: Curve): boolean {
  if (curve.kind === 'ntc-beta') return true;
  if (curve.kind !== 'table') return false;
  return nth(curve.points, 0)[1] > curve.points.at(-1)![1];
}

/** Why a table is no curve; undefined for a sound one. */
export function curveProblem(curve: Curve): string | undefined {
  if (curve.kind !== 'table') return undefined;
  const rises = curve.points.slice(1).map((point, i) => {
    const before = nth(curve.points, i);
    return point[0] > before[0] ? Math.sign(point[1] - before[1]) : NaN;
  });
  if (rises.some(Number.isNaN)) return 'the temperatures must rise from row to row';
  if (rises.some((each) => each !== rises[0] || each === 0))
    return 'the resistances must rise throughout, or fall throughout';
  return undefined;
}

/** Straight line between neighbours; resistances go in as logarithms, along which an NTC is nearly straight. */
function interpolate(
  pairs: readonly (readonly [number, number])[],
  x: number,
  out: (y: number) => number,
): number {
  const sorted = [...pairs].sort((a, b) => a[0] - b[0]);
  const above = sorted.findIndex(([each]) => each >= x);
  if (above < 0 || (above === 0 && nth(sorted, 0)[0] !== x)) return NaN;
  if (above === 0) return out(nth(sorted, 0)[1]);
  const [x0, y0] = nth(sorted, above - 1);
  const [x1, y1] = nth(sorted, above);
  return out(y0 + ((y1 - y0) * (x - x0)) / (x1 - x0));
}

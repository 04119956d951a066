/** What a junction stores: charge of its depletion layer, and of the current on its way through it. */
import type { DiodeModel } from './element';

/** Share of the built-in volts above which the layer's capacitance goes on as a straight line. */
const FC = 0.5;

/**
 * @param i - Amps of the junction at these volts, and their slope `g`, S.
 * @returns coulombs, and farads.
 * @see Nagel, SPICE2 (1975), appendix 3; Antognetti and Massobrio (1988), section 1.3.
 */
export function junctionCharge(
  { cjo = 0, vj = 1, m = 0.5, tt = 0 }: DiodeModel,
  v: number,
  i: number,
  g: number,
): { q: number; c: number } {
  if (v < FC * vj) {
    const left = 1 - v / vj;
    const c = cjo * left ** -m;
    return { q: tt * i + (cjo * vj - c * left * vj) / (1 - m), c: tt * g + c };
  }
  const knee = FC * vj;
  const f1 = (vj * (1 - (1 - FC) ** (1 - m))) / (1 - m);
  const f2 = (1 - FC) ** (1 + m);
  const f3 = 1 - FC * (1 + m);
  const q = cjo * (f1 + (f3 * (v - knee) + (m / (2 * vj)) * (v * v - knee * knee)) / f2);
  return { q: tt * i + q, c: tt * g + (cjo * (f3 + (m * v) / vj)) / f2 };
}

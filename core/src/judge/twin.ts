/** Limits taken from a good twin: its figure, give or take the house's tolerance. */
import type { Expectation } from './expectation';

/** Where no document states how far two good ones may lie apart, percent. */
const HOUSE_PERCENT = 10;

/**
 * @param expect - Says `from: twin`; anything else comes back as it is.
 * @param twin - What the twin read, SI, less the leads; undefined while none was measured.
 */
export function againstTwin(expect: Expectation, twin: number | undefined): Expectation {
  if (expect.from !== 'twin' || twin === undefined) return expect;
  const percent = (expect.kind === 'nominal' ? expect.percent : undefined) ?? HOUSE_PERCENT;
  return { kind: 'nominal', value: twin, percent, unit: expect.unit, from: 'twin' };
}

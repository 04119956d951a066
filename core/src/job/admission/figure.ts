/** What every figure wants before it may be taken: the machine's state, the dial, a fit meter. */
import { dutyOf } from '../findings/instruments';
import type { FigurePlace } from '../findings/place-of';
import { dialRefusal, energyRefusal, meterRefusal } from './energy';
import type { Admission } from '../kinds/kind';
import type { Refusal } from './refusal';

export function figureRefusal<E>(
  { sheet, state, blind }: Admission<E>,
  { test, point }: FigurePlace,
  given?: number,
): Refusal | undefined {
  return (
    (blind ? undefined : energyRefusal(sheet, state.energy, test)) ??
    dialRefusal(sheet, state, test, point) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point, given))
  );
}

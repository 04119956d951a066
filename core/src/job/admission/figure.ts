/** What every figure wants before it may be taken: the machine's state, the dial, a fit meter. */
import type { Given } from '../../judge/given';
import { dutyOf } from '../findings/instruments';
import { wantsOf } from '../../conditions/wants';
import type { FigurePlace } from '../findings/place-of';
import { dialRefusal, energyRefusal, meterRefusal } from './energy';
import type { Admission } from '../kinds/kind';
import { licenceRefusal } from './licence';
import type { Refusal } from './refusal';
import { variantRefusal } from './variant';

export function figureRefusal<E>(
  { sheet, state, blind }: Admission<E>,
  { test, point }: FigurePlace,
  {
    given,
    seconds,
    at,
    elsewhere = false,
  }: {
    readonly given?: Given | undefined;
    /** How long a series took, s, and when it was kept. */
    readonly seconds?: number;
    readonly at?: string;
    /** Of another thing than this machine: what the machine is in is no matter. */
    readonly elsewhere?: boolean;
  } = {},
): Refusal | undefined {
  const { energy } = state;
  // A track that began live and was ended by isolation is kept, and is void.
  const begunLive =
    state.rules === 2 &&
    seconds !== undefined &&
    at !== undefined &&
    energy.kind !== 'live' &&
    energy.since !== undefined &&
    wantsOf(sheet, test, point).energy === 'live' &&
    Date.parse(at) - seconds * 1000 < Date.parse(energy.since) &&
    state.log.some((each) => each.kind === 'energised' && each.withdrawnBy === undefined);
  return (
    variantRefusal(sheet, test, point) ??
    licenceRefusal(state, test) ??
    (blind || begunLive || elsewhere
      ? undefined
      : energyRefusal(sheet, state.energy, test, point)) ??
    (elsewhere ? undefined : dialRefusal(sheet, state, test, point)) ??
    meterRefusal(state.meters, sheet, dutyOf(sheet, test, point, given))
  );
}

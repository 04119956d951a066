/** The meters of a job. */
import { otherMeter } from '../../conditions/energy';
import type { MeterProfile } from '../../meter/profile';
import type { Draft } from './draft';

/** The latest meter comes first; taken up again, it moves to the front. */
export function takeInHand(draft: Draft, meter: MeterProfile): void {
  if (draft.meter?.id !== meter.id) draft.energy = otherMeter(draft.energy);
  draft.meter = meter;
  draft.meters = [meter, ...draft.meters.filter((each) => each.id !== meter.id)];
}

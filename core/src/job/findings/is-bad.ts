/** Whether a finding says plainly that the thing is not right. */
import type { Taken } from '../state/state';

/** Out of its limits, or an answer that is not the good one; the technician's own judgement goes first. */
export function isBad(taken: Taken): boolean {
  if (taken.overruled) return taken.overruled.as === 'bad';
  return taken.kind === 'answer' ? taken.outcome !== 'ok' : taken.judgement.verdict === 'out';
}

/** What speaks, and whom it accuses. */
import type { StoreFinding } from '../conditions/fast-store';
import type { Taken, TakenGroup } from '../job/state/state';
import type { Fault, Part } from '../sheet/schema';
import type { NotedWork } from '../job/work/work';
import type { Evidence } from './evidence';
import type { Weight } from './weights';

/** One piece of evidence and the log entry it stands in. */
export interface EvidenceItem {
  readonly entry: string;
  readonly evidence: Evidence;
  /** Where it came from: a shown code, a reading or answer that counts, how a store fell. */
  readonly from:
    | { readonly kind: 'code'; readonly code: string }
    | { readonly kind: 'taken'; readonly taken: Taken }
    | { readonly kind: 'group'; readonly group: TakenGroup }
    | { readonly kind: 'store'; readonly store: StoreFinding }
    | { readonly kind: 'symptom'; readonly symptom: string }
    /** The complaint looked for. */
    | { readonly kind: 'looked'; readonly seen: boolean }
    /** Found or done on the visit that this one goes on from. */
    | { readonly kind: 'carried'; readonly words: string; readonly finding: boolean }
    /** Not a finding: what changed the machine between them. */
    | { readonly kind: 'work'; readonly work: NotedWork }
    | { readonly kind: 'ran' };
}

/** Whether a reading or an answer stands behind it: the others only suggest, or are no findings. */
export const isMeasuredEvidence = ({ from }: Pick<EvidenceItem, 'from'>): boolean =>
  from.kind === 'taken' ||
  from.kind === 'group' ||
  from.kind === 'store' ||
  (from.kind === 'carried' && from.finding);

export const isFinding = ({ from }: Pick<EvidenceItem, 'from'>): boolean =>
  from.kind !== 'work' && from.kind !== 'ran';

export interface Suspect {
  readonly fault: Fault;
  /** Absent for what no part mends. */
  readonly part: Part | undefined;
  /** Probability that the fault was there on arrival. */
  readonly p: number;
  /** Probability that it is there now, after the work. */
  readonly now: number;
  /** The same before the latest piece of evidence; equal to `p` where there is none. */
  readonly before: number;
  /** `now` before the latest piece of evidence. */
  readonly nowBefore: number;
  /** Indexed like {@link Assessment.evidence}. */
  readonly weights: readonly Weight[];
}

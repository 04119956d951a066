/** What speaks, and whom it accuses. */
import type { StoreFinding } from '../conditions/fast-store';
import type { Taken, TakenGroup } from '../job/state/state';
import type { Fault, Part } from '../sheet/schema';
import type { Finding } from './evidence';
import type { Weight } from './weights';

/** One piece of evidence and the log entry it stands in. */
export interface EvidenceItem {
  readonly entry: string;
  readonly evidence: Finding;
  /** Where it came from: a shown code, a reading or answer that counts, how a store fell. */
  readonly from:
    | { readonly kind: 'code'; readonly code: string }
    | { readonly kind: 'taken'; readonly taken: Taken }
    | { readonly kind: 'group'; readonly group: TakenGroup }
    | { readonly kind: 'store'; readonly store: StoreFinding };
}

export interface Suspect {
  readonly fault: Fault;
  readonly part: Part;
  /** Probability that the fault is present. */
  readonly p: number;
  /** The same before the latest piece of evidence; equal to `p` where there is none. */
  readonly before: number;
  /** Indexed like {@link Assessment.evidence}. */
  readonly weights: readonly Weight[];
}

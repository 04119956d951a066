/** What a job remembers of single entries, as they were written. */
import type { EnergyKind } from '../../conditions/energy';
import type { Ending } from '../endings/ending';
import type { WrittenEntry } from '../log/entry';

/** An entry that the state keeps: who said it, when, and what. */
export type Noted<B extends object> = WrittenEntry<string, B>;

/** How contact was proven where nothing was found (the leads, the metal, the other end). */
export const CONTACT_PROOFS = [
  'leads-touched',
  'scraped-to-metal',
  'second-point',
  'known-source',
  'means-known',
] as const;
export type ContactProof = (typeof CONTACT_PROOFS)[number];

/** What became of two findings that contradict each other. */
export const CONTRADICTIONS = ['slip', 'comes-and-goes'] as const;
export type Contradiction = (typeof CONTRADICTIONS)[number];

export interface Arrival {
  readonly plate: 'matches' | 'differs';
  readonly note: string;
}

/** One thing that a look found, and where. */
export interface Find {
  readonly answer: string;
  /** Place or component, as it is printed there. */
  readonly at?: string;
}

export interface Licence {
  readonly held: boolean;
  readonly who: string;
}

export interface Opening {
  readonly access: string;
  readonly back?: true;
}

export interface Picture {
  readonly hash: string;
  readonly caption: string;
  readonly place?: string;
  readonly spot?: { readonly board: string; readonly at: readonly [number, number] };
  readonly test?: string;
}

export interface Decision {
  /** At least one. */
  readonly endings: readonly Ending[];
  /** The part that led when the technician decided. */
  readonly leading: string | null;
  /** Probability then of the part chosen; 0 without one. */
  readonly probability: number;
  /** Why another than what leads, or why it ends so. */
  readonly reason: string;
  /** The way that was expected to cost least, where another was chosen. */
  readonly against?: {
    readonly words: string;
    readonly cost: number;
    readonly chosenCost: number;
    readonly currency: string;
  };
}

/** What came of a question why a part died: it was so, it was not, or nobody can tell. */
export const WHY_ANSWERS = ['yes', 'no', 'open'] as const;

/** How somebody agreed. */
export const ACCEPT_WAYS = ['here', 'phone', 'written'] as const;

export interface Asked {
  readonly part: string;
  readonly ask: string;
  readonly found: (typeof WHY_ANSWERS)[number];
  readonly note: string;
}

export interface Matched {
  readonly part: string;
  readonly number: string;
  readonly values: Readonly<Record<string, string>>;
  readonly old?: Readonly<Record<string, string>>;
  readonly note: string;
}

export interface OldSetting {
  readonly part: string;
  readonly name: string;
  readonly value: string;
  readonly copied?: true;
}

export interface Acceptance {
  /** The decision that it answers. */
  readonly decision: string;
  readonly agreed: boolean;
  readonly by: string;
  readonly how: (typeof ACCEPT_WAYS)[number];
  readonly amount: number;
  readonly currency: string;
  readonly minutes?: number;
  readonly note: string;
}

/** What may still be to come after a visit. */
export const FOLLOW_UPS = ['parts', 'visit', 'send-back', 'prove', 'other'] as const;

/** Something to come, with what ended it. */
export type FollowUp = Noted<{
  readonly what: (typeof FOLLOW_UPS)[number];
  readonly on: string;
  readonly part?: string;
  readonly note: string;
}> & { readonly done?: Noted<{ readonly note: string }> };

/** Somebody else looked the visit through. */
export interface Countersignature {
  /** The signature that it stands beside. */
  readonly signature: string;
  readonly note: string;
}

export interface Signature {
  readonly technician: string;
  readonly customer: string;
  readonly note: string;
  /** Drawn by hand: SHA-256 of each picture. */
  readonly drawn?: { readonly technician?: string; readonly customer?: string };
  /** Why it is signed with something owed. */
  readonly owed?: string;
  /** How the machine was left, as it was said before signing; absent in logs from before it was. */
  readonly left?: {
    readonly energy: EnergyKind;
    readonly note: string;
    readonly open: readonly { readonly access: string; readonly reason: string }[];
  };
}

/** The state while the log is being folded: what changes from entry to entry. */
import type { Given } from '../../judge/given';
import type { LeadZero } from '../../judge/reading';
import type { MeterProfile } from '../../meter/profile';
import type { NamedClock, Attempts, Spell } from './windows';
import type { StoreFinding } from '../../conditions/fast-store';
import { AS_FOUND, type Energy } from '../../conditions/energy';
import type { LoggedEntry } from '../log/entry';
import type {
  Acceptance,
  Arrival,
  Asked,
  ContactProof,
  Contradiction,
  Decision,
  Find,
  FollowUp,
  Licence,
  Matched,
  Noted,
  OldSetting,
  Opening,
  Picture,
  Countersignature,
  Signature,
} from './facts';
import type { Continued } from '../work/continued';
import type { NotedHistory } from '../history/history';
import type { KeptTwin } from '../work/kept-twin';
import type { NotedWork } from '../work/work';
import type { Compared, Entered, Looked, Overruled, ShownCode, Taken, Watched } from './state';

/** A work, with what stood before it. */
export interface Change {
  readonly entry: string;
  /** Observables that it changed. */
  readonly touched: ReadonlySet<string>;
  /** How much had been taken. */
  readonly taken: number;
  /** By observable, where in `taken` its latest stood. */
  readonly latest: ReadonlyMap<string, number>;
}

export interface Draft {
  /** By which edition of the rules this log folds; 1 for a log from before conditions. */
  rules: 1 | 2;
  complaint: string;
  continues?: Continued;
  meter: MeterProfile | null;
  meters: MeterProfile[];
  energy: Energy;
  /** The latest entry after which the machine may be live. */
  danger?: LoggedEntry;
  /** It was proven dead at some time. */
  everDead: boolean;
  /** Stores that fell as they should, or too fast. */
  stores: StoreFinding[];
  arrived?: Noted<Arrival>;
  observed: Noted<{ readonly text: string }>[];
  codes: ShownCode[];
  noCode: boolean;
  histories: NotedHistory[];
  access: Set<string>;
  /** Said to be in by one device and out by another, neither knowing of the other. */
  accessUnknown: Set<string>;
  /** What was open in this job and has been put back. */
  accessBack: Set<string>;
  /** Who spoke last of each access. */
  accessBy: Map<string, LoggedEntry & { readonly body: Opening }>;
  lead?: LeadZero;
  given: Map<string, Given>;
  /** By test, when its figure was given, ms. */
  givenAt: Map<string, number>;
  taken: Taken[];
  /** By observable, where in `taken` its latest stands. */
  latest: Map<string, number>;
  /** Where in `taken` findings stand that a later one of the same place did not replace. */
  earlier: Set<number>;
  /** By the later entry of two that contradict each other, what became of them. */
  contradictions: Map<string, Contradiction>;
  /** Figures of other things than this machine. */
  compared: Compared[];
  twins?: Map<string, KeptTwin>;
  works: NotedWork[];
  changes: Change[];
  epochs: Map<string, number>;
  entered?: Entered;
  symptoms: Map<string, string>;
  looked: Looked[];
  skipped: Map<string, string>;
  licence?: Noted<Licence>;
  spells: Map<string, Spell>;
  attempts: Map<string, Attempts>;
  clocks: NamedClock[];
  photos: Noted<Picture>[];
  /** Said later of an earlier entry, by its id. */
  contacts: Map<string, ContactProof>;
  finds: Map<string, readonly Find[]>;
  voided: Map<string, string>;
  overruled: Map<string, Overruled>;
  /** By part and question. */
  asked: Map<string, Noted<Asked>>;
  /** By part. */
  matched: Map<string, Noted<Matched>>;
  accepted?: Noted<Acceptance>;
  /** By procedure, kind and place, the entry that ticked it. */
  ticks: Map<string, string>;
  /** By part and name. */
  settings: Map<string, Noted<OldSetting>>;
  watched: Watched[];
  followUps: FollowUp[];
  decision?: Noted<Decision>;
  signed?: Noted<Signature>;
  countersigned?: Noted<Countersignature>;
}

export function emptyDraft(): Draft {
  return {
    rules: 1,
    complaint: '',
    meter: null,
    meters: [],
    energy: AS_FOUND,
    everDead: false,
    stores: [],
    observed: [],
    codes: [],
    noCode: false,
    access: new Set(),
    accessUnknown: new Set(),
    accessBy: new Map(),
    accessBack: new Set(),
    given: new Map(),
    givenAt: new Map(),
    taken: [],
    latest: new Map(),
    earlier: new Set(),
    contradictions: new Map(),
    compared: [],
    works: [],
    changes: [],
    epochs: new Map(),
    histories: [],
    symptoms: new Map(),
    looked: [],
    skipped: new Map(),
    spells: new Map(),
    attempts: new Map(),
    clocks: [],
    photos: [],
    contacts: new Map(),
    finds: new Map(),
    voided: new Map(),
    overruled: new Map(),
    asked: new Map(),
    matched: new Map(),
    ticks: new Map(),
    settings: new Map(),
    watched: [],
    followUps: [],
  };
}

/** A copy that does not change with the draft: its lists are copied, what they hold is never changed. */
export function copyOf(draft: Draft): Draft {
  // The same keys with copies of the same values: through entries the compiler loses which is which.
  return Object.fromEntries(
    Object.entries(draft).map(([key, value]) => [key, copied(value)]),
  ) as unknown as Draft;
}

function copied(value: unknown): unknown {
  if (Array.isArray(value)) return [...(value as unknown[])];
  if (value instanceof Set) return new Set(value);
  return value instanceof Map ? new Map(value) : value;
}

/** The state while the log is being folded: what changes from entry to entry. */
import type { LeadZero } from '../judge/judge';
import type { MeterProfile } from '../meter/profile';
import type { NamedClock } from './clocks';
import { AS_FOUND, type Energy } from './energy';
import type { ContactProof, EntryOf } from './entries';
import type { Overruled, ShownCode, Taken } from './state';
import type { Attempts, Spell } from './windows';

export interface Draft {
  complaint: string;
  meter: MeterProfile | null;
  meters: MeterProfile[];
  energy: Energy;
  arrived?: EntryOf<'arrived'>;
  observed: EntryOf<'observed'>[];
  codes: ShownCode[];
  noCode: boolean;
  access: Set<string>;
  lead?: LeadZero;
  given: Map<string, number>;
  taken: Taken[];
  skipped: Map<string, string>;
  licence?: EntryOf<'licence'>;
  spells: Map<string, Spell>;
  attempts: Map<string, Attempts>;
  clocks: NamedClock[];
  photos: EntryOf<'photo'>[];
  /** Said later of an earlier entry, by its id. */
  contacts: Map<string, ContactProof>;
  voided: Map<string, string>;
  overruled: Map<string, Overruled>;
  fitted: EntryOf<'fitted'>[];
  decision?: EntryOf<'decision'>;
  signed?: EntryOf<'signed'>;
}

export function emptyDraft(): Draft {
  return {
    complaint: '',
    meter: null,
    meters: [],
    energy: AS_FOUND,
    observed: [],
    codes: [],
    noCode: false,
    access: new Set(),
    given: new Map(),
    taken: [],
    skipped: new Map(),
    spells: new Map(),
    attempts: new Map(),
    clocks: [],
    photos: [],
    fitted: [],
    contacts: new Map(),
    voided: new Map(),
    overruled: new Map(),
  };
}

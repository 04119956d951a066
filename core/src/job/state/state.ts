/** The present state of a job, as folded from its log. */
import type { NotedHistory } from '../history/history';
import type { Given } from '../../judge/given';
import type { Judgement } from '../../judge/judge';
import type { LeadZero, Reading } from '../../judge/reading';
import type { TogetherRule } from '../../judge/groups/index';
import type { Sample, Series } from '../../judge/series/samples';
import type { MeterProfile } from '../../meter/profile';
import type { AskTest, MeasureTest, SheetCode, TestPoint } from '../../sheet/schema';
import type { NamedClock, Attempts, Spell } from './windows';
import type { Energy } from '../../conditions/energy';
import type { Situation } from '../../conditions/situation';
import type { Specimen } from '../work/specimen';
import type { Continued } from '../work/continued';
import type { KeptTwin } from '../work/kept-twin';
import type { Insulation } from '../findings/insulation';
import type { NotedWork } from '../work/work';
import type { StoreFinding } from '../../conditions/fast-store';
import type { FoldedEntry, LoggedEntry } from '../log/entry';
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
  Picture,
  Countersignature,
  Signature,
} from './facts';

/** What became of a reading or answer. */
export type Standing =
  | { readonly kind: 'counts' }
  /** A later reading of the same point took its place; it may have been void before that. */
  | { readonly kind: 'repeated'; readonly because?: string }
  | { readonly kind: 'withdrawn' }
  /** Neither pass nor fail, and why. It stays so, whatever comes later. */
  | { readonly kind: 'void'; readonly because: string }
  /** No evidence until something that is owed is settled. */
  | { readonly kind: 'waits'; readonly because: string }
  /** A path beside it could read the same: on this side it cannot tell, which is no evidence. */
  | { readonly kind: 'one-sided'; readonly because: string };

/** Standings of a finding that says nothing, now or for good. */
export type Silent = Extract<Standing, { readonly kind: 'void' | 'waits' | 'one-sided' }>;

export const isSilent = (standing: Standing): standing is Silent =>
  standing.kind === 'void' || standing.kind === 'waits' || standing.kind === 'one-sided';

/** The technician judges otherwise than the limits do. */
export interface Overruled {
  readonly entry: string;
  readonly as: 'good' | 'bad';
  readonly reason: string;
}

interface TakenCommon {
  readonly entry: string;
  readonly at: string;
  readonly author: string;
  readonly observable: string;
  readonly standing: Standing;
  readonly overruled?: Overruled;
  /** How many earlier readings of the same place said the same. */
  readonly agreeing: number;
  /** What the machine was in when it was taken. */
  readonly situation: Situation;
  /** The finding just before it that it contradicts: one of both was a slip, or it comes and goes. */
  readonly contradicts?: string;
  /** How that was answered. */
  readonly resolved?: Contradiction;
}
export interface TakenReading extends TakenCommon {
  readonly kind: 'reading';
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly reading: Reading;
  readonly typed: string;
  readonly judgement: Judgement;
  readonly lead?: LeadZero;
  /** How an insulation figure was taken, where that was said. */
  readonly insulation?: Insulation;
  /** The label's or reference instrument's figure that its limits hang on. */
  readonly given?: Given;
  /** How contact was proven, where it was. */
  readonly contact?: ContactProof | 'unspecified';
  readonly simulated?: true;
}
/** A figure of something else, as it would be judged here. */
export type Compared = TakenReading & { readonly specimen: Specimen };
export interface TakenSeries extends TakenCommon {
  readonly kind: 'series';
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly series: Series;
  readonly simulated?: true;
  readonly judgement: Judgement;
}
export interface TakenAnswer extends TakenCommon {
  readonly kind: 'answer';
  readonly test: AskTest;
  readonly answer: string;
  readonly outcome: string;
  /** All that the look found, each with its place, where that was said. */
  readonly finds?: readonly Find[];
}
export type Taken = TakenReading | TakenSeries | TakenAnswer;

/** What several readings say together: of one test, or of several. */
export interface TakenGroup {
  /** The entry that completed it. */
  readonly entry: string;
  readonly observable: string;
  /** Absent for a rule over several tests. */
  readonly test?: MeasureTest;
  /** Of its test; its own where it is over several. */
  readonly title: string;
  readonly rule: TogetherRule;
  readonly judgement: Judgement;
  /** Observables of its readings. */
  readonly members: readonly string[];
  /** How many of its readings stand, of how many; less where it was decided early. */
  readonly taken: number;
  readonly of: number;
}

/** A look for the complaint, and the live state that the machine was in. */
export type Looked = Noted<{ readonly seen: boolean }> & {
  /** Null where none was current; absent in a log from before states were entered. */
  readonly state?: string | null;
};

/** A watched step of a prove procedure, with what it says. */
export type Watched = Noted<{
  readonly procedure: string;
  readonly step: number;
  readonly samples?: readonly Sample[];
  readonly event?: number;
  readonly seen?: boolean;
  readonly note: string;
}> & { readonly judged: Judgement };

/** A live state that was entered. */
export interface Entered {
  readonly state: string;
  /** Moment, ms, by the device's present clock. */
  readonly at: number;
}

export interface ShownCode {
  readonly entry: string;
  readonly at: string;
  readonly shown: string;
  /** Unit or circuit that it is about, where it names one or somebody said. */
  readonly unit?: string;
  /** Undefined for a code that the sheet does not list. */
  readonly listed?: SheetCode;
}

export interface JobState {
  /** The whole log in order, withdrawn entries marked. */
  readonly log: readonly FoldedEntry[];
  readonly complaint: string;
  /** The earlier visit that this one goes on from. */
  readonly continues?: Continued;
  /** The meter last taken in hand. */
  readonly meter: MeterProfile | null;
  /** All meters of this job, the latest first; the first one fit for a test is taken to be used. */
  readonly meters: readonly MeterProfile[];
  readonly energy: Energy;
  /** The latest entry after which the machine may be live: what had not seen it proves nothing. */
  readonly danger?: LoggedEntry;
  /** It was proven dead at some time in this job. */
  readonly everDead: boolean;
  /** Stores that fell as they should after isolation, or too fast. */
  readonly stores: readonly StoreFinding[];
  readonly arrived?: Noted<Arrival>;
  readonly observed: readonly Noted<{ readonly text: string }>[];
  readonly codes: readonly ShownCode[];
  /** The display was read and shows no code. */
  readonly noCode: boolean;
  /** What is open or out. */
  readonly access: ReadonlySet<string>;
  /** What was open in this job and has been put back. */
  readonly accessBack: ReadonlySet<string>;
  /** Two devices said different things of these, neither knowing of the other: look. */
  readonly accessUnknown: ReadonlySet<string>;
  readonly lead?: LeadZero;
  /** Figures that limits hang on, by test. */
  readonly given: ReadonlyMap<string, Given>;
  /** By test, when its figure was given, ms by the device's present clock. */
  readonly givenAt: ReadonlyMap<string, number>;
  /** Every reading and answer in order, whatever became of it. */
  readonly taken: readonly Taken[];
  /** The one that stands for each observable, `counts` or `void`. */
  readonly current: ReadonlyMap<string, Taken>;
  /** Rules over several readings, as soon as all that they need stand. */
  readonly groups: readonly TakenGroup[];
  /** Points and questions left out on purpose, by observable, with the reason. */
  readonly skipped: ReadonlyMap<string, string>;
  /** Whether the people here hold the licences the unit asks for, as last said. */
  readonly licence?: Noted<Licence>;
  /** The latest entering of each machine state that was timed. */
  readonly spells: ReadonlyMap<string, Spell>;
  /** Attempts since the last purge, by machine state. */
  readonly attempts: ReadonlyMap<string, Attempts>;
  /** Clocks that nobody has answered or stopped. */
  readonly clocks: readonly NamedClock[];
  readonly photos: readonly Noted<Picture>[];
  /** Figures of other things than this machine: compared, and no evidence. */
  readonly compared: readonly Compared[];
  /** By place, what good twins of this model read in earlier jobs. */
  readonly twins?: ReadonlyMap<string, KeptTwin>;
  /** Everything that was done to the machine, in order. */
  readonly works: readonly NotedWork[];
  /** By observable, how often work has changed what it speaks of. */
  readonly epochs: ReadonlyMap<string, number>;
  /** Rules over several readings as they stood before work changed the machine. */
  readonly pastGroups: readonly TakenGroup[];
  /** The live state entered last; undefined while none was since the machine was made safe. */
  readonly entered?: Entered;
  /** Histories that the machine keeps, as they were copied from it; absent where there is none. */
  readonly histories?: readonly NotedHistory[];
  /** Symptoms of the sheet that were seen or told, by id, with their entries. */
  readonly symptoms: ReadonlyMap<string, string>;
  /** Whether the complaint was seen, each time it was looked for. */
  readonly looked: readonly Looked[];
  /** By which edition of the rules this log folds. */
  readonly rules: 1 | 2;
  /** By `part question`, what came of why the old one died. */
  readonly asked: ReadonlyMap<string, Noted<Asked>>;
  /** By part, the one in the hand held against what it must match. */
  readonly matched: ReadonlyMap<string, Noted<Matched>>;
  /** What the customer said last to a decision. */
  readonly accepted?: Noted<Acceptance>;
  /** By `procedure step 3` or `procedure wire 0`, the entry that ticked it. */
  readonly ticks: ReadonlyMap<string, string>;
  /** By `part name`, settings of old parts to be copied. */
  readonly settings: ReadonlyMap<string, Noted<OldSetting>>;
  /** Steps of prove procedures that were watched, in order. */
  readonly watched: readonly Watched[];
  /** What is to come after this visit, with what has come. */
  readonly followUps: readonly FollowUp[];
  readonly decision?: Noted<Decision>;
  readonly signed?: Noted<Signature>;
  /** Somebody else's beside it; absent where it stood beside one that was withdrawn. */
  readonly countersigned?: Noted<Countersignature>;
}

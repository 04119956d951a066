/** From the log to the present state of the job. Pure: the same entries give the same state. */
import { matchCode } from '../codes/match';
import { judge, type Judgement, type LeadZero, type Reading } from '../judge/judge';
import { resolveExpectation } from '../judge/given';
import { judgeEarly } from '../judge/groups/early';
import { judgeTogether, type TogetherRule } from '../judge/groups/rules';
import type { GroupReading } from '../judge/groups/readings';
import { isolationReason, parallelCouldExplain } from '../judge/isolation';
import { judgeSeries } from '../judge/series/rules';
import type { Series } from '../judge/series/samples';
import { isSeries } from '../judge/test-expectation';
import { accuracyAt, type MeterProfile } from '../meter/profile';
import { expectOf, functionOf, testsOf } from '../sheet/all-tests';
import { findPoint, findState, findTest } from '../sheet/lookup';
import { observableId, rulePoints } from '../sheet/observables';
import {
  isMeasured,
  type AskTest,
  type MeasureTest,
  type Sheet,
  type SheetCode,
  type TestPoint,
} from '../sheet/schema';
import { dutyOf, instrumentFor } from './instruments';
import { METER_FUNCTIONS } from '../meter/functions';
import type { NamedClock } from './clocks';
import { AS_FOUND, afterSafeStep, doubt, energise, shiftClock, type Energy } from './energy';
import {
  inLogOrder,
  type BodyOf,
  type ContactProof,
  type EntryOf,
  type StoredEntry,
} from './entries';
import { voidReasons } from './prerequisites';
import { lateReason, spellOf, type Attempts, type Spell } from './windows';

/** What became of a reading or answer. */
export type Standing =
  | { readonly kind: 'counts' }
  /** A later reading of the same point took its place. */
  | { readonly kind: 'repeated' }
  | { readonly kind: 'withdrawn' }
  /** Neither pass nor fail, and why. */
  | { readonly kind: 'void'; readonly because: string };

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
}
export interface TakenReading extends TakenCommon {
  readonly kind: 'reading';
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly reading: Reading;
  readonly typed: string;
  readonly judgement: Judgement;
  readonly lead?: LeadZero;
  /** The label's or reference instrument's figure that its limits hang on. */
  readonly given?: number;
  /** How contact was proven, where it was. */
  readonly contact?: ContactProof;
}
export interface TakenSeries extends TakenCommon {
  readonly kind: 'series';
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly series: Series;
  readonly judgement: Judgement;
}
export interface TakenAnswer extends TakenCommon {
  readonly kind: 'answer';
  readonly test: AskTest;
  readonly answer: string;
  readonly outcome: string;
}
export type Taken = TakenReading | TakenSeries | TakenAnswer;

/** What several readings of one test say together. */
export interface TakenGroup {
  /** The entry that completed it. */
  readonly entry: string;
  readonly observable: string;
  readonly test: MeasureTest;
  readonly rule: TogetherRule;
  readonly judgement: Judgement;
  /** How many of its readings stand, of how many; less where it was decided early. */
  readonly taken: number;
  readonly of: number;
}

export interface ShownCode {
  readonly entry: string;
  readonly at: string;
  readonly shown: string;
  /** Undefined for a code that the sheet does not list. */
  readonly listed?: SheetCode;
}

export type FoldedEntry = StoredEntry & { readonly withdrawnBy?: string };

export interface JobState {
  /** The whole log in order, withdrawn entries marked. */
  readonly log: readonly FoldedEntry[];
  readonly complaint: string;
  /** The meter last taken in hand. */
  readonly meter: MeterProfile | null;
  /** All meters of this job, the latest first; the first one fit for a test is taken to be used. */
  readonly meters: readonly MeterProfile[];
  readonly energy: Energy;
  readonly arrived?: EntryOf<'arrived'>;
  readonly observed: readonly EntryOf<'observed'>[];
  readonly codes: readonly ShownCode[];
  /** The display was read and shows no code. */
  readonly noCode: boolean;
  readonly access: ReadonlySet<string>;
  readonly lead?: LeadZero;
  /** Figures that limits hang on, by test. */
  readonly given: ReadonlyMap<string, number>;
  /** Every reading and answer in order, whatever became of it. */
  readonly taken: readonly Taken[];
  /** The one that stands for each observable, `counts` or `void`. */
  readonly current: ReadonlyMap<string, Taken>;
  /** Rules over several readings, as soon as all that they need stand. */
  readonly groups: readonly TakenGroup[];
  /** Points and questions left out on purpose, by observable, with the reason. */
  readonly skipped: ReadonlyMap<string, string>;
  /** Whether the people here hold the licences the unit asks for, as last said. */
  readonly licence?: EntryOf<'licence'>;
  /** The latest entering of each machine state that was timed. */
  readonly spells: ReadonlyMap<string, Spell>;
  /** Attempts since the last purge, by machine state. */
  readonly attempts: ReadonlyMap<string, Attempts>;
  /** Clocks that nobody has answered or stopped. */
  readonly clocks: readonly NamedClock[];
  readonly photos: readonly EntryOf<'photo'>[];
  readonly decision?: EntryOf<'decision'>;
  readonly signed?: EntryOf<'signed'>;
}

/**
 * Fold a log.
 * @param sheet - The revision that the job was opened with.
 * @param entries - In any order; entries of a kind that means nothing here are kept and ignored.
 */
export function foldJob(sheet: Sheet, entries: readonly StoredEntry[]): JobState {
  const ordered = inLogOrder(entries);
  const withdrawn = new Map<string, string>();
  for (const entry of ordered) {
    if (entry.kind === 'withdrawn' && !withdrawn.has(entry.body.entry))
      withdrawn.set(entry.body.entry, entry.id);
  }
  const log: FoldedEntry[] = ordered.map((entry) => {
    const by = withdrawn.get(entry.id);
    return by === undefined ? entry : { ...entry, withdrawnBy: by };
  });

  const draft = emptyDraft();
  for (const entry of log) apply(draft, entry, sheet);
  return finish(draft, log, sheet);
}

interface Draft {
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
  decision?: EntryOf<'decision'>;
  signed?: EntryOf<'signed'>;
}

function emptyDraft(): Draft {
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
    contacts: new Map(),
    voided: new Map(),
    overruled: new Map(),
  };
}

function apply(draft: Draft, entry: FoldedEntry, sheet: Sheet): void {
  if (entry.withdrawnBy !== undefined) {
    applyWithdrawn(draft, entry, sheet);
    return;
  }
  switch (entry.kind) {
    case 'opened':
      draft.complaint = entry.body.complaint;
      if (entry.body.meter) takeInHand(draft, entry.body.meter);
      break;
    case 'meter':
      takeInHand(draft, entry.body.meter);
      break;
    case 'given':
      draft.given.set(entry.body.test, entry.body.value);
      break;
    case 'arrived':
      draft.arrived = entry;
      break;
    case 'observed':
      draft.observed.push(entry);
      break;
    case 'code':
      readCode(draft, entry, sheet);
      break;
    case 'access':
      if (entry.body.back) draft.access.delete(entry.body.access);
      else draft.access.add(entry.body.access);
      break;
    case 'licence':
      draft.licence = entry;
      break;
    case 'safed':
      // Isolated, no test mode runs on.
      if (entry.body.step === 'isolated') draft.spells.clear();
      draft.energy = afterSafeStep(
        draft.energy,
        entry,
        sheet,
        instrumentFor(draft.meters, sheet, { function: 'V=', live: true }),
      );
      break;
    case 'energised':
      draft.energy = energise(entry.at, entry.body.second);
      break;
    case 'window':
      begin(draft, entry, sheet);
      break;
    case 'purged':
      draft.attempts.delete(entry.body.state);
      break;
    case 'clock':
      draft.clocks.push(namedClock(entry));
      break;
    case 'clock-stopped':
      draft.clocks = draft.clocks.filter((clock) => clock.entry !== entry.body.clock);
      break;
    case 'clock-set':
      setClock(draft, entry.body.seconds * 1000);
      break;
    case 'contact':
      draft.contacts.set(entry.body.entry, entry.body.how);
      break;
    case 'voided':
      draft.voided.set(entry.body.entry, entry.body.reason);
      break;
    case 'overruled': {
      const { entry: of, as, reason } = entry.body;
      draft.overruled.set(of, { entry: entry.id, as, reason });
      break;
    }
    case 'photo':
      draft.photos.push(entry);
      break;
    case 'lead':
      draft.lead = entry.body;
      break;
    case 'reading':
    case 'series':
    case 'answer': {
      const taken = take(draft, entry, sheet);
      if (taken) draft.taken.push(taken);
      break;
    }
    case 'skipped':
      skip(draft, entry.body, sheet);
      break;
    case 'decision':
      draft.decision = entry;
      break;
    case 'signed':
      draft.signed = entry;
      break;
    case 'withdrawn':
      break;
    default:
      // Stored logs may be newer than this code: an unknown kind is kept in the log and skipped.
      entry satisfies never;
  }
}

function applyWithdrawn(draft: Draft, entry: FoldedEntry, sheet: Sheet): void {
  if (entry.kind === 'energised') draft.energy = doubt(entry.at);
  if (entry.kind === 'reading' || entry.kind === 'series' || entry.kind === 'answer') {
    const taken = take(draft, entry, sheet);
    if (taken) draft.taken.push({ ...taken, standing: { kind: 'withdrawn' } });
  }
}

/** A timed state entered: its spell runs, and it may count as an attempt. */
function begin(draft: Draft, { at, body }: EntryOf<'window'>, sheet: Sheet): void {
  const state = findState(sheet, body.state);
  if (!state) return;
  const startedAt = Date.parse(at);
  draft.spells.set(state.id, spellOf(state, startedAt));
  if (!state.attempts) return;
  const count = (draft.attempts.get(state.id)?.count ?? 0) + 1;
  draft.attempts.set(state.id, { count, lastAt: startedAt });
}

function namedClock({ id, at, body }: EntryOf<'clock'>): NamedClock {
  const { name, meanwhile, seconds } = body;
  const startedAt = Date.parse(at);
  return { entry: id, name, meanwhile, startedAt, endsAt: startedAt + seconds * 1000 };
}

/** Everything that waits is as far off as before the device's clock was set. */
function setClock(draft: Draft, ms: number): void {
  draft.energy = shiftClock(draft.energy, ms);
  draft.clocks = draft.clocks.map((clock) => ({
    ...clock,
    startedAt: clock.startedAt + ms,
    endsAt: clock.endsAt + ms,
  }));
  for (const [id, spell] of draft.spells)
    draft.spells.set(id, {
      startedAt: spell.startedAt + ms,
      ...(spell.endsAt !== undefined && { endsAt: spell.endsAt + ms }),
    });
  for (const [id, { count, lastAt }] of draft.attempts)
    draft.attempts.set(id, { count, lastAt: lastAt + ms });
}

function readCode(draft: Draft, entry: EntryOf<'code'>, sheet: Sheet): void {
  const { shown } = entry.body;
  if (shown === null) {
    draft.noCode = true;
    return;
  }
  const listed = matchCode(sheet, shown);
  draft.codes.push({ entry: entry.id, at: entry.at, shown, ...(listed && { listed }) });
}

/** @returns undefined for a reading whose test or point the sheet lacks. */
function take(
  draft: Draft,
  entry: EntryOf<'reading'> | EntryOf<'series'> | EntryOf<'answer'>,
  sheet: Sheet,
): Taken | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test) return undefined;
  const common = {
    entry: entry.id,
    at: entry.at,
    author: entry.author,
    standing: standingAt(draft, test.state, entry),
    agreeing: 0,
  };
  if (entry.kind === 'answer') {
    if (isMeasured(test)) return undefined;
    const outcome = test.answers[entry.body.answer];
    if (outcome === undefined) return undefined;
    const { answer } = entry.body;
    return { ...common, kind: 'answer', observable: test.id, test, answer, outcome };
  }
  const point = findPoint(test, entry.body.point);
  if (!isMeasured(test) || !point) return undefined;
  const observable = observableId(test, point.id);
  if (entry.kind === 'series') {
    const expect = expectOf(test, point);
    if (!isSeries(expect)) return undefined;
    const { samples, event } = entry.body;
    const series = { samples, ...(event !== undefined && { event }) };
    const u = seriesUncertainty(sheet, test, point, series, draft.meters);
    return {
      ...common,
      kind: 'series',
      observable,
      test,
      point,
      series,
      judgement: judgeSeries(expect, series, u),
    };
  }
  const { reading, typed, contact } = entry.body;
  const given = draft.given.get(test.id);
  const lead = draft.lead ?? draft.meter?.lead;
  const judgement = judgeTaken(sheet, test, point, reading, { meters: draft.meters, lead, given });
  if (!judgement) return undefined;
  const owed = test.isolated ? pluggedIn(draft.access, test, sheet) : [];
  const standing: Standing =
    owed.length > 0 && parallelCouldExplain(judgement)
      ? { kind: 'void', because: isolationReason(owed) }
      : common.standing;
  // Nothing is touched where clicks are counted or a display is read.
  const touches = METER_FUNCTIONS[functionOf(test, point)].placing !== 'none';
  return {
    ...common,
    standing,
    kind: 'reading',
    observable,
    test,
    point,
    reading,
    typed,
    judgement: contact || !touches ? { ...judgement, contactOwed: false } : judgement,
    ...(contact && { contact: 'leads-touched' as const }),
    ...(lead && { lead }),
    ...(given !== undefined && { given }),
  };
}

/** Whether the state it belongs to still ran when it was taken. */
function standingAt(
  draft: Draft,
  state: string,
  { at }: EntryOf<'reading'> | EntryOf<'series'> | EntryOf<'answer'>,
): Standing {
  const because = lateReason(draft.spells.get(state), Date.parse(at));
  return because === undefined ? { kind: 'counts' } : { kind: 'void', because };
}

/** The latest meter comes first; taken up again, it moves to the front. */
function takeInHand(draft: Draft, meter: MeterProfile): void {
  draft.meter = meter;
  draft.meters = [meter, ...draft.meters.filter((each) => each.id !== meter.id)];
}

/** Plugs that this test wants out and that nobody has recorded as out, by name. */
function pluggedIn(access: ReadonlySet<string>, test: MeasureTest, sheet: Sheet): string[] {
  return (test.access ?? []).flatMap((id) => {
    const known = sheet.access?.find((each) => each.id === id);
    return known?.energy === 'dead' && !access.has(id) ? [known.name ?? id] : [];
  });
}

/** What a reading is judged with. */
export interface JudgedWith {
  readonly meters: readonly MeterProfile[];
  readonly lead?: LeadZero | undefined;
  readonly given?: number | undefined;
}

/**
 * Judge a reading of a test as the job would: with its meter's accuracy, its lead zero and its label.
 * @returns undefined while the figure that its limits hang on is missing, and for a series.
 */
export function judgeTaken(
  sheet: Sheet,
  test: MeasureTest,
  point: TestPoint,
  reading: Reading,
  { meters, lead, given }: JudgedWith,
): Judgement | undefined {
  const wanted = expectOf(test, point);
  if (isSeries(wanted)) return undefined;
  const expect = resolveExpectation(wanted, given, sheet.curves ?? []);
  if (!expect) return undefined;
  const fn = functionOf(test, point);
  const meter = instrumentFor(meters, sheet, dutyOf(sheet, test, point));
  const accuracy =
    meter && reading.kind === 'value' ? accuracyAt(meter, fn, reading.value) : undefined;
  return judge({
    expect,
    reading,
    function: fn,
    ...(accuracy && { meter: accuracy }),
    ...(lead && { lead }),
  });
}

/** Standard uncertainty of a figure of a series: the meter's at its largest. */
function seriesUncertainty(
  sheet: Sheet,
  test: MeasureTest,
  point: TestPoint,
  { samples }: Series,
  meters: readonly MeterProfile[],
): number {
  const meter = instrumentFor(meters, sheet, dutyOf(sheet, test, point));
  const largest = Math.max(0, ...samples.map(({ value }) => Math.abs(value)));
  const accuracy = meter && accuracyAt(meter, functionOf(test, point), largest);
  return accuracy ? ((largest * accuracy.percent) / 100 + accuracy.absolute) / Math.sqrt(3) : 0;
}

function skip(draft: Draft, body: BodyOf<'skipped'>, sheet: Sheet): void {
  const test = findTest(sheet, body.test);
  if (!test) return;
  const points =
    isMeasured(test) && body.point === undefined
      ? test.points.map((point) => point.id)
      : [body.point];
  for (const point of points) draft.skipped.set(observableId(test, point), body.reason);
}

/** What later entries say of a reading: contact proven, declared void, judged otherwise. */
function withRemarks(draft: Draft, taken: Taken): Taken {
  const overruled = draft.overruled.get(taken.entry);
  const common = overruled ? { ...taken, overruled } : taken;
  if (taken.standing.kind === 'withdrawn') return common;
  const declared = draft.voided.get(taken.entry);
  if (declared !== undefined) return { ...common, standing: { kind: 'void', because: declared } };
  if (common.kind !== 'reading' || !common.judgement.contactOwed) return common;
  const contact = draft.contacts.get(taken.entry);
  if (contact)
    return { ...common, contact, judgement: { ...common.judgement, contactOwed: false } };
  // An absence must be earned: a probe on paint shows the same.
  return common.standing.kind === 'void'
    ? common
    : { ...common, standing: { kind: 'void', because: CONTACT_OWED } };
}

export const CONTACT_OWED =
  'nothing was found there, and contact is not proven: a probe on paint shows the same';

/** One word for what a finding said, to compare it with the one before. */
export const saying = (taken: Taken): string =>
  taken.kind === 'answer'
    ? taken.outcome
    : `${taken.judgement.verdict} ${taken.judgement.verdict === 'in' ? '' : taken.judgement.outcome}`;

/** How many findings right before each one said the same of the same place. */
function countAgreeing(all: readonly Taken[]): Taken[] {
  const streak = new Map<string, { said: string; times: number }>();
  return all.map((taken) => {
    if (taken.standing.kind === 'withdrawn') return taken;
    const said = saying(taken);
    const before = streak.get(taken.observable);
    const agreeing = before?.said === said ? before.times : 0;
    streak.set(taken.observable, { said, times: agreeing + 1 });
    return { ...taken, agreeing };
  });
}

function finish(draft: Draft, log: FoldedEntry[], sheet: Sheet): JobState {
  const { contacts: _contacts, voided: _voided, overruled: _overruled, ...plain } = draft;
  const all = countAgreeing(draft.taken.map((each) => withRemarks(draft, each)));
  const last = new Map<string, Taken>();
  for (const taken of all)
    if (taken.standing.kind !== 'withdrawn') last.set(taken.observable, taken);
  const voids = voidReasons(last);
  const taken = all.map((each): Taken => {
    if (each.standing.kind === 'withdrawn') return each;
    if (last.get(each.observable) !== each) return { ...each, standing: { kind: 'repeated' } };
    const because = voids.get(each.observable);
    // Without its supply it says nothing anyway: no use asking for contact first.
    const stands = each.standing.kind === 'void' && each.standing.because !== CONTACT_OWED;
    return because === undefined || stands
      ? each
      : { ...each, standing: { kind: 'void', because } };
  });
  const current = new Map<string, Taken>();
  for (const each of taken)
    if (each.standing.kind === 'counts' || each.standing.kind === 'void')
      current.set(each.observable, each);
  const skipped = new Map([...draft.skipped].filter(([observable]) => !current.has(observable)));
  const groups = groupsOf(sheet, current, new Map(log.map((entry, i) => [entry.id, i])));
  return { ...plain, log, taken, current, groups, skipped };
}

/**
 * Every rule whose readings all stand, and those that are decided before; a void one among them leaves
 * the rule open.
 */
function groupsOf(
  sheet: Sheet,
  current: ReadonlyMap<string, Taken>,
  order: ReadonlyMap<string, number>,
): TakenGroup[] {
  return testsOf(sheet).flatMap((test) => {
    if (!isMeasured(test)) return [];
    return (test.together ?? []).flatMap((rule): TakenGroup[] => {
      const wanted = rulePoints(test, rule).map((id) => current.get(observableId(test, id)));
      const taken = wanted.filter(
        (each): each is TakenReading => each?.kind === 'reading' && each.standing.kind === 'counts',
      );
      if (taken.length === 0) return [];
      const readings = taken.map(groupReading);
      const whole = taken.length === wanted.length;
      const judgement = whole ? judgeTogether(rule, readings) : judgeEarly(rule, readings);
      if (!judgement) return [];
      const last = taken.reduce((a, b) => (order.get(b.entry)! > order.get(a.entry)! ? b : a));
      return [
        {
          entry: last.entry,
          observable: `${test.id}@${rule.id}`,
          test,
          rule,
          judgement,
          of: wanted.length,
          taken: taken.length,
        },
      ];
    });
  });
}

function groupReading({ test, point, reading, judgement }: TakenReading): GroupReading {
  return {
    id: point.id,
    unit: expectOf(test, point).unit,
    reading,
    judgement,
    ...(point.red !== undefined && { red: point.red }),
    ...(point.black !== undefined && { black: point.black }),
  };
}

/** From the log to the present state of the job. Pure: the same entries give the same state. */
import { matchCode } from '../codes/match';
import { judge, type Judgement, type LeadZero, type Reading } from '../judge/judge';
import { accuracyAt, type MeterProfile } from '../meter/profile';
import { findPoint, findTest } from '../sheet/lookup';
import { observableId } from '../sheet/observables';
import type { AskTest, MeasureTest, Sheet, SheetCode, TestPoint } from '../sheet/schema';
import { AS_FOUND, afterSafeStep, doubt, energise, type Energy } from './energy';
import { inLogOrder, type BodyOf, type EntryOf, type StoredEntry } from './entries';
import { voidReasons } from './prerequisites';

/** What became of a reading or answer. */
export type Standing =
  | { readonly kind: 'counts' }
  /** A later reading of the same point took its place. */
  | { readonly kind: 'repeated' }
  | { readonly kind: 'withdrawn' }
  /** Neither pass nor fail, and why. */
  | { readonly kind: 'void'; readonly because: string };

interface TakenCommon {
  readonly entry: string;
  readonly at: string;
  readonly author: string;
  readonly observable: string;
  readonly standing: Standing;
}
export interface TakenReading extends TakenCommon {
  readonly kind: 'reading';
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly reading: Reading;
  readonly typed: string;
  readonly judgement: Judgement;
  readonly lead?: LeadZero;
}
export interface TakenAnswer extends TakenCommon {
  readonly kind: 'answer';
  readonly test: AskTest;
  readonly answer: string;
  readonly outcome: string;
}
export type Taken = TakenReading | TakenAnswer;

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
  readonly meter: MeterProfile | null;
  readonly energy: Energy;
  readonly arrived?: EntryOf<'arrived'>;
  readonly observed: readonly EntryOf<'observed'>[];
  readonly codes: readonly ShownCode[];
  /** The display was read and shows no code. */
  readonly noCode: boolean;
  readonly access: ReadonlySet<string>;
  readonly lead?: LeadZero;
  /** Every reading and answer in order, whatever became of it. */
  readonly taken: readonly Taken[];
  /** The one that stands for each observable, `counts` or `void`. */
  readonly current: ReadonlyMap<string, Taken>;
  /** Points and questions left out on purpose, by observable, with the reason. */
  readonly skipped: ReadonlyMap<string, string>;
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
  return finish(draft, log);
}

interface Draft {
  complaint: string;
  meter: MeterProfile | null;
  energy: Energy;
  arrived?: EntryOf<'arrived'>;
  observed: EntryOf<'observed'>[];
  codes: ShownCode[];
  noCode: boolean;
  access: Set<string>;
  lead?: LeadZero;
  taken: Taken[];
  skipped: Map<string, string>;
  decision?: EntryOf<'decision'>;
  signed?: EntryOf<'signed'>;
}

function emptyDraft(): Draft {
  return {
    complaint: '',
    meter: null,
    energy: AS_FOUND,
    observed: [],
    codes: [],
    noCode: false,
    access: new Set(),
    taken: [],
    skipped: new Map(),
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
      draft.meter = entry.body.meter;
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
      draft.access.add(entry.body.access);
      break;
    case 'safed':
      draft.energy = afterSafeStep(draft.energy, entry, sheet, draft.meter);
      break;
    case 'energised':
      draft.energy = energise(entry.at);
      break;
    case 'lead':
      draft.lead = entry.body;
      break;
    case 'reading':
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
  if (entry.kind === 'reading' || entry.kind === 'answer') {
    const taken = take(draft, entry, sheet);
    if (taken) draft.taken.push({ ...taken, standing: { kind: 'withdrawn' } });
  }
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
  entry: EntryOf<'reading'> | EntryOf<'answer'>,
  sheet: Sheet,
): Taken | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test) return undefined;
  const common = {
    entry: entry.id,
    at: entry.at,
    author: entry.author,
    standing: { kind: 'counts' as const },
  };
  if (entry.kind === 'answer') {
    if (test.how === 'measure') return undefined;
    const outcome = test.answers[entry.body.answer];
    if (outcome === undefined) return undefined;
    const { answer } = entry.body;
    return { ...common, kind: 'answer', observable: test.id, test, answer, outcome };
  }
  const point = findPoint(test, entry.body.point);
  if (test.how !== 'measure' || !point) return undefined;
  const { reading, typed } = entry.body;
  return {
    ...common,
    kind: 'reading',
    observable: observableId(test, point.id),
    test,
    point,
    reading,
    typed,
    judgement: judgeTaken(test, reading, draft.meter, draft.lead),
    ...(draft.lead && { lead: draft.lead }),
  };
}

/** Judge a reading of a test as the job would: with its meter's accuracy and its lead zero. */
export function judgeTaken(
  test: MeasureTest,
  reading: Reading,
  meter: MeterProfile | null,
  lead: LeadZero | undefined,
): Judgement {
  const accuracy =
    meter && reading.kind === 'value' ? accuracyAt(meter, test.function, reading.value) : undefined;
  return judge({
    expect: test.expect,
    reading,
    function: test.function,
    ...(accuracy && { meter: accuracy }),
    ...(lead && { lead }),
  });
}

function skip(draft: Draft, body: BodyOf<'skipped'>, sheet: Sheet): void {
  const test = findTest(sheet, body.test);
  if (!test) return;
  const points =
    test.how === 'measure' && body.point === undefined
      ? test.points.map((point) => point.id)
      : [body.point];
  for (const point of points) draft.skipped.set(observableId(test, point), body.reason);
}

function finish(draft: Draft, log: FoldedEntry[]): JobState {
  const last = new Map<string, Taken>();
  for (const taken of draft.taken)
    if (taken.standing.kind === 'counts') last.set(taken.observable, taken);
  const voids = voidReasons(last);
  const taken = draft.taken.map((each): Taken => {
    if (each.standing.kind !== 'counts') return each;
    if (last.get(each.observable) !== each) return { ...each, standing: { kind: 'repeated' } };
    const because = voids.get(each.observable);
    return because === undefined ? each : { ...each, standing: { kind: 'void', because } };
  });
  const current = new Map<string, Taken>();
  for (const each of taken)
    if (each.standing.kind === 'counts' || each.standing.kind === 'void')
      current.set(each.observable, each);
  const skipped = new Map([...draft.skipped].filter(([observable]) => !current.has(observable)));
  return { ...draft, log, taken, current, skipped };
}

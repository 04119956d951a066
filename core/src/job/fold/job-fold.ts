/**
 * A log being folded, entry by entry: what comes last goes on from where the fold stands, and only what
 * changes an earlier entry (withdrawn, or written before others arrived) folds from the start again.
 *
 * Everything that can be long is a generator that yields every few entries: whoever must not block goes
 * through it in slices, everybody else in one go.
 */
import type { Sheet, WrittenSheet } from '../../sheet/schema';
import { apply } from './apply';
import { copyOf, emptyDraft, type Draft } from '../state/draft';
import { kindOf } from '../kinds/index';
import type { FoldedEntry, LoggedEntry } from '../log/entry';
import { finish, type Finished } from './finish';
import { inLogOrder, seenBy } from '../log/log-order';
import { jobSheet } from './job-sheet';
import type { JobState, Taken } from '../state/state';

/** Entries between two yields: well below a millisecond each. */
const SLICE = 50;

/** Where a fold stood, to go back to. */
export interface Mark {
  readonly draft: Draft;
  readonly log: FoldedEntry[];
  readonly length: number;
  readonly places: Map<string, number>;
  readonly withdrawn: Map<string, string>;
  readonly newest: Map<string, number>;
  readonly dangers: readonly LoggedEntry[];
  readonly sheet: Sheet;
}

export class JobFold {
  #draft = emptyDraft();
  #log: FoldedEntry[] = [];
  #places = new Map<string, number>();
  /** By the entry that was withdrawn, the first entry that did. */
  #withdrawn = new Map<string, string>();
  /** The highest number of each device. */
  #newest = new Map<string, number>();
  #dangers: readonly LoggedEntry[] = [];
  #sheet: Sheet;

  /** @param written - The sheet as it is stored; it is written out for the machine as the log says it is. */
  constructor(
    readonly written: WrittenSheet,
    entries: readonly LoggedEntry[] = [],
  ) {
    this.#sheet = jobSheet(written, entries);
    inOneGo(this.fold(entries));
  }

  /** The sheet as it is for the machine of this log. */
  get sheet(): Sheet {
    return this.#sheet;
  }

  get length(): number {
    return this.#log.length;
  }

  /** The entries in the order in which they fold. */
  get log(): readonly FoldedEntry[] {
    return this.#log;
  }

  find(id: string): FoldedEntry | undefined {
    const place = this.#places.get(id);
    return place === undefined ? undefined : this.#log[place];
  }

  /**
   * Whether an entry folds after everything that is here. Always so on one device; beside others, when its
   * device had seen all that they wrote.
   */
  comesLast(entry: LoggedEntry): boolean {
    if (entry.seq === undefined) return false;
    const device = entry.device ?? '';
    const seen = seenBy(entry, Infinity);
    for (const [other, newest] of this.#newest)
      if (newest > (other === device ? entry.seq - 1 : seen)) return false;
    return true;
  }

  /** Fold one more entry; from the start again where it changes what came before it. */
  *add(entry: LoggedEntry): Generator<void, void> {
    const target = kindOf(entry)?.withdraws?.(entry);
    const changesEarlier =
      target !== undefined && this.#places.has(target) && !this.#withdrawn.has(target);
    if (changesEarlier || kindOf(entry)?.reshapes || !this.comesLast(entry))
      yield* this.fold([...this.#log, entry]);
    else this.#append(entry);
  }

  /**
   * This fold with one more entry, which has the last place in the log's order; it stays as it is itself.
   * Undefined where the entry changes what came before it.
   */
  followedBy(entry: LoggedEntry): JobFold | undefined {
    const target = kindOf(entry)?.withdraws?.(entry);
    const earlier = target !== undefined && this.#places.has(target);
    if (earlier || kindOf(entry)?.reshapes) return undefined;
    const next = new JobFold(this.written);
    next.#sheet = this.#sheet;
    next.#draft = copyOf(this.#draft);
    next.#log = [...this.#log];
    next.#places = new Map(this.#places);
    next.#newest = new Map(this.#newest);
    next.#dangers = this.#dangers;
    next.#withdrawn = new Map(this.#withdrawn);
    next.#append(entry);
    return next;
  }

  /** Forget what is here and fold these, in any order. */
  *fold(entries: readonly LoggedEntry[]): Generator<void, void> {
    const ordered = inLogOrder(entries);
    this.#sheet = jobSheet(this.written, ordered);
    this.#draft = emptyDraft();
    this.#log = [];
    this.#places = new Map();
    this.#newest = new Map();
    this.#dangers = [];
    this.#withdrawn = new Map();
    for (const entry of ordered) this.#noteWithdrawal(entry);
    for (const [i, entry] of ordered.entries()) {
      this.#append(entry);
      if (i % SLICE === SLICE - 1) yield;
    }
  }

  /**
   * The state after the last entry. What needs a look at everything taken is reckoned when it is first
   * asked for; good until the next entry is added.
   */
  state(): JobState {
    const [draft, log, places, dangers] = [this.#draft, this.#log, this.#places, this.#dangers];
    const crossings = this.#newest.size > 1;
    let finished: Finished | undefined;
    const whole = () =>
      (finished ??= finish(draft, { sheet: this.#sheet, log, places, dangers, crossings }));
    let taken: readonly Taken[] | undefined;
    return {
      log,
      ...plainPartsOf(draft),
      get taken() {
        return (taken ??= whole().taken());
      },
      get current() {
        return whole().current;
      },
      get groups() {
        return whole().groups;
      },
      get pastGroups() {
        return whole().pastGroups;
      },
      get skipped() {
        return whole().skipped;
      },
    };
  }

  mark(): Mark {
    return {
      draft: copyOf(this.#draft),
      log: this.#log,
      length: this.#log.length,
      places: this.#places,
      withdrawn: new Map(this.#withdrawn),
      newest: new Map(this.#newest),
      dangers: this.#dangers,
      sheet: this.#sheet,
    };
  }

  /** As if nothing had been added since. A mark is used once. */
  backTo(mark: Mark): void {
    for (const { id } of mark.log.slice(mark.length)) mark.places.delete(id);
    mark.log.length = mark.length;
    this.#draft = mark.draft;
    this.#log = mark.log;
    this.#places = mark.places;
    this.#withdrawn = mark.withdrawn;
    this.#newest = mark.newest;
    this.#dangers = mark.dangers;
    this.#sheet = mark.sheet;
  }

  #noteWithdrawal(entry: LoggedEntry): void {
    const target = kindOf(entry)?.withdraws?.(entry);
    if (target !== undefined && !this.#withdrawn.has(target)) this.#withdrawn.set(target, entry.id);
  }

  #append(plain: LoggedEntry): void {
    this.#noteWithdrawal(plain);
    const { withdrawnBy: _before, ...bare }: FoldedEntry = plain;
    const by = this.#withdrawn.get(plain.id);
    const entry: FoldedEntry = by === undefined ? bare : { ...bare, withdrawnBy: by };
    this.#places.set(entry.id, this.#log.length);
    this.#log.push(entry);
    const device = entry.device ?? '';
    this.#newest.set(device, Math.max(this.#newest.get(device) ?? 0, entry.seq ?? Infinity));
    if (kindOf(entry)?.endangers) this.#dangers = [...this.#dangers, entry];
    apply(this.#draft, entry, this.#sheet);
  }
}

/** What of a draft is the state as it stands. */
function plainPartsOf(draft: Draft): Omit<JobState, 'log' | keyof Finished> {
  return {
    complaint: draft.complaint,
    ...(draft.continues && { continues: draft.continues }),
    meter: draft.meter,
    meters: draft.meters,
    energy: draft.energy,
    ...(draft.danger && { danger: draft.danger }),
    everDead: draft.everDead,
    stores: draft.stores,
    ...(draft.arrived && { arrived: draft.arrived }),
    observed: draft.observed,
    codes: draft.codes,
    noCode: draft.noCode,
    access: draft.access,
    accessBack: draft.accessBack,
    accessUnknown: draft.accessUnknown,
    ...(draft.lead && { lead: draft.lead }),
    given: draft.given,
    givenAt: draft.givenAt,
    ...(draft.licence && { licence: draft.licence }),
    spells: draft.spells,
    attempts: draft.attempts,
    clocks: draft.clocks,
    photos: draft.photos,
    compared: draft.compared,
    ...(draft.twins && { twins: draft.twins }),
    works: draft.works,
    epochs: draft.epochs,
    ...(draft.entered && { entered: draft.entered }),
    ...(draft.histories.length > 0 && { histories: draft.histories }),
    symptoms: draft.symptoms,
    looked: draft.looked,
    rules: draft.rules,
    asked: draft.asked,
    matched: draft.matched,
    ...(draft.accepted && { accepted: draft.accepted }),
    ticks: draft.ticks,
    settings: draft.settings,
    watched: draft.watched,
    followUps: draft.followUps,
    ...(draft.decision && { decision: draft.decision }),
    ...(draft.signed && { signed: draft.signed }),
    ...(draft.countersigned &&
      draft.countersigned.body.signature === draft.signed?.id && {
        countersigned: draft.countersigned,
      }),
  };
}

/** Run through something long without a pause. */
export function inOneGo<T>(steps: Generator<void, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

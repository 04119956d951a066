/** Writing down a finished visit, entry by entry, as a device would have. */
import type { MeterProfile } from '@jeitinho/core';
import { assess } from '@jeitinho/core/diagnose';
import {
  foldJob,
  jobSheet,
  judgeTaken,
  leftOpen,
  limitsAt,
  liveStateAt,
  mendedOf,
  owedAtSigning,
  type BodyOf,
  type EntryKind,
  type LogEntry,
  type StoredEntry,
} from '@jeitinho/core/job';
import { limitsOf, type Reading } from '@jeitinho/core/judge';
import {
  findTest,
  functionOf,
  isMeasured,
  type MeasureTest,
  type Test,
  type TestPoint,
  wantsOf,
} from '@jeitinho/core/sheet';
import { id } from './ids';
import { nextProvingStep } from './prove-dead';
import { newestWritten } from './sheets';
import type { DemoJob } from './types';

export interface VisitHead {
  readonly jobId: number;
  /** Entries are numbered from here. */
  readonly entriesFrom: number;
  readonly unitId: string;
  readonly sheetId: string;
  /** ISO 8601, UTC. */
  readonly openedAt: string;
  readonly complaint: string;
  readonly author: string;
  readonly meter: MeterProfile;
  /** Whether presses were counted by then. */
  readonly counted?: boolean;
}

/** A figure is typed and kept; of what is said, the choice and its button. */
function pressesFor(body: object): number {
  const typed = 'value' in body && typeof body.value === 'number' ? `${body.value}`.length : 1;
  return typed + 1;
}

export class VisitLog {
  readonly entries: LogEntry[] = [];
  private minute = 0;

  constructor(private readonly head: VisitHead) {}

  add<K extends EntryKind>(kind: K, body: BodyOf<K>, minutes = 1): this {
    this.minute += minutes;
    this.entries.push({
      id: id(this.head.entriesFrom + this.entries.length + 1),
      kind,
      at: new Date(Date.parse(this.head.openedAt) + this.minute * 60_000).toISOString(),
      author: this.head.author,
      ...(this.head.counted && { presses: pressesFor(body) }),
      body,
      // Kind and body belong together by the types of the arguments.
    } as unknown as LogEntry);
    return this;
  }

  arrive(...observed: string[]): this {
    this.add('arrived', { plate: 'matches', note: '' });
    for (const text of observed) this.add('observed', { text });
    if (this.sheet.safety.licences?.length)
      this.add('licence', { held: true, who: this.head.author }, 0);
    return this;
  }

  /** Which machine it is, by what was seen there. */
  variant(asked: string, answer: string): this {
    return this.add('variant', { asked, answer });
  }

  code(shown: string | null): this {
    return this.add('code', { shown });
  }

  /** Isolated, waited, every pair proven dead with its stores at so many volts. */
  dead(storeVolts: number): this {
    for (;;) {
      const step = nextProvingStep(this.sheet, this.state(), { store: storeVolts }, this.now());
      if (!step) return this;
      this.add(step.kind, step.body, step.wait);
    }
  }

  live(): this {
    const second = this.sheet.safety.secondPerson ? { second: 'Site electrician' } : {};
    return this.add('energised', { precautions: true, ...second }, 2);
  }

  /** Opened or pulled, where that was not done on the way to proving it dead. */
  access(...names: string[]): this {
    const { access: open } = this.state();
    for (const access of names) if (!open.has(access)) this.add('access', { access });
    return this;
  }

  /** Enters the live state that a test wants, where the machine is in another. */
  private enter(test: Test): void {
    const wants = wantsOf(this.sheet, test);
    if (wants.energy === 'dead' || wants.state.energy !== 'live') return;
    if (liveStateAt(this.sheet, this.state(), this.now()) === wants.state.id) return;
    this.add('window', { state: wants.state.id }, 1);
  }

  /** Takes a figure, or OL. */
  read(test: string, point: string, value: number | 'OL'): this {
    const found = findTest(this.sheet, test);
    if (!found || !isMeasured(found)) throw new Error(`no measuring in “${test}”`);
    const place = found.points.find((each) => each.id === point);
    if (!place) throw new Error(`“${test}” has no point “${point}”`);
    this.enter(found);
    const { meters, lead, given } = this.state();
    const reading: Reading = value === 'OL' ? { kind: 'overload' } : { kind: 'value', value };
    const judged = judgeTaken(this.sheet, found, place, reading, {
      meters,
      lead,
      given: given.get(test),
    });
    return this.add('reading', {
      test,
      point,
      function: functionOf(found, place),
      reading,
      typed: String(value),
      // Nothing there counts only with contact proven.
      ...(judged?.contactOwed && { contact: true as const }),
    });
  }

  answer(test: string, answer: string): this {
    const found = findTest(this.sheet, test);
    if (found) this.enter(found);
    return this.add('answer', { test, answer });
  }

  /** Decides on a part, as likely as it stands now. */
  decide(part: string, reason = ''): this {
    const state = this.state();
    const { parts } = assess(this.sheet, state);
    const chosen = parts.find((each) => each.part.id === part)!;
    return this.add('decision', {
      action: 'replace',
      part,
      leading: parts[0]!.part.id,
      probability: Math.round(chosen.p * 1e4) / 1e4,
      reason,
    });
  }

  /** Takes another meter in hand. */
  meter(profile: MeterProfile): this {
    return this.add('meter', { meter: profile });
  }

  /** Fits the part that was decided on: to be called on a machine that is proven dead. */
  fitPart(part: string, from: { readonly batch?: string; readonly supplier?: string } = {}): this {
    return this.add('work', { what: 'fitted', part, ...from, note: '' }, 20);
  }

  /** Reads again what was bad, good now, and carries the sheet's own proofs out. */
  prove(): this {
    const { proof, steps } = mendedOf(this.sheet, this.state())!;
    for (const taken of proof.owed) {
      const { energy } = this.state();
      const { state } = wantsOf(this.sheet, taken.test);
      if (state.energy === 'live' && energy.kind !== 'live') this.live();
      if (taken.kind === 'answer') this.answer(taken.test.id, Object.keys(taken.test.answers)[0]!);
      else this.read(taken.test.id, taken.point.id, this.goodAt(taken.test, taken.point));
    }
    if (steps.length > 0 && this.state().energy.kind !== 'live') this.live();
    for (const { procedure, at } of steps)
      if (procedure.steps[at]?.watch)
        this.add('watched', { procedure: procedure.id, step: at, seen: true, note: '' }, 15);
      else this.add('ticked', { procedure: procedure.id, what: 'step', at }, 5);
    return this;
  }

  /** The middle of what is good there. */
  private goodAt(test: MeasureTest, point: TestPoint): number | 'OL' {
    const expect = limitsAt(this.sheet, this.state(), test, point);
    if (!expect) throw new Error(`nothing is known of “${test.id}”`);
    const { low, high } = limitsOf(expect);
    if (Number.isFinite(low) && Number.isFinite(high)) return (low + high) / 2;
    return Number.isFinite(low) ? low * 2 : high / 2;
  }

  /** @param ahead - What is to come after it, counted from the day of seeding. */
  sign(customer: string, note: string, ahead: DemoJob['ahead'] = []): DemoJob {
    const { energy } = this.state();
    // Put back in the order it came off; plugs on the dead machine, before it is given back.
    for (const { id: access } of leftOpen(this.sheet, this.state()))
      if (energy.kind === 'dead' || !this.wantsDead(access))
        this.add('access', { access, back: true });
    const state = this.state();
    const left = {
      energy: state.energy.kind,
      note: '',
      open: leftOpen(this.sheet, state).map(({ id: access }) => ({
        access,
        reason: 'Waits for the part; left switched off and marked.',
      })),
    };
    const owed = owedAtSigning(this.sheet, state).length > 0 && {
      owed: 'The work came after this log; what was told says which.',
    };
    this.add('signed', { technician: this.head.author, customer, note, left, ...owed }, 5);
    const { jobId, unitId, complaint, openedAt } = this.head;
    return {
      ...{ id: id(jobId), unitId, urgent: false, complaint, openedAt, entries: this.entries },
      ahead,
    };
  }

  private now(): number {
    return Date.parse(this.head.openedAt) + this.minute * 60_000;
  }

  private wantsDead(access: string): boolean {
    return this.sheet.access?.find((each) => each.id === access)?.energy === 'dead';
  }

  /** As it is for the machine that was found. */
  private get sheet() {
    return jobSheet(newestWritten(this.head.sheetId), this.log());
  }

  private state() {
    return foldJob(newestWritten(this.head.sheetId), this.log());
  }

  private log(): StoredEntry[] {
    const opened = {
      id: id(this.head.entriesFrom),
      seq: 1,
      kind: 'opened',
      at: this.head.openedAt,
      author: this.head.author,
      body: { complaint: this.head.complaint, meter: this.head.meter, rules: 2 },
    } as StoredEntry;
    return [opened, ...this.entries.map((entry, i) => ({ ...entry, seq: i + 2 }) as StoredEntry)];
  }
}

/**
 * One simulated meter on one job: the leads are put somewhere, the dial is turned, and lines come out
 * four times a second. What it answers depends on the job's log and on a fault nobody is told.
 */
import { METER_FUNCTIONS, type MeterLine } from '@jeitinho/core';
import {
  answerOf,
  askTests,
  type Face,
  faceOf,
  hazardWords,
  indicationOf,
  killedAt,
  specimenNow,
  type BenchedSheet,
  type Hazard,
  type Placement,
  type Probed,
} from '@jeitinho/core/bench';
import { goneBy } from '@jeitinho/core/job';
import { hiddenFaultOf } from '../store/benches';
import { withJobState } from '../store/hot-jobs';
import type { Bench } from '../store/models/bench';
import type { Store } from '../store/models/index';
import type { BenchPool } from './bench-pool';
import type { HandMessage } from './hand-message';

const UPDATE_MS = 250;
/** A stretch of readings that is solved at once; what goes on changing is solved again after it. */
const STRETCH_SECONDS = 20;

/** What is told beside readings. */
export type MeterEvent =
  | { readonly event: 'hazard'; readonly kind: Hazard['kind']; readonly text: string }
  | { readonly event: 'look'; readonly test: string; readonly answer: string }
  /** Dark: it has no power, and shows nothing. */
  | { readonly event: 'face'; readonly face: Face; readonly dark: boolean }
  | { readonly event: 'trouble'; readonly text: string }
  | { readonly event: 'fuse'; readonly whole: boolean };

export interface SessionOptions {
  readonly store: Store;
  readonly pool: BenchPool;
  readonly bench: Bench;
  readonly sheet: BenchedSheet;
  readonly send: (line: MeterLine | MeterEvent) => void;
  readonly now?: () => number;
}

/** A figure that is not known to be right is not shown; what to do is said instead. */
const unsolvedWords = ({ message }: Error): string =>
  `The simulated meter shows nothing here: its circuit could not be solved. Measure at another place, or on a real unit. For the author of the sheet: ${message}.`;

export class MeterSession {
  readonly #o: SessionOptions;
  readonly #now: () => number;
  readonly #started: number;
  #placement: Placement | undefined;
  #probed: Probed | undefined;
  /** The leads were just moved and the circuit is being solved: no figure is better than the old one. */
  #settling = false;
  /** The circuit could not be solved: no figure until the leads are moved. */
  #failed = false;
  #index = 0;
  #turn = 0;
  /** How far the device’s clock is ahead of ours, ms. */
  #ahead = 0;
  /** Answers of an earlier placement come too late. */
  #asked = 0;
  #solving = false;
  /** Something was asked since the one being solved. */
  #again = false;
  #timer: ReturnType<typeof setInterval> | undefined;

  constructor(options: SessionOptions) {
    this.#o = options;
    this.#now = options.now ?? Date.now;
    this.#started = this.#now();
  }

  start(): void {
    this.#timer = setInterval(() => this.#update(), UPDATE_MS);
    this.#o.send({ event: 'fuse', whole: !this.#o.bench.marks.meterFuse });
  }

  stop(): void {
    clearInterval(this.#timer);
    this.#asked += 1;
  }

  async take(message: HandMessage): Promise<void> {
    if (message.do === 'place') {
      this.#placement = message.placement;
      this.#ahead = message.at - this.#now();
      this.#settling = true;
      this.#failed = false;
      await this.#solve();
    } else if (message.do === 'lift') {
      this.#asked += 1;
      this.#placement = this.#placement && { function: this.#placement.function };
      this.#probed = undefined;
      this.#settling = false;
      this.#failed = false;
    } else if (message.do === 'replace-fuse') {
      await this.#mark({ meterFuse: false });
      this.#o.send({ event: 'fuse', whole: true });
    } else if (message.do === 'face') await this.#face();
    else await this.#look(message.test);
  }

  async #state() {
    const { store, bench, sheet } = this.#o;
    const { access, energy, gone } = await withJobState(
      store,
      bench.jobId,
      // A state is good until the next entry: what is used of it is copied.
      (state) => ({
        access: [...state.access].sort(),
        energy: state.energy,
        gone: goneBy(sheet, state.works),
      }),
    );
    const isolated = energy.kind === 'live' ? undefined : energy.isolatedAt;
    return {
      access,
      gone,
      isolatedFor:
        isolated === undefined
          ? undefined
          : Math.max(0, (this.#now() + this.#ahead - Date.parse(isolated)) / 1000),
    };
  }

  /** One circuit at a time: of what is asked while one is being solved, only the latest matters. */
  async #solve(): Promise<void> {
    this.#asked += 1;
    this.#again = true;
    if (this.#solving) return;
    this.#solving = true;
    try {
      while (this.#again) {
        this.#again = false;
        await this.#solveOnce();
      }
    } finally {
      this.#solving = false;
    }
  }

  async #solveOnce(): Promise<void> {
    const placement = this.#placement;
    if (!placement) return;
    const mine = this.#asked;
    this.#turn += 1;
    const { sheet, bench, pool } = this.#o;
    try {
      const { access, gone, isolatedFor } = await this.#state();
      const specimen = specimenNow(sheet, hiddenFaultOf(bench), gone, bench.marks.killed);
      const probed = await pool.probe({
        key: `${sheet.id} ${sheet.revision} ${JSON.stringify(sheet.chosen)}`,
        sheet,
        specimen,
        placement,
        facts: { access, isolatedFor },
        seconds: STRETCH_SECONDS,
        turn: this.#turn,
      });
      if (mine !== this.#asked) return;
      this.#probed = probed;
      this.#settling = false;
      this.#index = 0;
      for (const hazard of probed.hazards) await this.#suffer(hazard);
    } catch (error) {
      if (mine !== this.#asked) return;
      this.#probed = undefined;
      this.#settling = false;
      this.#failed = true;
      this.#o.send({ event: 'trouble', text: unsolvedWords(error as Error) });
    }
  }

  /** Told, and remembered where something would be broken now. */
  async #suffer(hazard: Hazard): Promise<void> {
    const { sheet, bench, send } = this.#o;
    const placeName = (node: string) =>
      Object.entries(sheet.bench.nodes).find(([, each]) => each.toLowerCase() === node)?.[0] ??
      node;
    send({ event: 'hazard', kind: hazard.kind, text: hazardWords(hazard, placeName) });
    if (hazard.kind === 'meter-fuse') {
      await this.#mark({ meterFuse: true });
      send({ event: 'fuse', whole: false });
    }
    if (hazard.kind === 'destroyed') {
      const fault = killedAt(sheet, hazard.node);
      if (fault) await this.#mark({ killed: [...new Set([...(bench.marks.killed ?? []), fault])] });
    }
  }

  async #mark(marks: Partial<Bench['marks']>): Promise<void> {
    await this.#o.bench.update({ marks: { ...this.#o.bench.marks, ...marks } });
  }

  async #look(id: string): Promise<void> {
    const { sheet, bench, send } = this.#o;
    const test = askTests(sheet).find((each) => each.id === id);
    if (!test)
      return send({ event: 'trouble', text: `There is no question “${id}” on this sheet.` });
    const { gone } = await this.#state();
    send({ event: 'look', test: id, answer: answerOf(sheet, test, hiddenFaultOf(bench), gone) });
  }

  async #face(): Promise<void> {
    const { sheet, bench, send } = this.#o;
    const { gone, isolatedFor } = await this.#state();
    const face = faceOf(sheet, hiddenFaultOf(bench), gone);
    send({ event: 'face', face, dark: isolatedFor !== undefined });
  }

  #update(): void {
    const placement = this.#placement;
    if (!placement || this.#settling || this.#failed) return;
    const t = (this.#now() - this.#started) / 1000;
    const fn = placement.function;
    const unit = METER_FUNCTIONS[fn].unit ?? '';
    const updates = this.#probed?.updates ?? [];
    const amps = fn === 'A=' || fn === 'A~';
    if (amps && this.#o.bench.marks.meterFuse)
      return this.#o.send({ t, fn, value: 0, unit, flags: ['auto', 'fuse'] });
    if (updates.length === 0) {
      const open = METER_FUNCTIONS[fn].deadOnly;
      this.#o.send({
        t,
        fn,
        value: open ? null : 0,
        unit,
        flags: open ? ['auto', 'OL'] : ['auto'],
      });
      return;
    }
    const at = Math.min(this.#index, updates.length - 1);
    const { value, flags: remarks = [] } = updates[at]!;
    const stable = at > 0 && updates[at - 1]!.value === value;
    this.#o.send({
      t,
      fn,
      value,
      unit,
      flags: [...indicationOf(fn, value, remarks).flags, ...(stable ? ['stable'] : [])],
    });
    this.#index += 1;
    if (this.#index === updates.length && !this.#probed!.rests) void this.#solve();
  }
}

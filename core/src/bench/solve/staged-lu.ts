/**
 * Sparse LU of a real matrix in two stages. Most of a circuit stays as it is while Newton's method
 * looks for the voltages of a few junctions: it is eliminated once a step (`begin`), and every
 * iteration goes on from there with the few unknowns that are left (`resume`). Where what is left is as
 * good as everything, as in a net with a junction at every third node, holding it back fills the matrix
 * for nothing: then all is eliminated in every iteration, in the order that is best for all. Orders are
 * kept, see `elimination.ts`, until a pivot has become too small for its row.
 */
import { abs, isFinite } from '../arithmetic';
import type { Factored } from './complex-lu';
import {
  findOrder,
  largestOf,
  STALE,
  type Entry,
  type Order,
  type Place,
  type Program,
} from './elimination';
import { Recent } from '../recent';
import type { Pattern } from './pattern';

/** Multiplications of a second stage from which on the other way is looked at. */
const MUCH = 2000;
/** Iterations that one first stage serves: few in a step of time, more at an operating point. */
const ITERATIONS = 3;

/** An order found for a pattern: first what stays, then, of the entries in `rest`, what changes. */
interface Orders {
  readonly early: Program;
  readonly rest: readonly Place[];
  late: Program | undefined;
  /** Whether holding back was weighed against not doing so. */
  weighed: boolean;
  /** Where the entries of the second stage come from. */
  readonly from: Int32Array;
  /** Hot slots, and where among those entries they are. */
  readonly hotFrom: Int32Array;
  readonly hotTo: Int32Array;
}

const orders = new Recent<Orders>(200);

export class StagedLu {
  readonly #pattern: Pattern;
  /** Slots whose values change in every iteration. */
  readonly #hot: readonly number[];
  readonly #open: ReadonlySet<number>;
  readonly #key: string;
  #orders: Orders | undefined;
  /** The step's values as given, and after the first stage. */
  #given: Float64Array = new Float64Array(0);
  #givenB: Float64Array = new Float64Array(0);
  #early = new Float64Array(0);
  /** What that was eliminated from: steps of one length have the same matrix. */
  readonly #eliminated: Float64Array;
  readonly #earlyB: Float64Array;
  /** Entries of the second stage, side by side. */
  #late = new Float64Array(0);
  readonly #lateB: Float64Array;

  /**
   * @param hot - Slots that change from one iteration to the next.
   * @param read - Unknowns that must be known in every iteration, besides those of the hot slots.
   */
  constructor(pattern: Pattern, hot: readonly number[], read: readonly number[]) {
    this.#pattern = pattern;
    this.#hot = hot;
    const late = new Set(read);
    for (const slot of hot) late.add(pattern.rows[slot] ?? 0).add(pattern.columns[slot] ?? 0);
    const open = new Set<number>();
    for (let i = 0; i < pattern.size; i += 1) if (!late.has(i)) open.add(i);
    this.#open = open;
    this.#key = `${pattern.key}|${hot.join()}|${read.join()}`;
    this.#eliminated = new Float64Array(pattern.count).fill(NaN);
    this.#earlyB = new Float64Array(pattern.size + 1);
    this.#lateB = new Float64Array(pattern.size + 1);
  }

  /** Multiplications of one iteration. */
  get work(): number {
    return this.#orders?.late?.targets.length ?? this.#pattern.size;
  }

  /** First stage. Neither `a` (by slot) nor `b` (by row) is changed; both are looked at again. */
  begin(a: Float64Array, b: Float64Array): void {
    this.#given = a;
    this.#givenB = b;
    this.#orders ??= orders.get(this.#key);
    const anew = !this.#isEliminated(a);
    if (!this.#orders || (anew && !this.#eliminate(this.#orders.early, a, false))) this.#order(a);
    if (anew) this.#eliminated.set(a);
    this.#forwardEarly();
  }

  #isEliminated(a: Float64Array): boolean {
    const before = this.#eliminated;
    for (let slot = 0; slot < before.length; slot += 1) if (a[slot] !== before[slot]) return false;
    return true;
  }

  #forwardEarly(): void {
    this.#earlyB.set(this.#givenB);
    forward(this.#orders!.early, this.#early, this.#earlyB);
  }

  #eliminate(program: Program, a: Float64Array, fresh: boolean): boolean {
    if (this.#early.length !== program.slots) this.#early = new Float64Array(program.slots);
    else this.#early.fill(0, a.length);
    this.#early.set(a);
    return run(program, this.#early, fresh);
  }

  #order(a: Float64Array): void {
    this.#take(this.#firstOf(a, this.#open), a);
  }

  #take(found: Orders, a: Float64Array): void {
    this.#orders = found;
    orders.set(this.#key, found);
    this.#eliminate(found.early, a, true);
  }

  /** @param open - Unknowns that may be eliminated first. */
  #firstOf(a: Float64Array, open: ReadonlySet<number>): Orders {
    const { size, rows, columns, count } = this.#pattern;
    const entries: Entry[] = [];
    for (let slot = 1; slot < count; slot += 1)
      entries.push({
        row: rows[slot] ?? 0,
        column: columns[slot] ?? 0,
        slot,
        re: a[slot] ?? 0,
        im: 0,
      });
    const found = findOrder(size, entries, count, open, largestOf(size, entries));
    const places = new Map(found.rest.map(({ slot: from }, i) => [from, i]));
    return {
      early: found.program,
      rest: found.rest,
      late: undefined,
      weighed: open.size === 0,
      from: Int32Array.from(found.rest, ({ slot: from }) => from),
      hotFrom: Int32Array.from(this.#hot),
      hotTo: Int32Array.from(this.#hot, (hot) => places.get(hot) ?? 0),
    };
  }

  /**
   * Second stage, with what this iteration adds.
   * @param a - By slot; only the hot slots are read. @param b - By row.
   * @returns the unknown (column) that is not determined, where the matrix is singular.
   */
  resume(a: Float64Array, b: Float64Array): Factored {
    const { late } = this.#orders!;
    if (!late || !this.#finish(late, a, false)) {
      const failed = this.#orderLate(a);
      if (failed !== undefined) return { ok: false, unknown: failed };
    }
    const from = this.#earlyB;
    const to = this.#lateB;
    for (let i = 0; i < to.length; i += 1) to[i] = (from[i] ?? 0) + (b[i] ?? 0);
    forward(this.#orders!.late!, this.#late, to);
    return { ok: true };
  }

  #gather(a: Float64Array, slots: number): void {
    const { from, hotFrom, hotTo } = this.#orders!;
    if (this.#late.length !== slots) this.#late = new Float64Array(slots);
    else this.#late.fill(0, from.length);
    const late = this.#late;
    const early = this.#early;
    for (let i = 0; i < from.length; i += 1) late[i] = early[from[i] ?? 0] ?? 0;
    for (let i = 0; i < hotTo.length; i += 1)
      late[hotTo[i] ?? 0] = (late[hotTo[i] ?? 0] ?? 0) + (a[hotFrom[i] ?? 0] ?? 0);
  }

  #finish(program: Program, a: Float64Array, fresh: boolean): boolean {
    this.#gather(a, program.slots);
    return run(program, this.#late, fresh);
  }

  /** @returns the undetermined unknown, if there is one. */
  #orderLate(a: Float64Array): number | undefined {
    const { undetermined } = this.#secondOf(a);
    if (undetermined !== undefined) return undetermined;
    const staged = this.#orders!;
    if (!staged.weighed && staged.late!.targets.length > MUCH) {
      staged.weighed = true;
      this.#take(this.#firstOf(this.#given, NONE), this.#given);
      const whole = this.#secondOf(a);
      if (whole.undetermined !== undefined || workOf(this.#orders!) > workOf(staged))
        this.#take(staged, this.#given);
      this.#forwardEarly();
    }
    this.#finish(this.#orders!.late!, a, true);
    return undefined;
  }

  /** Finds the second stage's order and keeps it, where everything is determined. */
  #secondOf(a: Float64Array): Order {
    const found = this.#orders!;
    this.#gather(a, found.from.length);
    const entries = found.rest.map(({ row, column }, slot) => ({
      row,
      column,
      slot,
      re: this.#late[slot] ?? 0,
      im: 0,
    }));
    const { size } = this.#pattern;
    const order = findOrder(
      size,
      entries,
      entries.length,
      without(size, found.early.pivotColumns),
      this.#before(a),
      without(size, found.early.pivotRows),
    );
    if (order.undetermined === undefined) found.late = order.program;
    return order;
  }

  /** Largest entry of each column of the whole matrix as it stands. */
  #before(a: Float64Array): Float64Array {
    const { size, columns, count } = this.#pattern;
    const whole = Float64Array.from(this.#given);
    for (const slot of this.#hot) whole[slot] = (whole[slot] ?? 0) + (a[slot] ?? 0);
    const largest = new Float64Array(size);
    for (let slot = 1; slot < count; slot += 1) {
      const value = abs(whole[slot] ?? 0);
      if (value > (largest[columns[slot] ?? 0] ?? 0)) largest[columns[slot] ?? 0] = value;
    }
    return largest;
  }

  /** The unknowns of the second stage. @returns whether all are numbers. */
  solveLate(x: Float64Array): boolean {
    return backward(this.#orders!.late!, this.#late, this.#lateB, x);
  }

  /** All others, from those. @returns whether all are numbers. */
  solveEarly(x: Float64Array): boolean {
    return backward(this.#orders!.early, this.#early, this.#earlyB, x);
  }
}

const NONE: ReadonlySet<number> = new Set();

/** Multiplications of a first stage and of the iterations that go on from it. */
const workOf = ({ early, late }: Orders): number =>
  early.targets.length + ITERATIONS * (late?.targets.length ?? 0);

/** All indices up to a size but those. */
function without(size: number, gone: Iterable<number>): Set<number> {
  const left = new Set(Array.from({ length: size }, (_, i) => i));
  for (const index of gone) left.delete(index);
  return left;
}

/** @returns false where the kept order has become unsafe for these values. */
function run(p: Program, a: Float64Array, fresh: boolean): boolean {
  const { pivotSlots, lowerStart, upperStart, lower, upper, targets } = p;
  let target = 0;
  for (let k = 0; k < pivotSlots.length; k += 1) {
    const pivot = a[pivotSlots[k] ?? 0] ?? 0;
    const size = abs(pivot);
    const l1 = lowerStart[k + 1] ?? 0;
    const u0 = upperStart[k] ?? 0;
    const u1 = upperStart[k + 1] ?? 0;
    if (!fresh && !(size > 0)) return false;
    for (let l = lowerStart[k] ?? 0; l < l1; l += 1) {
      const slot = lower[l] ?? 0;
      const entry = a[slot] ?? 0;
      if (entry === 0) {
        target += u1 - u0;
        continue;
      }
      if (!fresh && size < STALE * abs(entry)) return false;
      const factor = entry / pivot;
      a[slot] = factor;
      for (let u = u0; u < u1; u += 1) {
        const t = targets[target] ?? 0;
        target += 1;
        a[t] = (a[t] ?? 0) - factor * (a[upper[u] ?? 0] ?? 0);
      }
    }
  }
  return true;
}

function forward(p: Program, a: Float64Array, b: Float64Array): void {
  const { pivotRows, lowerStart, lower, lowerRows } = p;
  for (let k = 0; k < pivotRows.length; k += 1) {
    const value = b[pivotRows[k] ?? 0] ?? 0;
    if (value === 0) continue;
    const end = lowerStart[k + 1] ?? 0;
    for (let l = lowerStart[k] ?? 0; l < end; l += 1) {
      const row = lowerRows[l] ?? 0;
      b[row] = (b[row] ?? 0) - (a[lower[l] ?? 0] ?? 0) * value;
    }
  }
}

function backward(p: Program, a: Float64Array, b: Float64Array, x: Float64Array): boolean {
  const { pivotRows, pivotColumns, pivotSlots, upperStart, upper, upperColumns } = p;
  let sum = 0;
  for (let k = pivotRows.length - 1; k >= 0; k -= 1) {
    let value = b[pivotRows[k] ?? 0] ?? 0;
    const end = upperStart[k + 1] ?? 0;
    for (let u = upperStart[k] ?? 0; u < end; u += 1)
      value -= (a[upper[u] ?? 0] ?? 0) * (x[upperColumns[u] ?? 0] ?? 0);
    value /= a[pivotSlots[k] ?? 0] ?? 0;
    x[pivotColumns[k] ?? 0] = value;
    sum += value;
  }
  return isFinite(sum);
}

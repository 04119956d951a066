/**
 * Sparse LU for circuits: the same pattern is factored thousands of times with other values. The
 * first time, pivots are chosen after Markowitz (fewest new entries) among those within a threshold
 * of their column's largest; the order and every multiplication are then kept as a list of slots and
 * only run again, until a pivot has become too small for its row and the order is chosen anew.
 *
 * @see Kundert, “Sparse matrix techniques”, in Circuit Analysis, Simulation and Design (1986).
 */
import { abs, hypot, max, min } from '../arithmetic';
import type { Pattern } from './pattern';

/** A pivot may be this much smaller than its column's largest entry. */
const THRESHOLD = 1e-3;
/** Against the largest entry its row and column had before: below it nothing but rounding is left. */
const VANISHED = 1e-14;
/** On a run with a kept order: how far a pivot may fall below what it eliminates. */
const STALE = 1e-7;

interface Program {
  readonly pivotRows: Int32Array;
  readonly pivotColumns: Int32Array;
  readonly pivotSlots: Int32Array;
  /** For pivot k its multipliers: [start[k], start[k+1]) in `lower`. */
  readonly lowerStart: Int32Array;
  readonly lower: Int32Array;
  readonly lowerRows: Int32Array;
  readonly upperStart: Int32Array;
  readonly upper: Int32Array;
  readonly upperColumns: Int32Array;
  /** For each multiplier in turn, one target slot for each upper entry of its pivot. */
  readonly targets: Int32Array;
  readonly slots: number;
}

export type Factored = { readonly ok: true } | { readonly ok: false; readonly unknown: number };

/** Real or complex: the imaginary parts are absent for a real matrix. */
export class SparseLu {
  readonly #pattern: Pattern;
  #program: Program | undefined;
  #key: string | undefined;
  #re: Float64Array<ArrayBufferLike> = new Float64Array(0);
  #im: Float64Array<ArrayBufferLike> | undefined;

  constructor(pattern: Pattern) {
    this.#pattern = pattern;
  }

  /**
   * @param re - One value for each slot of the pattern.
   * @returns the unknown (column) that is not determined, where the matrix is singular.
   */
  factor(re: Float64Array, im?: Float64Array): Factored {
    this.#program ??= orders.get(this.#signature());
    if (this.#program && this.#run(this.#program, re, im)) return { ok: true };
    const chosen = choose(this.#pattern, re, im);
    if (typeof chosen === 'number') return { ok: false, unknown: chosen };
    this.#program = chosen;
    remember(this.#signature(), chosen);
    this.#run(chosen, re, im, true);
    return { ok: true };
  }

  #signature(): string {
    this.#key ??= `${this.#pattern.size}|${this.#pattern.rows.join()}|${this.#pattern.columns.join()}`;
    return this.#key;
  }

  #load(program: Program, re: Float64Array, im: Float64Array | undefined): void {
    if (this.#re.length !== program.slots) this.#re = new Float64Array(program.slots);
    else this.#re.fill(0, re.length);
    this.#re.set(re);
    if (!im) {
      this.#im = undefined;
      return;
    }
    if (this.#im?.length !== program.slots) this.#im = new Float64Array(program.slots);
    else this.#im.fill(0, im.length);
    this.#im.set(im);
  }

  /** @returns false where the kept order has become unsafe for these values. */
  #run(p: Program, re: Float64Array, im: Float64Array | undefined, fresh = false): boolean {
    this.#load(p, re, im);
    return this.#im ? this.#runComplex(p, this.#im, fresh) : this.#runReal(p, fresh);
  }

  #runReal(p: Program, fresh: boolean): boolean {
    const a = this.#re;
    let target = 0;
    for (let k = 0; k < p.pivotSlots.length; k += 1) {
      const pivot = a[p.pivotSlots[k]!]!;
      const size = abs(pivot);
      const l1 = p.lowerStart[k + 1]!;
      const u0 = p.upperStart[k]!;
      const u1 = p.upperStart[k + 1]!;
      if (!fresh && !(size > 0)) return false;
      for (let l = p.lowerStart[k]!; l < l1; l += 1) {
        const slot = p.lower[l]!;
        const entry = a[slot]!;
        if (entry === 0) {
          target += u1 - u0;
          continue;
        }
        if (!fresh && size < STALE * abs(entry)) return false;
        const factor = entry / pivot;
        a[slot] = factor;
        for (let u = u0; u < u1; u += 1) {
          const t = p.targets[target]!;
          target += 1;
          a[t] = a[t]! - factor * a[p.upper[u]!]!;
        }
      }
    }
    return true;
  }

  #runComplex(p: Program, ai: Float64Array, fresh: boolean): boolean {
    const ar = this.#re;
    let target = 0;
    for (let k = 0; k < p.pivotSlots.length; k += 1) {
      const pr = ar[p.pivotSlots[k]!]!;
      const pi = ai[p.pivotSlots[k]!]!;
      const size = pr * pr + pi * pi;
      if (!fresh && !(size > 0)) return false;
      const u0 = p.upperStart[k]!;
      const u1 = p.upperStart[k + 1]!;
      for (let l = p.lowerStart[k]!; l < p.lowerStart[k + 1]!; l += 1) {
        const slot = p.lower[l]!;
        const er = ar[slot]!;
        const ei = ai[slot]!;
        if (!fresh && size < STALE * STALE * (er * er + ei * ei)) return false;
        const fr = (er * pr + ei * pi) / size;
        const fi = (ei * pr - er * pi) / size;
        ar[slot] = fr;
        ai[slot] = fi;
        for (let u = u0; u < u1; u += 1) {
          const t = p.targets[target]!;
          target += 1;
          const s = p.upper[u]!;
          ar[t] = ar[t]! - (fr * ar[s]! - fi * ai[s]!);
          ai[t] = ai[t]! - (fr * ai[s]! + fi * ar[s]!);
        }
      }
    }
    return true;
  }

  /** Solve for one right-hand side; `b` is used up, the answer goes to `x`. Complex with `bi`, `xi`. */
  solve(b: Float64Array, x: Float64Array, bi?: Float64Array, xi?: Float64Array): void {
    const p = this.#program!;
    if (bi && xi && this.#im) return this.#solveComplex(p, this.#im, b, x, bi, xi);
    const a = this.#re;
    const n = p.pivotSlots.length;
    for (let k = 0; k < n; k += 1) {
      const value = b[p.pivotRows[k]!]!;
      if (value === 0) continue;
      for (let l = p.lowerStart[k]!; l < p.lowerStart[k + 1]!; l += 1) {
        const row = p.lowerRows[l]!;
        b[row] = b[row]! - a[p.lower[l]!]! * value;
      }
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      let value = b[p.pivotRows[k]!]!;
      for (let u = p.upperStart[k]!; u < p.upperStart[k + 1]!; u += 1)
        value -= a[p.upper[u]!]! * x[p.upperColumns[u]!]!;
      x[p.pivotColumns[k]!] = value / a[p.pivotSlots[k]!]!;
    }
  }

  #solveComplex(
    p: Program,
    ai: Float64Array,
    br: Float64Array,
    xr: Float64Array,
    bi: Float64Array,
    xi: Float64Array,
  ): void {
    const ar = this.#re;
    const n = p.pivotSlots.length;
    for (let k = 0; k < n; k += 1) {
      const vr = br[p.pivotRows[k]!]!;
      const vi = bi[p.pivotRows[k]!]!;
      for (let l = p.lowerStart[k]!; l < p.lowerStart[k + 1]!; l += 1) {
        const row = p.lowerRows[l]!;
        const s = p.lower[l]!;
        br[row] = br[row]! - (ar[s]! * vr - ai[s]! * vi);
        bi[row] = bi[row]! - (ar[s]! * vi + ai[s]! * vr);
      }
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      let vr = br[p.pivotRows[k]!]!;
      let vi = bi[p.pivotRows[k]!]!;
      for (let u = p.upperStart[k]!; u < p.upperStart[k + 1]!; u += 1) {
        const s = p.upper[u]!;
        const c = p.upperColumns[u]!;
        vr -= ar[s]! * xr[c]! - ai[s]! * xi[c]!;
        vi -= ar[s]! * xi[c]! + ai[s]! * xr[c]!;
      }
      const pr = ar[p.pivotSlots[k]!]!;
      const pi = ai[p.pivotSlots[k]!]!;
      const size = pr * pr + pi * pi;
      xr[p.pivotColumns[k]!] = (vr * pr + vi * pi) / size;
      xi[p.pivotColumns[k]!] = (vi * pr - vr * pi) / size;
    }
  }
}

/** Orders by pattern: the same board is solved again and again, with other values and other faults. */
const orders = new Map<string, Program>();
const MOST_ORDERS = 200;

function remember(key: string, program: Program): void {
  orders.delete(key);
  orders.set(key, program);
  if (orders.size > MOST_ORDERS) orders.delete(orders.keys().next().value!);
}

interface Entry {
  re: number;
  im: number;
  readonly slot: number;
}

/** Eliminate once with pivoting and write down what was done. A number is the undetermined column. */
function choose(pattern: Pattern, re: Float64Array, im?: Float64Array): Program | number {
  const n = pattern.size;
  const rows = Array.from({ length: n }, () => new Map<number, Entry>());
  const columns = Array.from({ length: n }, () => new Set<number>());
  const largest = new Float64Array(n);
  for (let slot = 1; slot < pattern.count; slot += 1) {
    const row = pattern.rows[slot]!;
    const column = pattern.columns[slot]!;
    const entry = { re: re[slot]!, im: im?.[slot] ?? 0, slot };
    rows[row]!.set(column, entry);
    columns[column]!.add(row);
    largest[column] = max(largest[column]!, size(entry));
  }
  let slots = pattern.count;
  const open = new Set(Array.from({ length: n }, (_, i) => i));
  const pivotRows: number[] = [];
  const pivotColumns: number[] = [];
  const pivotSlots: number[] = [];
  const lower: number[] = [];
  const lowerRows: number[] = [];
  const upper: number[] = [];
  const upperColumns: number[] = [];
  const targets: number[] = [];
  const lowerStart = [0];
  const upperStart = [0];

  for (let k = 0; k < n; k += 1) {
    const best = pivot(rows, columns, open, largest);
    if (!best) return undetermined(rows, open, largest);
    const { row, column } = best;
    const line = rows[row]!;
    const chosen = line.get(column)!;
    open.delete(column);
    pivotRows.push(row);
    pivotColumns.push(column);
    pivotSlots.push(chosen.slot);
    const rest = [...line].filter(([c]) => c !== column);
    for (const [c, entry] of rest) {
      upper.push(entry.slot);
      upperColumns.push(c);
      columns[c]!.delete(row);
    }
    upperStart.push(upper.length);
    const scale = chosen.re * chosen.re + chosen.im * chosen.im;
    for (const other of columns[column]!) {
      if (other === row) continue;
      const victim = rows[other]!;
      const entry = victim.get(column)!;
      lower.push(entry.slot);
      lowerRows.push(other);
      const fr = (entry.re * chosen.re + entry.im * chosen.im) / scale;
      const fi = (entry.im * chosen.re - entry.re * chosen.im) / scale;
      victim.delete(column);
      for (const [c, source] of rest) {
        let target = victim.get(c);
        if (!target) {
          target = { re: 0, im: 0, slot: slots };
          slots += 1;
          victim.set(c, target);
          columns[c]!.add(other);
        }
        target.re -= fr * source.re - fi * source.im;
        target.im -= fr * source.im + fi * source.re;
        targets.push(target.slot);
      }
    }
    lowerStart.push(lower.length);
    columns[column]!.clear();
  }
  return {
    pivotRows: Int32Array.from(pivotRows),
    pivotColumns: Int32Array.from(pivotColumns),
    pivotSlots: Int32Array.from(pivotSlots),
    lowerStart: Int32Array.from(lowerStart),
    lower: Int32Array.from(lower),
    lowerRows: Int32Array.from(lowerRows),
    upperStart: Int32Array.from(upperStart),
    upper: Int32Array.from(upper),
    upperColumns: Int32Array.from(upperColumns),
    targets: Int32Array.from(targets),
    slots,
  };
}

const size = ({ re, im }: { re: number; im: number }) => hypot(re, im);

function pivot(
  rows: readonly Map<number, Entry>[],
  columns: readonly Set<number>[],
  open: ReadonlySet<number>,
  largest: Float64Array,
): { row: number; column: number } | undefined {
  let best: { row: number; column: number; cost: number; size: number } | undefined;
  // Columns with the fewest entries first; a few promising ones are enough.
  let fewest = Infinity;
  for (const column of open) fewest = min(fewest, columns[column]!.size || Infinity);
  for (let count = fewest; count < Infinity;) {
    let next = Infinity;
    for (const column of open) {
      const holders = columns[column]!;
      if (holders.size !== count) {
        if (holders.size > count) next = min(next, holders.size);
        continue;
      }
      let most = 0;
      for (const row of holders) most = max(most, size(rows[row]!.get(column)!));
      if (!(most > VANISHED * largest[column]!)) continue;
      for (const row of holders) {
        const entry = size(rows[row]!.get(column)!);
        if (entry < THRESHOLD * most) continue;
        const cost = (rows[row]!.size - 1) * (count - 1);
        if (!best || cost < best.cost || (cost === best.cost && entry > best.size))
          best = { row, column, cost, size: entry };
      }
    }
    if (best && best.cost <= (count - 1) ** 2 + count) return best;
    count = next;
  }
  return best;
}

/** The column with least left of it: what the circuit does not determine. */
function undetermined(
  rows: readonly Map<number, Entry>[],
  open: ReadonlySet<number>,
  largest: Float64Array,
): number {
  let found = 0;
  let least = Infinity;
  for (const column of open) {
    let most = 0;
    for (const row of rows) most = max(most, row.has(column) ? size(row.get(column)!) : 0);
    const left = largest[column]! > 0 ? most / largest[column]! : 0;
    if (left < least) [found, least] = [column, left];
  }
  return found;
}

/** Sparse LU of a complex matrix, for phasors: its order is kept, see `elimination.ts`. */
import { findOrder, largestOf, OrderCache, STALE, type Entry, type Program } from './elimination';
import type { Pattern } from './pattern';

export type Factored = { readonly ok: true } | { readonly ok: false; readonly unknown: number };

const orders = new OrderCache<Program>(100);

export class ComplexLu {
  readonly #pattern: Pattern;
  #program: Program | undefined;
  #re = new Float64Array(0);
  #im = new Float64Array(0);

  constructor(pattern: Pattern) {
    this.#pattern = pattern;
  }

  /**
   * @param re - One value for each slot of the pattern; `im` likewise.
   * @returns the unknown (column) that is not determined, where the matrix is singular.
   */
  factor(re: Float64Array, im: Float64Array): Factored {
    const { key } = this.#pattern;
    this.#program ??= orders.get(key);
    if (this.#program && this.#run(this.#program, re, im, false)) return { ok: true };
    const { size, rows, columns, count } = this.#pattern;
    const entries = Array.from({ length: count - 1 }, (_, i): Entry => {
      const slot = i + 1;
      return {
        row: rows[slot]!,
        column: columns[slot]!,
        slot,
        re: re[slot]!,
        im: im[slot]!,
      };
    });
    const all = new Set(Array.from({ length: size }, (_, i) => i));
    const { program, undetermined } = findOrder(
      size,
      entries,
      count,
      all,
      largestOf(size, entries),
    );
    if (undetermined !== undefined) return { ok: false, unknown: undetermined };
    this.#program = program;
    orders.set(key, program);
    this.#run(program, re, im, true);
    return { ok: true };
  }

  /** @returns false where the kept order has become unsafe for these values. */
  #run(p: Program, re: Float64Array, im: Float64Array, fresh: boolean): boolean {
    const ar = new Float64Array(p.slots);
    const ai = new Float64Array(p.slots);
    ar.set(re);
    ai.set(im);
    this.#re = ar;
    this.#im = ai;
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

  /** Solve for one right-hand side, which is used up; the answer goes to `xr`, `xi`. */
  solve(br: Float64Array, bi: Float64Array, xr: Float64Array, xi: Float64Array): void {
    const p = this.#program!;
    const ar = this.#re;
    const ai = this.#im;
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

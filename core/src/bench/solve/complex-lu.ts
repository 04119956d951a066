/** Sparse LU of a complex matrix, for phasors: its order is kept, see `elimination.ts`. */
import { Recent } from '../recent';
import { findOrder, largestOf, STALE, type Entry, type Program } from './elimination';
import type { Pattern } from './pattern';

export type Factored = { readonly ok: true } | { readonly ok: false; readonly unknown: number };

const orders = new Recent<Program>(100);

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
        row: rows[slot] ?? 0,
        column: columns[slot] ?? 0,
        slot,
        re: re[slot] ?? 0,
        im: im[slot] ?? 0,
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
      const pr = ar[p.pivotSlots[k] ?? 0] ?? 0;
      const pi = ai[p.pivotSlots[k] ?? 0] ?? 0;
      const size = pr * pr + pi * pi;
      if (!fresh && !(size > 0)) return false;
      const u0 = p.upperStart[k] ?? 0;
      const u1 = p.upperStart[k + 1] ?? 0;
      for (let l = p.lowerStart[k] ?? 0; l < (p.lowerStart[k + 1] ?? 0); l += 1) {
        const slot = p.lower[l] ?? 0;
        const er = ar[slot] ?? 0;
        const ei = ai[slot] ?? 0;
        if (!fresh && size < STALE * STALE * (er * er + ei * ei)) return false;
        const fr = (er * pr + ei * pi) / size;
        const fi = (ei * pr - er * pi) / size;
        ar[slot] = fr;
        ai[slot] = fi;
        for (let u = u0; u < u1; u += 1) {
          const t = p.targets[target] ?? 0;
          target += 1;
          const s = p.upper[u] ?? 0;
          ar[t] = (ar[t] ?? 0) - (fr * (ar[s] ?? 0) - fi * (ai[s] ?? 0));
          ai[t] = (ai[t] ?? 0) - (fr * (ai[s] ?? 0) + fi * (ar[s] ?? 0));
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
      const vr = br[p.pivotRows[k] ?? 0] ?? 0;
      const vi = bi[p.pivotRows[k] ?? 0] ?? 0;
      for (let l = p.lowerStart[k] ?? 0; l < (p.lowerStart[k + 1] ?? 0); l += 1) {
        const row = p.lowerRows[l] ?? 0;
        const s = p.lower[l] ?? 0;
        br[row] = (br[row] ?? 0) - ((ar[s] ?? 0) * vr - (ai[s] ?? 0) * vi);
        bi[row] = (bi[row] ?? 0) - ((ar[s] ?? 0) * vi + (ai[s] ?? 0) * vr);
      }
    }
    for (let k = n - 1; k >= 0; k -= 1) {
      let vr = br[p.pivotRows[k] ?? 0] ?? 0;
      let vi = bi[p.pivotRows[k] ?? 0] ?? 0;
      for (let u = p.upperStart[k] ?? 0; u < (p.upperStart[k + 1] ?? 0); u += 1) {
        const s = p.upper[u] ?? 0;
        const c = p.upperColumns[u] ?? 0;
        vr -= (ar[s] ?? 0) * (xr[c] ?? 0) - (ai[s] ?? 0) * (xi[c] ?? 0);
        vi -= (ar[s] ?? 0) * (xi[c] ?? 0) + (ai[s] ?? 0) * (xr[c] ?? 0);
      }
      const pr = ar[p.pivotSlots[k] ?? 0] ?? 0;
      const pi = ai[p.pivotSlots[k] ?? 0] ?? 0;
      const size = pr * pr + pi * pi;
      xr[p.pivotColumns[k] ?? 0] = (vr * pr + vi * pi) / size;
      xi[p.pivotColumns[k] ?? 0] = (vi * pr - vr * pi) / size;
    }
  }
}

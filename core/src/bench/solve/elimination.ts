/**
 * The order in which a circuit's matrix is eliminated. The same pattern is factored thousands of times
 * with other values: once, pivots are chosen after Markowitz (fewest new entries) among those within
 * a threshold of their column's largest; the order and every multiplication are then kept as a list
 * of slots and only run again.
 *
 * @see Kundert, “Sparse matrix techniques”, in Circuit Analysis, Simulation and Design (1986).
 */
import { abs, hypot, max, min } from '../arithmetic';
import { nth } from '../../numeric/nth';

/** A pivot may be this much smaller than its column's largest entry. */
const THRESHOLD = 1e-3;
/** Against the largest entry its row and column had before: below it nothing but rounding is left. */
const VANISHED = 1e-14;
/** On a run with a kept order: how far a pivot may fall below what it eliminates. */
export const STALE = 1e-7;

export interface Program {
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

export interface Place {
  readonly row: number;
  readonly column: number;
  readonly slot: number;
}

export interface Entry extends Place {
  readonly re: number;
  readonly im: number;
}

export interface Order {
  readonly program: Program;
  /** What no pivot was found for, as it stands after the elimination. */
  readonly rest: readonly Place[];
  /** Of the columns that are left, the one with least in it; undefined where none is left. */
  readonly undetermined: number | undefined;
}

interface Cell {
  re: number;
  im: number;
  readonly slot: number;
}

/**
 * Eliminate once with pivoting and write down what was done.
 * @param size - Rows and columns of the whole matrix.
 * @param entries - All there is; rows and columns without any are nobody's.
 * @param slots - The first slot free for new entries.
 * @param open - Columns in which pivots may be taken.
 * @param openRows - And rows.
 * @param before - Largest entry that each column had before anything was eliminated.
 */
export function findOrder(
  size: number,
  entries: readonly Entry[],
  slots: number,
  open: ReadonlySet<number>,
  before: Float64Array,
  openRows = open,
): Order {
  const rows = Array.from({ length: size }, () => new Map<number, Cell>());
  const columns = Array.from({ length: size }, () => new Set<number>());
  for (const { row, column, slot, re, im } of entries) {
    nth(rows, row).set(column, { re, im, slot });
    nth(columns, column).add(row);
  }
  const left = { rows: new Set(openRows), columns: new Set(open) };
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

  for (;;) {
    const best = pivot(rows, columns, left, before);
    if (!best) break;
    const { row, column } = best;
    const line = nth(rows, row);
    const chosen = line.get(column)!;
    left.rows.delete(row);
    left.columns.delete(column);
    pivotRows.push(row);
    pivotColumns.push(column);
    pivotSlots.push(chosen.slot);
    const rest = [...line].filter(([c]) => c !== column);
    for (const [c, entry] of rest) {
      upper.push(entry.slot);
      upperColumns.push(c);
      nth(columns, c).delete(row);
    }
    upperStart.push(upper.length);
    const scale = chosen.re * chosen.re + chosen.im * chosen.im;
    for (const other of nth(columns, column)) {
      if (other === row) continue;
      const victim = nth(rows, other);
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
          nth(columns, c).add(other);
        }
        target.re -= fr * source.re - fi * source.im;
        target.im -= fr * source.im + fi * source.re;
        targets.push(target.slot);
      }
    }
    lowerStart.push(lower.length);
    nth(columns, column).clear();
    line.clear();
  }
  return {
    program: {
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
    },
    rest: rows.flatMap((line, row) =>
      [...line].map(([column, { slot }]) => ({ row, column, slot })),
    ),
    undetermined: undetermined(rows, left.columns, before),
  };
}

/** Largest entry of every column. */
export function largestOf(size: number, entries: Iterable<Entry>): Float64Array {
  const largest = new Float64Array(size);
  for (const { column, re, im } of entries)
    largest[column] = max(largest[column] ?? 0, hypot(re, im));
  return largest;
}

const magnitude = ({ re, im }: Cell) => (im === 0 ? abs(re) : hypot(re, im));

function pivot(
  rows: readonly Map<number, Cell>[],
  columns: readonly Set<number>[],
  open: { readonly rows: ReadonlySet<number>; readonly columns: ReadonlySet<number> },
  before: Float64Array,
): { row: number; column: number } | undefined {
  let best: { row: number; column: number; cost: number; size: number } | undefined;
  // Columns with the fewest entries first; a few promising ones are enough.
  let fewest = Infinity;
  for (const column of open.columns) fewest = min(fewest, nth(columns, column).size || Infinity);
  for (let count = fewest; count < Infinity;) {
    let next = Infinity;
    for (const column of open.columns) {
      const holders = nth(columns, column);
      if (holders.size !== count) {
        if (holders.size > count) next = min(next, holders.size);
        continue;
      }
      let most = 0;
      for (const row of holders) most = max(most, magnitude(nth(rows, row).get(column)!));
      if (!(most > VANISHED * (before[column] ?? 0))) continue;
      for (const row of holders) {
        if (!open.rows.has(row)) continue;
        const size = magnitude(nth(rows, row).get(column)!);
        if (size < THRESHOLD * most) continue;
        const cost = (nth(rows, row).size - 1) * (count - 1);
        if (!best || cost < best.cost || (cost === best.cost && size > best.size))
          best = { row, column, cost, size };
      }
    }
    if (best && best.cost <= (count - 1) ** 2 + count) return best;
    count = next;
  }
  return best;
}

/** The column with least left of it: what the circuit does not determine. */
function undetermined(
  rows: readonly Map<number, Cell>[],
  open: ReadonlySet<number>,
  before: Float64Array,
): number | undefined {
  let found: number | undefined;
  let least = Infinity;
  for (const column of open) {
    let most = 0;
    for (const row of rows) most = max(most, row.has(column) ? magnitude(row.get(column)!) : 0);
    const left = (before[column] ?? 0) > 0 ? most / (before[column] ?? 0) : 0;
    if (left < least) [found, least] = [column, left];
  }
  return found;
}

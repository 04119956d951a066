/**
 * The machine through the visit: the joint of what was wrong on arrival and what is left, kept exactly.
 * Work moves what is left; findings weigh each pair by it. What is left is a part of what was there, so
 * the joint is a table: a row for each hypothesis on arrival, a column for each subset of its faults, by
 * bits. In logarithms, because a hundred readings of probability 0.005 leave floating-point range.
 */
import { UnknownReferenceError } from '../errors';
import { nth } from '../numeric/nth';
import type { Work } from './evidence';
import { broughtBy } from './hypotheses';
import type { Space } from './space';

/** ln of the weight of each pair, indexed like {@link Space.left}; -∞ where it cannot be. */
export type Machine = Float64Array;

/** One thing that happened: a finding's log-likelihood of each hypothesis, or work. */
export type Step = Float64Array | Work;

/** The machine after these steps. @throws {UnknownReferenceError} for work on a fault that is not there. */
export function follow(space: Space, steps: readonly Step[]): Machine {
  const machine = onArrival(space);
  // Findings between two works weigh together.
  let row: Float64Array | undefined;
  for (const step of steps) {
    if (!(step instanceof Float64Array)) {
      if (row) weigh(space, machine, row);
      row = undefined;
      change(space, machine, step);
    } else if (!row) row = step.slice();
    else for (let h = 0; h < row.length; h += 1) row[h]! += step[h]!;
  }
  if (row) weigh(space, machine, row);
  return machine;
}

function onArrival({ hypotheses, columns }: Space): Machine {
  const machine = new Float64Array(hypotheses.length * columns).fill(-Infinity);
  hypotheses.forEach(({ faults, prior }, h) => {
    machine[h * columns + all(faults)] = Math.log(prior);
  });
  return machine;
}

/** The bits of all faults of a set. */
const all = (faults: readonly number[]) => (1 << faults.length) - 1;

function weigh({ left }: Space, machine: Machine, row: Float64Array): void {
  for (let i = 0; i < machine.length; i += 1)
    if (machine[i]! > -Infinity) machine[i]! += row[left[i]!]!;
}

function change(space: Space, machine: Machine, work: Work): void {
  const { hypotheses, columns } = space;
  const { move, touches } = moveOf(space, work);
  hypotheses.forEach(({ faults }, h) => {
    if (!touches(faults)) return;
    const from = h * columns;
    const logs = machine.subarray(from, from + all(faults) + 1);
    const peak = logs.reduce((a, b) => Math.max(a, b), -Infinity);
    if (peak === -Infinity) return;
    const shares = logs.map((value) => Math.exp(value - peak));
    move(faults, shares);
    shares.forEach((share, i) => (logs[i] = peak + Math.log(share)));
  });
}

/** What work does to a set of faults. */
interface Move {
  /** Whether it can change anything of the set: of thousands of sets it changes a few. */
  readonly touches: (faults: readonly number[]) => boolean;
  /** Moves the shares of the set's subsets, by bits, in place. */
  readonly move: (faults: readonly number[], shares: Float64Array) => void;
}

function moveOf(space: Space, work: Work): Move {
  const index = (id: string) => {
    const f = space.faultIndex.get(id);
    if (f === undefined) throw new UnknownReferenceError(`there is no fault “${id}”`, '/evidence');
    return f;
  };
  if ('done' in work)
    return curing(new Map(Object.entries(work.done).map(([id, chance]) => [index(id), chance])));
  if ('back' in work) return bringingBack(new Set(work.back.map(index)));
  return running(space);
}

const curing = (success: ReadonlyMap<number, number>): Move => ({
  touches: (faults) => faults.some((f) => success.has(f)),
  move: (faults, shares) =>
    faults.forEach((f, i) => {
      const chance = success.get(f);
      if (chance === undefined) return;
      for (let set = 0; set < shares.length; set += 1)
        if (set & (1 << i)) pass(shares, set, set & ~(1 << i), chance);
    }),
});

const bringingBack = (back: ReadonlySet<number>): Move => ({
  touches: (faults) => faults.some((f) => back.has(f)),
  move: (faults, shares) =>
    faults.forEach((f, i) => {
      if (!back.has(f)) return;
      for (let set = 0; set < shares.length; set += 1)
        if (!(set & (1 << i))) pass(shares, set, set | (1 << i), 1);
    }),
});

/** Powered, what is left may bring what was taken away. */
function running({ model, faultIndex }: Space): Move {
  const brings = model.faults.map(
    (fault) => new Set(Object.keys(fault.brings ?? {}).map((id) => faultIndex.get(id))),
  );
  return {
    touches: (faults) => faults.some((f) => faults.some((g) => nth(brings, f).has(g))),
    // In the order of the sheet: what has just come back counts as left for those after it.
    move: (faults, shares) =>
      faults.forEach((g, i) => {
        for (let set = 1; set < shares.length; set += 1)
          if (!(set & (1 << i))) {
            const left = faults.filter((_, k) => set & (1 << k));
            pass(shares, set, set | (1 << i), broughtBy(model.faults, left, g));
          }
      }),
  };
}

function pass(shares: Float64Array, from: number, to: number, chance: number): void {
  const moved = nth(shares, from) * chance;
  shares[to]! += moved;
  shares[from]! -= moved;
}

/** ln Σ exp, without leaving floating-point range. */
export function logSum(logs: Float64Array): number {
  let peak = -Infinity;
  for (const value of logs) if (value > peak) peak = value;
  if (peak === -Infinity) return -Infinity;
  let total = 0;
  for (const value of logs) if (value > -Infinity) total += Math.exp(value - peak);
  return peak + Math.log(total);
}

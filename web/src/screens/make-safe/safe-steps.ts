/** The steps of proving a machine dead as a list: what is done, what is in hand, what is still to come. */
import {
  formatQuantity,
  latestOf,
  openProof,
  pairsOf,
  passedUnder,
  type Energy,
  type MeterProof,
  type NextSafe,
  type Pair,
  type VoltsFunction,
} from '@jeitinho/core';
import type { Figure } from '@jeitinho/core/judge';
import type { Sheet } from '@jeitinho/core/sheet';

export type SafeRow =
  | { readonly kind: 'isolate'; readonly id: string; readonly done: boolean }
  | {
      readonly kind: 'meter';
      readonly id: string;
      readonly function: VoltsFunction;
      readonly again: boolean;
      readonly done: boolean;
      readonly figure?: string;
    }
  | {
      readonly kind: 'pair';
      readonly id: string;
      readonly pair: Pair;
      /** Proven, or measured low and only the meter's second proof is wanting. */
      readonly state: 'proven' | 'measured' | 'high' | 'open';
      readonly figure?: string;
      /** From 1, among the pairs. */
      readonly n: number;
    };

export const figureOf = (reading: Figure): string =>
  reading.kind === 'overload' ? 'OL' : formatQuantity(Math.abs(reading.value), 'V');

/** @param now - This device's time, ms: a proof of the meter grows old. */
export function safeRows(sheet: Sheet, energy: Energy, now: number): SafeRow[] {
  const rows: SafeRow[] = [{ kind: 'isolate', id: 'isolate', done: energy.isolated !== undefined }];
  let n = 0;
  runsOf(pairsOf(sheet)).forEach((run, i) => {
    const fn = run[0]!.function;
    const proof = energy.proofs[fn];
    const open = proof && openProof(energy, fn, { at: '', time: now, device: proof.device });
    const all = run.every(({ id }) => energy.proven.has(id));
    const { before, after } = bracketOf(energy, run);
    rows.push({
      kind: 'meter',
      id: `before-${i}`,
      function: fn,
      again: false,
      done: all || open !== undefined,
      ...shownAs(all ? before : open),
    });
    for (const pair of run) {
      const latest = latestOf(energy, pair.id);
      n += 1;
      rows.push({
        kind: 'pair',
        id: pair.id,
        pair,
        n,
        state: energy.proven.has(pair.id)
          ? 'proven'
          : latest === undefined
            ? 'open'
            : passedUnder(energy, pair.id, open)
              ? 'measured'
              : latest.judgement.verdict === 'in'
                ? 'open'
                : 'high',
        ...(latest && { figure: figureOf(latest.reading) }),
      });
    }
    rows.push({
      kind: 'meter',
      id: `after-${i}`,
      function: fn,
      again: true,
      done: all,
      ...shownAs(all ? after : undefined),
    });
  });
  return rows;
}

const shownAs = (proof: MeterProof | undefined) =>
  proof ? { figure: figureOf(proof.reading) } : {};

/** The proofs of the meter between which the figures of these pairs lie. */
function bracketOf(energy: Energy, run: readonly Pair[]) {
  const readings = run.flatMap(({ id }) => energy.proven.get(id) ?? []);
  const before = energy.held.find(({ entry }) => entry === readings[0]?.proof);
  const last = readings.at(-1);
  const after = energy.held.findLast(
    ({ function: fn, time }) => fn === run[0]!.function && last !== undefined && time >= last.time,
  );
  return { before, after };
}

/** Pairs that follow each other on one function: one proof of the meter before them, one after. */
function runsOf(pairs: readonly Pair[]): Pair[][] {
  const runs: Pair[][] = [];
  for (const pair of pairs) {
    const last = runs.at(-1);
    if (last && last[0]!.function === pair.function) last.push(pair);
    else runs.push([pair]);
  }
  return runs;
}

/** The row that is in hand: the first of its kind that is not done. */
export function rowInHand(rows: readonly SafeRow[], next: NextSafe): string | undefined {
  switch (next.kind) {
    case 'isolate':
      return 'isolate';
    case 'wait':
    case 'pair':
      return next.pair.id;
    case 'meter':
      return rows.find(
        (row) =>
          row.kind === 'meter' &&
          row.function === next.function &&
          row.again === next.again &&
          !row.done,
      )?.id;
    default:
      return undefined;
  }
}

/** The steps of proving a machine dead as a list: what is done, what is in hand, what is still to come. */
import {
  formatQuantity,
  latestOf,
  openProof,
  pairsOf,
  passes,
  type Energy,
  type NextSafe,
  type Pair,
  type Reading,
  type Sheet,
  type VoltsFunction,
} from '@jeitinho/core';

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

export const figureOf = (reading: Reading): string =>
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
    const some = run.some(({ id }) => energy.proven.has(id));
    const figure = proof ? { figure: figureOf(proof.reading) } : {};
    rows.push({
      kind: 'meter',
      id: `before-${i}`,
      function: fn,
      again: false,
      done: all || open !== undefined || (some && open !== undefined),
      ...(all || open ? figure : {}),
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
            : passes(latest) && latest.proof === open?.entry
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
      ...(all ? figure : {}),
    });
  });
  return rows;
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

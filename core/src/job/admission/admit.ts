/**
 * A batch of entries going into a log: each judged by what comes before it, the ones before it in the
 * batch included, and folded in as it is let in.
 */
import { refusalOf } from './refusal-of';
import { kindOf } from '../kinds/index';
import type { LoggedEntry } from '../log/entry';
import { JobFold } from '../fold/job-fold';
import { inLogOrder } from '../log/log-order';
import type { Refusal } from './refusal';

/** The first entry of a batch that a rule refuses. */
export interface RefusedEntry {
  /** Its place in the batch. */
  readonly index: number;
  readonly refusal: Refusal;
}

/**
 * Add a batch to a fold, in slices. After a refusal the fold holds a part of the batch: go back to a mark
 * that was set before.
 * @param batch - Numbered on from the log; none of them in it yet.
 * @returns undefined where all were let in.
 */
export function* admit(
  fold: JobFold,
  batch: readonly LoggedEntry[],
): Generator<void, RefusedEntry | undefined> {
  for (const [index, entry] of batch.entries()) {
    if (!fold.comesLast(entry)) {
      const rest = batch.slice(index);
      const inOrder = crossesInOrder(fold, rest);
      const found = yield* inOrder ? admitCrossing(fold, rest) : admitOne(fold, entry);
      if (found) return { index: index + found.index, refusal: found.refusal };
      if (inOrder) return undefined;
      continue;
    }
    const refusal = refusalOf(fold.sheet, fold.state(), entry);
    if (refusal) return { index, refusal };
    yield* fold.add(entry);
  }
  return undefined;
}

/**
 * An entry that was written before others arrived is judged by what came before it; but nothing goes into
 * a signed job, whenever it was written, and what is withdrawn must stand now.
 */
function* admitOne(fold: JobFold, entry: LoggedEntry): Generator<void, RefusedEntry | undefined> {
  const now = fold.state();
  let refusal: Refusal | undefined;
  if (now.signed || kindOf(entry)?.whileSigned) refusal = refusalOf(fold.sheet, now, entry);
  else {
    const ordered = inLogOrder([...fold.log, entry]);
    const place = ordered.findIndex(({ id }) => id === entry.id);
    const before = new JobFold(fold.written);
    yield* before.fold(ordered.slice(0, place));
    refusal = refusalOf(before.sheet, before.state(), entry);
  }
  if (refusal) return { index: 0, refusal };
  yield* fold.add(entry);
  return undefined;
}

/** Whether the rest of a batch can be judged in one walk through the log: one device, nothing that looks at the end. */
function crossesInOrder(fold: JobFold, rest: readonly LoggedEntry[]): boolean {
  return (
    !fold.state().signed &&
    rest.every((entry) => entry.device === rest[0]?.device && !kindOf(entry)?.looksAtEnd)
  );
}

/** One walk: the log and the batch in their order, each of the batch judged where it stands. */
function* admitCrossing(
  fold: JobFold,
  batch: readonly LoggedEntry[],
): Generator<void, RefusedEntry | undefined> {
  const fresh = new Map(batch.map((entry, index) => [entry.id, index]));
  const ordered = inLogOrder([...fold.log, ...batch]);
  const first = ordered.findIndex(({ id }) => fresh.has(id));
  const walk = new JobFold(fold.written);
  yield* walk.fold(ordered.slice(0, first));
  for (const entry of ordered.slice(first)) {
    const index = fresh.get(entry.id);
    const refusal = index === undefined ? undefined : refusalOf(walk.sheet, walk.state(), entry);
    if (refusal) return { index: index!, refusal };
    yield* walk.add(entry);
  }
  yield* fold.fold(ordered);
  return undefined;
}

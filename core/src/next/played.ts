/** A visit told by its findings alone, without a log: as much of a job as advice and the order of a sheet need. */
import { baseState } from '../conditions/live-state';
import { UnknownReferenceError } from '../errors';
import { isTest, likeliest, type Evidence } from '../diagnose/evidence';
import type { JobState } from '../job/state/state';
import { testsOf } from '../sheet/all-tests';
import { findAccess, findState } from '../sheet/lookup';
import { observablesOf, ruleObservables } from '../sheet/observables';
import type { Sheet } from '../sheet/schema';
import type { Standing } from '../job/trail/effort';

/** Where the machine stands: in which state of the sheet, and what of it is open. */
export interface Situation {
  readonly state?: string;
  readonly open?: readonly string[];
}

/**
 * @returns as it is found, on, where nothing is said.
 * @throws {UnknownReferenceError} for a state or an access that the sheet has not.
 */
export function standingIn(sheet: Sheet, { state: id, open = [] }: Situation): Standing {
  const state = id === undefined ? baseState(sheet) : findState(sheet, id);
  if (id !== undefined && !state)
    throw new UnknownReferenceError(`there is no state “${id}”`, '/situation/state');
  open.forEach((access, i) => {
    if (!findAccess(sheet, access))
      throw new UnknownReferenceError(`there is no access “${access}”`, `/situation/open/${i}`);
  });
  const dead = state?.energy === 'dead';
  return {
    energy: dead ? 'dead' : 'live',
    state: dead ? null : (state?.id ?? null),
    out: new Set(open),
  };
}

/** What was found before the last work is of another machine, and no longer stands. */
export function playedJob(
  sheet: Sheet,
  evidence: readonly Evidence[],
  { energy, state, out }: Standing,
): JobState {
  const from = evidence.findLastIndex((item) => 'done' in item || 'back' in item) + 1;
  const found = new Map(
    evidence
      .slice(from)
      .flatMap((item) => (isTest(item) ? [[item.test, likeliest(item)] as const] : [])),
  );
  const current = new Map<string, object>();
  const groups: { observable: string }[] = [];
  for (const test of testsOf(sheet)) {
    for (const { id: observable } of observablesOf(test, sheet)) {
      const outcome = found.get(observable);
      if (outcome === undefined) continue;
      const standing = { kind: 'counts' };
      const situation = { epoch: 0 };
      current.set(observable, { kind: 'answer', test, observable, outcome, standing, situation });
    }
    for (const { id } of ruleObservables(test)) if (found.has(id)) groups.push({ observable: id });
  }
  // The rest of a job nobody asks for here.
  return {
    current,
    groups,
    skipped: new Map(),
    access: out,
    accessUnknown: new Set(),
    energy: { kind: energy },
    epochs: new Map(),
    works: [],
    rules: 2,
    ...(state !== null && { entered: { state, at: 0 } }),
  } as unknown as JobState;
}

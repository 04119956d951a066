/**
 * The share of the time in which a fault shows nothing: the sheet's own, or what contradictory figures of
 * one test between two works tell.
 */
import { nth } from '../numeric/nth';
import { isTest, likeliest, type Evidence } from './evidence';
import { sharesOf, type DiagnosticModel } from './model';

/** Of a fault that was seen to come and go, unless the sheet says more. */
const SEEN_TO_COME_AND_GO = 0.5;

/** Bad outcomes that stand beside a good one of the same test between two works, as [test, outcome]. */
export function comesAndGoes(
  model: DiagnosticModel,
  evidence: readonly Evidence[],
): readonly (readonly [test: string, outcome: string])[] {
  const okOf = new Map(model.tests.map((test) => [test.id, test.ok ?? 'ok']));
  const found: [string, string][] = [];
  let seen = new Map<string, Set<string>>();
  const close = () => {
    for (const [test, outcomes] of seen) {
      const ok = okOf.get(test)!;
      if (outcomes.has(ok))
        for (const outcome of outcomes) if (outcome !== ok) found.push([test, outcome]);
    }
    seen = new Map();
  };
  for (const item of evidence) {
    if ('done' in item || 'back' in item) close();
    else if (isTest(item))
      seen.set(item.test, (seen.get(item.test) ?? new Set()).add(likeliest(item)));
  }
  close();
  return found;
}

/** By fault, in the model's order: 0 for one that always shows. */
export function restsOf(model: DiagnosticModel, evidence: readonly Evidence[]): readonly number[] {
  const contradictory = comesAndGoes(model, evidence);
  if (contradictory.length === 0) return ownRests(model);
  return model.faults.map((fault) => {
    const own = fault.intermittent ?? 0;
    const told = contradictory.some(
      ([test, outcome]) => (sharesOf(fault.shows[test] ?? '')[outcome] ?? 0) > 0,
    );
    return told ? Math.max(own, SEEN_TO_COME_AND_GO) : own;
  });
}

/** Chance that none of these faults shows at a moment. */
export const allAtRest = (rests: readonly number[], faults: readonly number[]): number =>
  faults.reduce((none, f) => none * nth(rests, f), 1);

const own = new WeakMap<DiagnosticModel, readonly number[]>();

/** Those of the sheet alone: one list for a model, so that what was reckoned with it can be found again. */
function ownRests(model: DiagnosticModel): readonly number[] {
  const known = own.get(model) ?? model.faults.map(({ intermittent = 0 }) => intermittent);
  own.set(model, known);
  return known;
}

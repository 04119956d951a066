/**
 * What a visit takes over from an earlier one to the same unit: its findings and its work, in their order
 * and so in their own epochs. They are of another day: what contradicts them now stands beside them.
 */
import { sharesOf, type DiagnosticModel } from './model';
import type { CarriedItem, Continued } from '../job/work/continued';
import type { Evidence } from './evidence';

/** What of it this sheet can still tell: a later revision may know a test or a fault no more. */
export function carriedInto(
  model: DiagnosticModel,
  { carried }: Pick<Continued, 'carried'>,
): CarriedItem[] {
  const faults = new Set(model.faults.map(({ id }) => id));
  const outcomes = new Map(model.tests.map((test) => [test.id, new Set(test.outcomes)]));
  const known = (evidence: Evidence): boolean => {
    if ('test' in evidence) {
      const p = 'p' in evidence ? evidence.p : sharesOf(evidence.outcome);
      return Object.keys(p).every((outcome) => outcomes.get(evidence.test)?.has(outcome));
    }
    if ('code' in evidence) return (model.codes ?? []).some(({ code }) => code === evidence.code);
    if ('symptom' in evidence)
      return (model.symptoms ?? []).some(({ id }) => id === evidence.symptom);
    if ('done' in evidence) return Object.keys(evidence.done).every((id) => faults.has(id));
    if ('back' in evidence) return evidence.back.every((id) => faults.has(id));
    return true;
  };
  return carried.filter(({ evidence }) => known(evidence));
}

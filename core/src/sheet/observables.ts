/**
 * Observables: what a sheet lets the technician find out, each with the classes it may fall into.
 * A test of one point is named by itself, a test of several by `test@point`.
 */
import { possibleOutcomes } from '../judge/judge';
import type { Fault, Sheet, Test } from './schema';

export interface Observable {
  readonly id: string;
  readonly test: string;
  /** Absent for questions. */
  readonly point?: string;
  /** `ok` first, then the rest, each once. */
  readonly outcomes: readonly string[];
  /** Chance of an outcome unrelated to the faults; the engine's default where absent. */
  readonly noise?: number;
}

export function observableId(test: Test, point: string | undefined): string {
  return test.how === 'measure' && test.points.length > 1 ? `${test.id}@${point}` : test.id;
}

/** The observables that one test opens, in the order of its points. */
export function observablesOf(test: Test): Observable[] {
  const noise = test.noise === undefined ? {} : { noise: test.noise };
  if (test.how !== 'measure')
    return [
      {
        id: test.id,
        test: test.id,
        outcomes: [...new Set(['ok', ...Object.values(test.answers)])],
        ...noise,
      },
    ];
  const outcomes = possibleOutcomes(test.expect, test.function);
  return test.points.map((point) => ({
    id: observableId(test, point.id),
    test: test.id,
    point: point.id,
    outcomes,
    ...noise,
  }));
}

/** What a fault shows at an observable: by its own name first, else by the whole test's. */
export function shownBy(fault: Fault, observable: Observable) {
  return fault.shows[observable.id] ?? fault.shows[observable.test];
}

export function allObservables(sheet: Sheet): Observable[] {
  return sheet.tests.flatMap(observablesOf);
}

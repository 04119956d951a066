/**
 * Observables: what a sheet lets the technician find out, each with the classes it may fall into.
 * A test of one point is named by itself, a test of several by `test@point`, a rule over several of its
 * points by `test@rule`.
 */
import { pointsOf, ruleOutcomes, type OverRule, type TogetherRule } from '../judge/groups/index';
import { outcomesOf } from '../judge/test-expectation';
import { expectOf, functionOf, testsOf } from './all-tests';
import type { Observable } from './observable';
import { isMeasured, type Fault, type Sheet, type Test } from './schema';
import { storeObservables } from './store-observables';

export function observableId(test: Test, point: string | undefined): string {
  return isMeasured(test) && test.points.length > 1 ? `${test.id}@${point}` : test.id;
}

type Curves = Pick<Sheet, 'curves'>;

/** The observables that one test opens by itself, in the order of its points; rules are not among them. */
export function observablesOf(test: Test, { curves }: Curves = {}): Observable[] {
  const noise = test.noise === undefined ? {} : { noise: test.noise };
  if (!isMeasured(test))
    return [
      {
        id: test.id,
        test: test.id,
        outcomes: [...new Set(['ok', ...Object.values(test.answers)])],
        ...noise,
      },
    ];
  return test.points.map((point) => ({
    id: observableId(test, point.id),
    test: test.id,
    point: point.id,
    outcomes: outcomesOf(expectOf(test, point), functionOf(test, point), curves ?? []),
    ...noise,
  }));
}

/** What each rule of a test can find. */
export function ruleObservables(test: Test): Observable[] {
  if (!isMeasured(test)) return [];
  return (test.together ?? []).map((rule) => ({
    id: `${test.id}@${rule.id}`,
    test: test.id,
    rule: rule.id,
    outcomes: ruleOutcomes(rule),
    ...(test.noise !== undefined && { noise: test.noise }),
  }));
}

/** What the rules over several tests can find; each by its own name. */
export const overObservables = ({ rules = [] }: Pick<Sheet, 'rules'>): Observable[] =>
  rules.map((rule) => ({
    id: rule.id,
    test: rule.id,
    rule: rule.id,
    outcomes: ruleOutcomes(rule),
  }));

/** What a rule over several tests needs, in the order its judgement takes them. */
export const overPoints = (rule: OverRule): readonly string[] => pointsOf(rule, rule.over ?? []);

/** Points that a rule of a test needs, in the order its judgement takes them. */
export function rulePoints(test: Test, rule: TogetherRule): readonly string[] {
  return isMeasured(test)
    ? pointsOf(
        rule,
        test.points.map((point) => point.id),
      )
    : [];
}

/** What a fault shows at an observable: by its own name first, else by the whole test's. */
export function shownBy(fault: Fault, observable: Observable) {
  // A rule has classes of its own, so what is said of the whole test does not reach it.
  const whole = observable.rule === undefined ? fault.shows[observable.test] : undefined;
  return fault.shows[observable.id] ?? whole;
}

export function allObservables(sheet: Sheet): Observable[] {
  return [
    ...testsOf(sheet).flatMap((test) => [...observablesOf(test, sheet), ...ruleObservables(test)]),
    ...overObservables(sheet),
    ...storeObservables(sheet),
  ];
}

/** By their own name, and by that of their test, which stands for all of its points and rules. */
export function observablesByName(sheet: Sheet): Map<string, Observable[]> {
  const named = new Map<string, Observable[]>();
  const put = (name: string, observable: Observable) => {
    const list = named.get(name);
    if (list) list.push(observable);
    else named.set(name, [observable]);
  };
  for (const observable of allObservables(sheet)) {
    put(observable.id, observable);
    if (observable.test !== observable.id) put(observable.test, observable);
  }
  return named;
}

/** What faults show: known observables, possible outcomes, shares that add up. */
import { observablesByName } from '../sheet/observables';
import { type Observable } from '../sheet/observable';
import type { Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';

export function shows(sheet: Sheet): SheetProblem[] {
  const named = observablesByName(sheet);
  return sheet.faults.flatMap((fault, f) =>
    Object.entries(fault.shows).flatMap(([name, shown]) => {
      const path = `/faults/${f}/shows/${name}`;
      const close = named.get(name) ?? [];
      const meant = close.filter((each) => answersTo(each, name, fault.shows));
      if (close.length === 0)
        return [
          problem(
            'unknown-reference',
            path,
            `There is no test, point or rule “${name}” to show this fault; declare it under tests.`,
          ),
        ];
      const shares = typeof shown === 'string' ? { [shown]: 1 } : shown;
      const total = Object.values(shares).reduce((sum, share) => sum + share, 0);
      return [
        ...meant.flatMap((observable) =>
          Object.keys(shares)
            .filter((outcome) => !observable.outcomes.includes(outcome))
            .map((outcome) =>
              problem(
                'outcome',
                path,
                `“${observable.id}” can be ${observable.outcomes.join(', ')}, never “${outcome}”.`,
              ),
            ),
        ),
        ...(Math.abs(total - 1) > 1e-6
          ? [
              problem(
                'shares',
                path,
                `The shares add up to ${Number(total.toPrecision(6))}; make them add up to 1.`,
              ),
            ]
          : []),
      ];
    }),
  );
}

/** A whole test's name stands for those of its points that the fault does not name by themselves. */
function answersTo(observable: Observable, name: string, all: Readonly<Record<string, unknown>>) {
  if (observable.id === name) return true;
  return observable.rule === undefined && observable.test === name && !(observable.id in all);
}

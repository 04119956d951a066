/** What faults show: known observables, possible outcomes, shares that add up. */
import { allObservables, type Observable } from '../observables';
import type { Sheet } from '../schema';
import { problem, type SheetProblem } from './problem';

export function shows(sheet: Sheet): SheetProblem[] {
  const byName = new Map<string, Observable>();
  for (const observable of allObservables(sheet)) {
    // A whole test's name stands for its points; rules answer to their own name only.
    if (observable.rule === undefined && !byName.has(observable.test))
      byName.set(observable.test, observable);
    byName.set(observable.id, observable);
  }
  return sheet.faults.flatMap((fault, f) =>
    Object.entries(fault.shows).flatMap(([name, shown]) => {
      const path = `/faults/${f}/shows/${name}`;
      const observable = byName.get(name);
      if (!observable)
        return [
          problem(
            'unknown-reference',
            path,
            `There is no test, point or rule “${name}” to show this fault; declare it under tests.`,
          ),
        ];
      const shares = typeof shown === 'string' ? { [shown]: 1 } : shown;
      const strange = Object.keys(shares).filter((o) => !observable.outcomes.includes(o));
      const total = Object.values(shares).reduce((sum, share) => sum + share, 0);
      return [
        ...strange.map((outcome) =>
          problem(
            'outcome',
            path,
            `“${name}” can be ${observable.outcomes.join(', ')}, never “${outcome}”.`,
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

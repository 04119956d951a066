/** Nothing brings, needs or feeds itself, also not through others. */
import { testsOf } from '../all-tests';
import type { Sheet } from '../schema';
import { problem, type SheetProblem } from './problem';

export function circles(sheet: Sheet): SheetProblem[] {
  const brings = new Map(sheet.faults.map((f) => [f.id, Object.keys(f.brings ?? {})]));
  const needs = new Map((sheet.access ?? []).map((a) => [a.id, a.needs ?? []]));
  // Whatever point of a test is named, it is the test that is fed.
  const feeds = new Map(
    testsOf(sheet).map((t) => [t.id, (t.fedBy ?? []).map((name) => name.split('@')[0]!)]),
  );
  return [
    ...sheet.faults.flatMap((fault, i) =>
      inCircle(fault.id, brings)
        ? [
            problem(
              'circle',
              `/faults/${i}/brings`,
              `“${fault.name}” brings itself in a circle; drop one link.`,
            ),
          ]
        : [],
    ),
    ...(sheet.access ?? []).flatMap((access, i) =>
      inCircle(access.id, needs)
        ? [
            problem(
              'circle',
              `/access/${i}/needs`,
              `“${access.id}” needs itself in a circle; drop one.`,
            ),
          ]
        : [],
    ),
    ...sheet.tests.flatMap((test, i) =>
      inCircle(test.id, feeds)
        ? [
            problem(
              'circle',
              `/tests/${i}/fedBy`,
              `“${test.title}” is fed by itself in a circle; drop one.`,
            ),
          ]
        : [],
    ),
  ];
}

function inCircle(start: string, links: ReadonlyMap<string, readonly string[]>): boolean {
  const reached = new Set<string>();
  const queue = [...(links.get(start) ?? [])];
  while (queue.length > 0) {
    const next = queue.pop()!;
    if (next === start) return true;
    if (reached.has(next)) continue;
    reached.add(next);
    queue.push(...(links.get(next) ?? []));
  }
  return false;
}

/** Nothing brings, needs or feeds itself, also not through others. */
import { testsOf } from '../sheet/all-tests';
import type { Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';
import { nth } from '../numeric/nth';

export function circles(sheet: Sheet): SheetProblem[] {
  const brings = inCircles(new Map(sheet.faults.map((f) => [f.id, Object.keys(f.brings ?? {})])));
  const needs = inCircles(new Map((sheet.access ?? []).map((a) => [a.id, a.needs ?? []])));
  // Whatever point of a test is named, it is the test that is fed.
  const feeds = inCircles(
    new Map(testsOf(sheet).map((t) => [t.id, (t.fedBy ?? []).map((n) => nth(n.split('@'), 0))])),
  );
  return [
    ...sheet.faults.flatMap((fault, i) =>
      brings.has(fault.id)
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
      needs.has(access.id)
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
      feeds.has(test.id)
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

type Links = ReadonlyMap<string, readonly string[]>;

/**
 * Everything that reaches itself. Tarjan's strongly connected components (SIAM J. Comput. 1, 1972, 146),
 * with a stack of its own instead of calls: linear, and no depth of a chain is too deep.
 */
function inCircles(links: Links): ReadonlySet<string> {
  const order = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const isOpen = new Set<string>();
  const found = new Set<string>();
  const enter = (id: string) => {
    order.set(id, order.size);
    lowest.set(id, order.get(id) ?? 0);
    open.push(id);
    isOpen.add(id);
    return { id, at: 0 };
  };
  const lower = (id: string, to: number) => lowest.set(id, Math.min(lowest.get(id) ?? to, to));
  for (const start of links.keys()) {
    if (order.has(start)) continue;
    const path = [enter(start)];
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = links.get(top.id)?.[top.at];
      top.at += 1;
      if (next === undefined) {
        path.pop();
        const before = path.at(-1);
        if (before) lower(before.id, lowest.get(top.id) ?? 0);
        if (lowest.get(top.id) === order.get(top.id)) close(top.id);
      } else if (!order.has(next)) path.push(enter(next));
      else if (isOpen.has(next)) lower(top.id, order.get(next) ?? 0);
    }
  }
  return found;

  /** What is open from here on hangs together; more than one of them is a circle. */
  function close(id: string): void {
    const together = open.splice(open.lastIndexOf(id));
    for (const each of together) isOpen.delete(each);
    if (together.length > 1 || links.get(id)?.includes(id))
      for (const each of together) found.add(each);
  }
}

/**
 * A break at each link of a path, out of the bench's own circuit: what lies between the nodes of two places
 * that follow each other, wire by wire, is opened there.
 */
import { linksLeft, showsBreak, stretchOf, type FoundOnPath } from '../../sheet/path-links';
import { stopsOf } from '../../sheet/stops';
import { isMeasured, type SheetPath } from '../../sheet/schema';
import { functionOf, testsOf } from '../../sheet/all-tests';
import type { Circuit } from '../circuit';
import { circuitOfBench, nodeAt, type BenchedSheet, type Specimen } from './machine';
import { readSpecimen } from './outcomes';

export interface PathBreak {
  readonly link: number;
  /** What opens it. */
  readonly changes: readonly string[];
}

/** What is no more than this is a wire, a contact, a fuse, ohms. */
const A_WIRE = 10;

/** @returns one for each link that the circuit has a wire for. */
export function pathBreaks(sheet: BenchedSheet, path: SheetPath): readonly PathBreak[] {
  const circuit = circuitOfBench(sheet.bench);
  const stops = stopsOf(sheet, path);
  const known = stops.flatMap(({ ref, kind }, i) =>
    kind === 'place' && sheet.bench.nodes[ref] !== undefined
      ? [{ i, node: nodeAt(sheet.bench, ref) }]
      : [],
  );
  return known.flatMap((to, k) => {
    const from = known[k - 1];
    if (!from || from.node === to.node) return [];
    const wires = wiresBetween(circuit, from.node, to.node);
    if (!wires) return [];
    const links = to.i - from.i;
    // Of more links than wires each has the wire that lies there, the last one for the rest.
    return Array.from({ length: links }, (_, link): PathBreak => {
      const wire = wires[Math.min(wires.length - 1, Math.floor((link * wires.length) / links))]!;
      return { link: from.i + link, changes: [`open ${wire}`] };
    });
  });
}

/** Names of the wires from one node to another, the fewest; undefined where there is no such way. */
function wiresBetween({ elements }: Circuit, from: string, to: string): string[] | undefined {
  const ways = new Map<string, readonly string[]>([[from, []]]);
  const queue = [from];
  for (const node of queue) {
    if (node === to) return [...ways.get(node)!];
    for (const element of elements) {
      if (element.kind !== 'resistor' || element.ohms > A_WIRE) continue;
      const [a, b] = element.nodes;
      const next = a === node ? b : b === node ? a : undefined;
      if (next === undefined || ways.has(next)) continue;
      ways.set(next, [...ways.get(node)!, element.name]);
      queue.push(next);
    }
  }
  return undefined;
}

/** Tests that touch a path at all. */
const testsOn = (sheet: BenchedSheet, { through }: SheetPath): ReadonlySet<string> =>
  new Set(
    testsOf(sheet).flatMap((test) =>
      isMeasured(test) &&
      test.points.some(({ red, black }) =>
        [red, black].some((ref) => ref !== undefined && through.includes(ref)),
      )
        ? [test.id]
        : [],
    ),
  );

/** The links that are left when every reading of the path is taken of a specimen. */
export function linksLeftOf(
  sheet: BenchedSheet,
  path: SheetPath,
  specimen: Specimen,
): ReturnType<typeof linksLeft> {
  const stops = stopsOf(sheet, path);
  const { readings } = readSpecimen(sheet, specimen, testsOn(sheet, path));
  const found = readings.flatMap(({ test, point, judgement }): FoundOnPath[] => {
    const stretch = stretchOf(point, stops, functionOf(test, point));
    if (!stretch) return [];
    if (judgement.verdict === 'in') return [{ stretch, says: 'whole' }];
    return judgement.verdict === 'out' && showsBreak(stretch, judgement.outcome)
      ? [{ stretch, says: 'broken' }]
      : [];
  });
  return linksLeft(stops.length - 1, found);
}

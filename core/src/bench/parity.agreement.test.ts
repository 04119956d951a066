/** Our solver against ngspice on the same netlists: operating point, over time, phasors. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ngspice } from '../../test/ngspice';
import { solveCircuit } from './analyse';
import { readNetlist } from './spice/read';

const folder = join(__dirname, '../../test/netlists');
const netlists = readdirSync(folder).filter((name) => name.endsWith('.cir'));
const textOf = (name: string) => readFileSync(join(folder, name), 'utf8');
const cases = netlists.flatMap((name) =>
  readNetlist(textOf(name)).analyses.map((analysis) => [name, analysis.kind, analysis] as const),
);

type Value = number | readonly [number, number];
const size = (value: Value) => (typeof value === 'number' ? Math.abs(value) : Math.hypot(...value));
const apart = (a: Value, b: Value) =>
  typeof a === 'number'
    ? Math.abs(a - (b as number))
    : Math.hypot(a[0] - (b as [number, number])[0], a[1] - (b as [number, number])[1]);

test('there are at least forty netlists, of all three kinds', () => {
  expect(netlists.length).toBeGreaterThanOrEqual(40);
  for (const kind of ['op', 'tran', 'ac'])
    expect(cases.filter(([, each]) => each === kind).length).toBeGreaterThanOrEqual(5);
});

test.each(cases)('%s agrees with ngspice in its .%s', (name, _kind, analysis) => {
  const text = textOf(name);
  const solved = solveCircuit({ ...readNetlist(text), analyses: [analysis] });
  const found = (solved.op ?? solved.tran ?? solved.ac)!.nodes;
  // ngspice names the inner nodes of subcircuits otherwise; the shared ones are enough.
  const nodes = Object.keys(found).filter((node) => !node.includes('.'));
  const reference = ngspice(text, analysis, nodes);
  const off: string[] = [];
  for (const node of nodes) {
    const ours = (analysis.kind === 'op' ? [found[node]] : found[node]) as Value[];
    const theirs = reference.nodes[node]!;
    expect(Math.abs(ours.length - theirs.length)).toBeLessThanOrEqual(1);
    // 0.1 % of the curve's size, or 1 mV.
    const allowed = Math.max(1e-3 * Math.max(...theirs.map(size)), 1e-3);
    theirs.forEach((value, i) => {
      if (ours[i] !== undefined && !(apart(ours[i], value) <= allowed))
        off.push(`${node} at point ${i}: ${String(ours[i])} here, ${String(value)} there`);
    });
  }
  expect(off).toEqual([]);
});

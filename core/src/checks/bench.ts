/** A bench model hangs together: its netlist reads, and what the sheet names in it is there. */
import { changed } from '../bench/changes';
import { type Circuit } from '../bench/circuit';
import { allNodesOf } from '../bench/elements/index';
import { circuitOfBench } from '../bench/machine/machine';
import { CoreError } from '../errors';
import { locate } from '../sheet/places';
import { problem, type SheetProblem } from '../validation/problem';
import { type SheetCheck } from './sheet-check';

/** Whether bench and sheet read the same is solved on demand: it takes seconds. */
export const bench: SheetCheck = (sheet) => {
  const model = sheet.bench;
  if (!model) return [];
  let circuit: Circuit;
  try {
    circuit = circuitOfBench(model);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return [problem('bench', '/bench/netlist', `The netlist cannot be read: ${error.message}.`)];
  }
  const nodes = allNodesOf(circuit.elements).add('0');
  const elements = new Set(circuit.elements.map(({ name }) => name));
  const found: SheetProblem[] = [];
  const need = (known: ReadonlySet<string>, what: string, path: string, name: string) => {
    if (!known.has(name.toLowerCase()))
      found.push(problem('bench', path, `The netlist has no ${what} “${name}”.`));
  };
  for (const [place, node] of Object.entries(model.nodes)) {
    need(nodes, 'node', `/bench/nodes/${place}`, node);
    if (!locate(sheet, place))
      found.push(problem('reference', `/bench/nodes/${place}`, `No board has a place “${place}”.`));
  }
  for (const [place, name] of Object.entries(model.clamps ?? {}))
    need(elements, 'element', `/bench/clamps/${place}`, name);
  for (const [place, name] of Object.entries(model.breaks ?? {}))
    need(elements, 'element', `/bench/breaks/${place}`, name);
  for (const [observable, node] of Object.entries(model.gauges ?? {}))
    need(nodes, 'node', `/bench/gauges/${observable}`, node);
  for (const name of Object.keys(model.tolerances ?? {}))
    need(elements, 'element', `/bench/tolerances/${name}`, name);
  const faults = new Set(sheet.faults.map(({ id }) => id));
  for (const [id, ways] of Object.entries(model.faults ?? {})) {
    if (!faults.has(id))
      found.push(problem('reference', `/bench/faults/${id}`, `The sheet has no fault “${id}”.`));
    ways.forEach(({ changes }, i) =>
      tried(circuit, changes, `/bench/faults/${id}/${i}/changes`, found),
    );
  }
  for (const part of ['states', 'access', 'tests'] as const)
    for (const [name, changes] of Object.entries(model[part] ?? {}))
      tried(circuit, changes, `/bench/${part}/${name}`, found);
  return found;
};

function tried(
  circuit: Circuit,
  changes: readonly string[],
  path: string,
  found: SheetProblem[],
): void {
  try {
    changed(circuit, changes.filter(Boolean));
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    found.push(problem('bench', path, `${error.message}.`));
  }
}

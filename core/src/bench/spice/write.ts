/** SPICE netlists out: what {@link readNetlist} reads back as the same circuit. */
import type { Analysis, Circuit } from '../circuit';
import { COUPLING_LETTER, couplingText } from '../elements/coupling';
import { definitionOf, isTwoPole, type Element } from '../elements/index';
import { writeNumber as figure } from './number';

/** Subcircuits are written flat; names with dots stay. */
export function writeNetlist(circuit: Circuit): string {
  const models = new Map<string, string>();
  const model = (text: string): string => {
    const known = models.get(text);
    if (known) return known;
    const name = `m${models.size + 1}`;
    models.set(text, name);
    return name;
  };
  const names = new Map(circuit.elements.map((element) => [element.name, written(element)]));
  const of = (name: string) => names.get(name) ?? name;
  const body = circuit.elements.flatMap((element) => {
    const name = of(element.name);
    if (!isTwoPole(element)) return [couplingText(element, name, of)];
    const head = `${name} ${element.nodes.join(' ')}`;
    return definitionOf(element).write(element, { name, head, of, model });
  });
  return [
    circuit.title,
    ...body,
    ...[...models].map(([text, name]) => `.model ${name} ${text}`),
    ...circuit.ratings.map(({ node, volts }) => `*@ rated ${node} ${figure(volts)}`),
    ...circuit.analyses.map(analysis),
    '.end',
    '',
  ].join('\n');
}

/** A flattened name (`x1.r2`) must begin with its element's letter to be read again. */
function written(element: Element): string {
  const letter = isTwoPole(element) ? definitionOf(element).letter : COUPLING_LETTER;
  return element.name.startsWith(letter) ? element.name : `${letter}_${element.name}`;
}

function analysis(each: Analysis): string {
  switch (each.kind) {
    case 'op':
      return '.op';
    case 'tran': {
      const more =
        each.most !== undefined
          ? ` ${figure(each.start)} ${figure(each.most)}`
          : each.start > 0
            ? ` ${figure(each.start)}`
            : '';
      return `.tran ${figure(each.step)} ${figure(each.stop)}${more}${each.uic ? ' uic' : ''}`;
    }
    case 'ac':
      return `.ac ${each.sweep} ${each.points} ${figure(each.from)} ${figure(each.to)}`;
  }
}

/**
 * Sources behind an open isolator. What hangs on one end of the circuit without closing a loop carries
 * no current and moves nothing, however it swings; a machine that is switched off would otherwise be
 * followed turn by turn of a mains that does not reach it.
 */
import type { Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import { isTwoPole, nodesOf, type Element, type TwoPoleElement } from '../elements/index';
import { meanOf } from '../elements/wave';
import { swings } from './rhythm';

/** From here on a resistor is air: what an opened contact leaves. */
const AIR_OHMS = 1e11;

const isOpen = (element: TwoPoleElement) => element.kind === 'resistor' && element.ohms >= AIR_OHMS;

/**
 * @param touched - Nodes that a meter joins to others.
 * @returns the circuit with every such source at its mean.
 */
export function quieted(circuit: Circuit, touched: Iterable<string>): Circuit {
  const moved = circuit.elements.filter((each) => 'wave' in each && swings(each.wave));
  if (moved.length === 0) return circuit;
  const hanging = hangingIn(circuit.elements, touched);
  if (!moved.some(({ name }) => hanging.has(name))) return circuit;
  return {
    ...circuit,
    elements: circuit.elements.map((element): Element =>
      'wave' in element && hanging.has(element.name)
        ? { ...element, wave: { kind: 'dc', value: meanOf(element.wave) } }
        : element,
    ),
  };
}

/** Names of what hangs on one node only: taken away leaf by leaf until every node has two ways. */
function hangingIn(elements: readonly Element[], touched: Iterable<string>): Set<string> {
  const at = new Map<string, Set<TwoPoleElement>>();
  const ways = (node: string) => {
    const known = at.get(node);
    if (known) return known;
    const fresh = new Set<TwoPoleElement>();
    at.set(node, fresh);
    return fresh;
  };
  // Whoever listens to a node is no way for a current, but must not be cut off from it.
  const kept = new Set<string>([GROUND, ...touched]);
  for (const element of elements) {
    if (!isTwoPole(element) || isOpen(element)) continue;
    for (const node of element.nodes) ways(node).add(element);
    for (const node of nodesOf(element).slice(2)) kept.add(node);
  }
  const gone = new Set<string>();
  const leaves = [...at.keys()];
  for (let node = leaves.pop(); node !== undefined; node = leaves.pop()) {
    const left = ways(node);
    if (left.size !== 1 || kept.has(node)) continue;
    const [last] = left;
    if (!last) continue;
    gone.add(last.name);
    for (const end of last.nodes) {
      ways(end).delete(last);
      leaves.push(end);
    }
  }
  return gone;
}

/**
 * Sensors whose warmth is known before anything is solved: a level source holds the node that stands for it.
 * Such a sensor is a resistor like any other, and not one to be looked at again in every iteration.
 */
import { GROUND } from '../elements/element';
import type { Element } from '../elements/index';

/** @returns the elements, those sensors with the figure in place of the node. */
export function warmed(elements: readonly Element[]): readonly Element[] {
  const held = new Map<string, number>();
  for (const element of elements)
    if (element.kind === 'voltage' && element.wave.kind === 'dc' && element.nodes[1] === GROUND)
      held.set(element.nodes[0], element.wave.value);
  return elements.map((element) => {
    if (element.kind !== 'ntc' && element.kind !== 'rtd') return element;
    const { celsius } = element;
    const known = typeof celsius === 'number' ? undefined : held.get(celsius.node);
    return known === undefined ? element : { ...element, celsius: known };
  });
}

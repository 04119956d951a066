/** Parts as they come: values within their tolerance, drawn with a seed. */
import type { Circuit } from './circuit';
import { definitionOf, isTwoPole, made, type Element } from './elements/index';

/**
 * @param own - Tolerance of single elements by name; 0 for exact. The usual one of its kind elsewhere.
 * @param roll - Shares below 1, one for each part drawn.
 */
export function asBuilt(
  circuit: Circuit,
  own: Readonly<Record<string, number>>,
  roll: () => number,
): Circuit {
  const drawn = (element: Element): Element => {
    if (!isTwoPole(element)) return element;
    const factor = (usual: number) => 1 + (own[element.name] ?? usual) * (2 * roll() - 1);
    const built = definitionOf(element).built?.(element, factor, roll);
    return built ? made(built) : element;
  };
  return { ...circuit, elements: circuit.elements.map(drawn) };
}

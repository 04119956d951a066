/**
 * Behaviour blocks: comments that begin with `*@` and change an ordinary element. Any other SPICE
 * passes over them and solves the rest.
 *
 *     *@ fuse RF1 hold=2 i2t=4            a resistor that opens
 *     *@ varistor RV1 volts=430 alpha=30  a resistor that clamps
 *     *@ ntc RT1 r25=10k beta=3435 temp=21   (or temp=v(node))
 *     *@ rtd RT1 r0=1000 temp=v(oven)
 *     *@ relay S1 hold=30m                a switch whose coil takes AC and lets go late
 *     *@ sequencer S1 when=v(flame)>2 after=3 until=v(hot)>1 for=10
 *     *@ regulator E1 volts=5 dropout=1.2 limit=1 ohms=0.05 ratio=1 enable=v(on)>2
 *     *@ rated vcc 7                      a node that is destroyed above so many volts
 */
import type { Rating } from '../circuit';
import { BLOCKS, isTwoPole, made, type Element } from '../elements/index';
import type { Words } from './words';

export const DIRECTIVES = [...BLOCKS.keys(), 'rated'];

/** Apply one directive to the elements read so far (by name), or add a rating. */
export function applyDirective(
  words: Words,
  elements: Map<string, Element>,
  ratings: Rating[],
): void {
  const kind = words.word('what it is');
  if (kind === 'rated') {
    ratings.push({ node: words.node(), volts: words.positive('its volts') });
    return words.end();
  }
  const block = BLOCKS.get(kind);
  if (!block) return words.fail(`“${kind}” is no block; there are ${DIRECTIVES.join(', ')}`);
  const name = words.element();
  const element = elements.get(name);
  if (!element) return words.fail(`there is no element “${name}” in this netlist`);
  if (!isTwoPole(element)) return words.fail(`“${name}” joins coils and takes no block`);
  elements.set(name, made(block.read(element, words)));
  words.end();
}

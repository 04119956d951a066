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
import type { Element, Rating } from '../circuit';
import type { Words } from './words';

type Change = (element: Element, words: Words) => Element;

const needs = <K extends Element['kind']>(kind: K, element: Element, words: Words, what: string) =>
  element.kind === kind
    ? (element as Extract<Element, { kind: K }>)
    : words.fail(`“${element.name}” must be ${what}`);

const CHANGES: Readonly<Record<string, Change>> = {
  fuse: (element, words) => {
    const { name, nodes, ohms } = needs('resistor', element, words, 'a resistor (R…)');
    return {
      kind: 'fuse',
      name,
      nodes,
      ohms,
      hold: words.positive('hold', words.demand('hold')),
      i2t: words.positive('i2t', words.demand('i2t')),
    };
  },
  varistor: (element, words) => {
    const { name, nodes, ohms } = needs('resistor', element, words, 'a resistor (R…)');
    const alpha = words.positive('alpha', words.namedOr('alpha', 30));
    if (alpha > 100) words.fail(`alpha is 100 at most; this is ${alpha}`);
    return {
      kind: 'varistor',
      name,
      nodes,
      ohms,
      volts: words.positive('volts', words.demand('volts')),
      alpha,
    };
  },
  ntc: (element, words) => {
    const { name, nodes } = needs('resistor', element, words, 'a resistor (R…)');
    return {
      kind: 'ntc',
      name,
      nodes,
      r25: words.positive('r25', words.demand('r25')),
      beta: words.positive('beta', words.demand('beta')),
      celsius: words.temperature('temp'),
    };
  },
  rtd: (element, words) => {
    const { name, nodes } = needs('resistor', element, words, 'a resistor (R…)');
    return {
      kind: 'rtd',
      name,
      nodes,
      r0: words.positive('r0', words.demand('r0')),
      celsius: words.temperature('temp'),
    };
  },
  relay: (element, words) => ({
    ...needs('switch', element, words, 'a switch (S…)'),
    hold: words.positive('hold', words.namedOr('hold', 0.03)),
  }),
  sequencer: (element, words) => {
    const { name, nodes, model } = needs('switch', element, words, 'a switch (S…)');
    const until = words.condition('until');
    const lasts = words.named('for');
    return {
      kind: 'sequencer',
      name,
      nodes,
      ron: model.ron,
      roff: model.roff,
      when: words.condition('when') ?? words.fail('when=… is missing'),
      after: words.namedOr('after', 0),
      ...(until && { until }),
      ...(lasts !== undefined && { lasts: words.positive('for', lasts) }),
    };
  },
  regulator: (element, words) => {
    const { name, nodes, control } = needs('vcvs', element, words, 'a voltage source (E…)');
    const enable = words.condition('enable');
    return {
      kind: 'regulator',
      name,
      nodes,
      input: control,
      volts: words.positive('volts', words.demand('volts')),
      dropout: words.namedOr('dropout', 0),
      limit: words.positive('limit', words.namedOr('limit', 10)),
      ohms: words.positive('ohms', words.namedOr('ohms', 0.05)),
      ratio: words.namedOr('ratio', 1),
      ...(enable && { enable }),
    };
  },
};

export const DIRECTIVES = [...Object.keys(CHANGES), 'rated'];

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
  const change = Object.hasOwn(CHANGES, kind) ? CHANGES[kind]! : undefined;
  if (!change) return words.fail(`“${kind}” is no block; there are ${DIRECTIVES.join(', ')}`);
  const name = words.element();
  const element = elements.get(name);
  if (!element) return words.fail(`there is no element “${name}” in this netlist`);
  elements.set(name, change(element, words));
  words.end();
}

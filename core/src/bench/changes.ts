/**
 * Changes to a circuit, as words: what a state, a pulled plug or a fault does to the netlist.
 *
 *     open r1             as good as cut off            short d1        20 mΩ in its place
 *     scale c1 0.4        its value times this          set v1 0        its value
 *     leak c1 10k         a resistor beside it          swap ra rb      their far ends change places
 *     stuck k1 closed     a contact that moves no more (or open)
 *     flicker r1 0.3      open at three readings of ten
 */
import type { Circuit } from './circuit';
import { OPEN_OHMS, SHORT_OHMS, type AnyTwoPole } from './elements/element';
import { definitionOf, isTwoPole, made, type Element, type TwoPoleElement } from './elements/index';
import { NetlistError } from './errors';
import { spiceNumber } from './spice/number';

/** Whether something that happens now and then happens this time: gives back a share below 1. */
export type Roll = () => number;

type Change = (element: TwoPoleElement, rest: readonly string[], roll: Roll) => Element[];

const instead = ({ name, nodes }: AnyTwoPole, ohms: number): Element[] => [
  { kind: 'resistor', name, nodes, ohms },
];

const CHANGES: Readonly<Record<string, Change>> = {
  open: (element) => instead(element, OPEN_OHMS),
  short: (element) => instead(element, SHORT_OHMS),
  set: (element, [text]) => [withValue(element, () => figure(text))],
  scale: (element, [text]) => [withValue(element, (value) => value * figure(text))],
  leak: (element, [text]) => [
    element,
    { kind: 'resistor', name: `${element.name}#leak`, nodes: element.nodes, ohms: positive(text) },
  ],
  stuck: (element, [where]) => {
    const contact =
      definitionOf(element).contact?.(element) ??
      fail(`“${element.name}” is no contact and cannot be stuck`);
    if (where !== 'open' && where !== 'closed') fail('a contact is stuck open or closed');
    const [closed, open] = contact;
    return instead(element, where === 'closed' ? closed : open);
  },
  flicker: (element, [rate], roll) =>
    roll() < figure(rate) ? instead(element, OPEN_OHMS) : [element],
};

export const CHANGE_WORDS = [...Object.keys(CHANGES), 'swap'];

const fail = (why: string): never => {
  throw new NetlistError(why);
};

function figure(text: string | undefined): number {
  return spiceNumber(text ?? '') ?? fail(`“${text ?? ''}” is not a figure`);
}

function positive(text: string | undefined): number {
  const value = figure(text);
  return value > 0 ? value : fail(`${value} must be above zero`);
}

/** With the one figure that a change may set. */
function withValue(element: TwoPoleElement, change: (value: number) => number): Element {
  const above = (value: number) =>
    value > 0 ? value : fail(`the value of “${element.name}” must be above zero`);
  const set = definitionOf(element).withValue?.(element, change, above);
  return set ? made(set) : fail(`“${element.name}” has no value that can be changed`);
}

/**
 * @param changes - In order; a later one sees what an earlier one made.
 * @param roll - For what happens now and then; absent, it does not happen.
 * @throws {NetlistError} for an unknown word, element or figure.
 */
export function changed(
  circuit: Circuit,
  changes: readonly string[],
  roll: Roll = () => 1,
): Circuit {
  let { elements } = circuit;
  for (const change of changes) if (change.trim() !== '') elements = apply(elements, change, roll);
  return { ...circuit, elements };
}

function apply(elements: readonly Element[], change: string, roll: Roll): readonly Element[] {
  const [verb = '', name = '', ...rest] = change.trim().toLowerCase().split(/\s+/);
  try {
    const index = elements.findIndex((element) => element.name === name);
    const element = elements[index];
    if (!element) return fail(`there is no element “${name}”`);
    if (!isTwoPole(element)) return fail(`“${name}” joins coils and cannot be changed`);
    if (verb === 'swap') return swapped(elements, element, rest);
    const make = Object.hasOwn(CHANGES, verb) ? CHANGES[verb] : undefined;
    if (!make) return fail(`“${verb}” is not known; there are ${CHANGE_WORDS.join(', ')}`);
    const made = make(element, rest, roll);
    if (made.every(({ kind }) => kind === element.kind || !neededBy(elements, name)))
      return elements.toSpliced(index, 1, ...made);
    return fail(`“${name}” is needed by another element and can only be scaled or set`);
  } catch (error) {
    if (error instanceof NetlistError) throw new NetlistError(`“${change}”: ${error.message}`);
    throw error;
  }
}

const neededBy = (elements: readonly Element[], name: string) =>
  elements.some(
    (each) =>
      ('through' in each && each.through === name) ||
      (each.kind === 'coupling' && each.coils.includes(name)),
  );

function swapped(
  elements: readonly Element[],
  one: TwoPoleElement,
  [name]: readonly string[],
): readonly Element[] {
  const two = elements.find((element) => element.name === name);
  if (!two || !isTwoPole(two)) return fail(`there is no element “${name ?? ''}”`);
  const [a, b] = [one.nodes, two.nodes];
  return elements.map((element) =>
    element === one
      ? { ...one, nodes: [a[0], b[1]] as const }
      : element === two
        ? { ...two, nodes: [b[0], a[1]] as const }
        : element,
  );
}

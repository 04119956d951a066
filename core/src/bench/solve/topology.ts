/** What can be seen before solving: nodes that nothing ties down, and loops of sources. */
import type { Circuit } from '../circuit';
import { GROUND } from '../elements/element';
import {
  conditionsOf,
  definitionOf,
  isTwoPole,
  nodesOf,
  type Element,
  type TwoPoleElement,
} from '../elements/index';
import { CircuitTooLargeError, FloatingNodeError, NetlistError, SourceLoopError } from '../errors';
import { MOST_ELEMENTS } from '../spice/read';
import { ABSURD } from '../spice/words';

/** Sets of nodes that grow together (union–find). */
class Islands {
  readonly #parent = new Map<string, string>();

  root(node: string): string {
    let at = node;
    for (let up = this.#parent.get(at); up !== undefined && up !== at; up = this.#parent.get(at))
      at = up;
    this.#parent.set(node, at);
    return at;
  }
  /** @returns whether they were apart. */
  join(a: string, b: string): boolean {
    const [ra, rb] = [this.root(a), this.root(b)];
    if (ra === rb) return false;
    this.#parent.set(ra, rb);
    return true;
  }
}

/**
 * @param tied - Every node leaks a little to ground, as air and dirt do: nothing can float.
 * @throws {FloatingNodeError | SourceLoopError | CircuitTooLargeError | NetlistError}
 */
export function checkTopology(circuit: Circuit, tied: boolean): void {
  const { elements } = circuit;
  if (elements.length > MOST_ELEMENTS)
    throw new CircuitTooLargeError('elements', elements.length, MOST_ELEMENTS);
  for (const element of elements) checkFigures(element);
  checkLoops(elements);
  if (tied) return;
  const islands = new Islands();
  const nodes = new Set<string>();
  for (const element of elements) {
    if (!isTwoPole(element)) continue;
    for (const node of nodesOf(element)) nodes.add(node);
    if (directOf(element) !== 'blocks') islands.join(...element.nodes);
  }
  const ground = islands.root(GROUND);
  const floating = [...nodes].filter((node) => islands.root(node) !== ground);
  if (floating.length > 0) throw new FloatingNodeError(floating);
}

const directOf = (element: TwoPoleElement) => definitionOf(element).direct(element);

function checkLoops(elements: readonly Element[]): void {
  const islands = new Islands();
  const joined: TwoPoleElement[] = [];
  const poles = elements.filter(isTwoPole);
  for (const element of poles)
    if (directOf(element) === 'gives-volts') {
      if (!islands.join(...element.nodes)) throw loop(element, joined);
      joined.push(element);
    }
  // Coils are a wire to direct current: alone in a loop they are harmless, across a source not.
  const coils = new Islands();
  for (const element of poles)
    if (directOf(element) === 'coil' && coils.join(...element.nodes)) {
      if (!islands.join(...element.nodes)) throw loop(element, joined);
      joined.push(element);
    }
}

/** The chain of earlier elements that closes over the last one. */
function loop(last: TwoPoleElement, joined: readonly TwoPoleElement[]): SourceLoopError {
  const [from, to] = last.nodes;
  const ways = new Map<string, { back: string; by: string }>([[from, { back: from, by: '' }]]);
  const queue = [from];
  for (let node = queue.shift(); node !== undefined && node !== to; node = queue.shift())
    for (const {
      name,
      nodes: [a, b],
    } of joined) {
      const next = a === node ? b : b === node ? a : undefined;
      if (next === undefined || ways.has(next)) continue;
      ways.set(next, { back: node, by: name });
      queue.push(next);
    }
  const names = [last.name];
  for (let way = ways.get(to); way && way.by !== ''; way = ways.get(way.back)) names.push(way.by);
  return new SourceLoopError(names);
}

const checked = new WeakSet<Element>();

function checkFigures(element: Element): void {
  if (checked.has(element)) return;
  const bad = figuresIn(element).find((value) => Number.isNaN(value) || Math.abs(value) > ABSURD);
  if (bad !== undefined) throw new NetlistError(`“${element.name}” has an absurd value: ${bad}`);
  checked.add(element);
}

function figuresIn(element: Element): number[] {
  // By far the most are of one figure.
  if (element.kind === 'resistor') return [element.ohms];
  const list: number[] = [];
  const walk = (value: unknown, key: string) => {
    if (typeof value === 'number') {
      // No end (a single pulse, no breakdown) is a meaning of its own.
      const endless = key === 'period' || key === 'width' || key === 'bv';
      if (!(endless && value === Infinity)) list.push(value);
    } else if (value && typeof value === 'object')
      for (const [name, each] of Object.entries(value)) walk(each, name);
  };
  walk(element, '');
  for (const condition of conditionsOf(element)) list.push(condition.level);
  return list;
}

/** Every kind of element. What is asked of elements as a whole is derived from this list. */
import { capacitor } from './capacitor';
import { cccs, ccvs, vccs, vcvs } from './controlled';
import type { Coupling } from './coupling';
import { diode } from './diode';
import { drive } from './drive';
import type { AnyTwoPole, Condition } from './element';
import type { ElementKindOf } from './element-kind';
import { fuse } from './fuse';
import { inductor } from './inductor';
import { lead } from './lead';
import { regulator } from './regulator';
import { resistor } from './resistor';
import { sequencer } from './sequencer';
import { current, voltage } from './sources';
import { switchElement } from './switch';
import { ntc, rtd } from './thermal';
import { varistor } from './varistor';

const ELEMENTS = [
  resistor,
  capacitor,
  inductor,
  voltage,
  current,
  diode,
  switchElement,
  sequencer,
  fuse,
  varistor,
  ntc,
  rtd,
  vcvs,
  vccs,
  ccvs,
  cccs,
  regulator,
  drive,
  lead,
] as const;

type ElementIn<D> = D extends ElementKindOf<infer E> ? E : never;
/** An element between two nodes. */
export type TwoPoleElement = ElementIn<(typeof ELEMENTS)[number]>;
export type Element = TwoPoleElement | Coupling;
export type ElementKind = Element['kind'];

type AnyKind = ElementKindOf<AnyTwoPole>;

const byKind: ReadonlyMap<string, AnyKind> = new Map(
  ELEMENTS.map((definition): [string, AnyKind] => [definition.kind, definition]),
);

/** What is known of an element by its kind. */
export function definitionOf({ kind }: AnyTwoPole): AnyKind {
  const known = byKind.get(kind);
  if (!known) throw new TypeError(`no element is of the kind “${kind}”`);
  return known;
}

export const isTwoPole = (element: Element): element is TwoPoleElement =>
  element.kind !== 'coupling';

/** The kind that a netlist’s line with this letter is of; undefined where it begins no element. */
export const readableBy = (letter: string): AnyKind | undefined =>
  ELEMENTS.find((each) => each.letter === letter && each.read !== undefined);

/** Behaviour blocks by their word. */
export const BLOCKS: ReadonlyMap<string, NonNullable<AnyKind['block']>> = new Map(
  ELEMENTS.flatMap(({ block }): [string, NonNullable<AnyKind['block']>][] =>
    block ? [[block.word, block]] : [],
  ),
);

/** Every node that an element touches, controls included. */
export function nodesOf(element: Element): readonly string[] {
  if (!isTwoPole(element)) return [];
  const { nodes, conditions } = definitionOf(element);
  if (!nodes && !conditions) return element.nodes;
  const awaited = conditionsOf(element).flatMap(({ plus, minus }) => [plus, minus]);
  return [...element.nodes, ...(nodes?.(element) ?? []), ...awaited];
}

/** Every node that these elements touch, each once, in the order in which they are met. */
export function allNodesOf(elements: readonly Element[]): Set<string> {
  const found = new Set<string>();
  for (const element of elements) for (const node of nodesOf(element)) found.add(node);
  return found;
}

/** Voltages that an element waits for. */
export const conditionsOf = (element: Element): readonly Condition[] =>
  isTwoPole(element) ? (definitionOf(element).conditions?.(element) ?? []) : [];

/** Elements that a definition made: what comes out of one is of the kinds that are listed here. */
export const made = (element: AnyTwoPole): TwoPoleElement => element as TwoPoleElement;

/**
 * What one kind of element is: how it is solved, changed, built, read and written. A new element is a file
 * here and a line in `index.ts`; the compiler asks for whatever was forgotten.
 */
import type { Words } from '../spice/words';
import type { Device, Unknowns } from './device';
import type { AnyTwoPole, Condition, DiodeModel, SwitchModel, Temperature } from './element';
import { writeNumber as figure } from '../spice/number';

/** What direct current does there, for what can be seen before solving. */
export type Direct =
  | 'passes'
  /** None passes: what hangs on it alone floats. */
  | 'blocks'
  /** A voltage is given: a loop of these has no solution. */
  | 'gives-volts'
  /** A wire to direct current. */
  | 'coil';

/** A `.model` of a netlist. */
export type Model =
  | { readonly kind: 'd'; readonly diode: DiodeModel }
  | { readonly kind: 'sw'; readonly sw: SwitchModel };
export type FindModel = (name: string) => Model | undefined;

/** A netlist being written. */
export interface Writing {
  /** Its own name as it must be written, and its nodes. */
  readonly name: string;
  readonly head: string;
  /** Name of another element as it is written. */
  readonly of: (name: string) => string;
  /** Name of a `.model` with this text. */
  readonly model: (text: string) => string;
}

/** @typeParam E - Inferred from `device`. */
export interface ElementKindOf<E extends AnyTwoPole> {
  readonly kind: E['kind'];
  /** With which a netlist begins it. */
  readonly letter: string;
  /** Whether its small-signal model is exact at any size of signal. */
  linear(element: E): boolean;
  direct(element: E): Direct;
  /** Its stamp. @param through - The branch of a source by name; it exists before what refers to it. */
  device(element: E, u: Unknowns, through: (name: string) => number): Device;
  /** How many unknowns of its own it brings, beside its nodes; none where absent. */
  unknowns?(element: E): number;
  /** Nodes that it touches beside its own two. */
  nodes?(element: E): readonly string[];
  /** Voltages that it waits for. */
  conditions?(element: E): readonly Condition[];
  /** With the one figure that a change may set; absent where there is none. @param above - Refuses below zero. */
  withValue?(element: E, change: (value: number) => number, above: (value: number) => number): E;
  /** Ohms closed and open, of what can be stuck. */
  contact?(element: E): readonly [closed: number, open: number];
  /** As it comes off the reel. @param factor - Drawn about 1, by the share stated or the usual one. */
  built?(element: E, factor: (usual: number) => number, roll: () => number): E;
  /** From a line of a netlist that begins with its letter. */
  read?(name: string, words: Words, model: FindModel, celsius: number): E;
  /** From a behaviour block `*@ word NAME …` that changes an ordinary element into this one. */
  readonly block?: {
    readonly word: string;
    read(element: AnyTwoPole, words: Words): E;
  };
  /** Lines of a netlist; none for what belongs to a meter. */
  write(element: E, writing: Writing): string[];
}

export const defineElement = <E extends AnyTwoPole>(kind: ElementKindOf<E>): ElementKindOf<E> =>
  kind;

/** The element as the kind that a block changes. */
export function needs<E extends AnyTwoPole>(
  kind: E['kind'],
  element: AnyTwoPole,
  words: Words,
  what: string,
): E {
  if (element.kind !== kind) words.fail(`“${element.name}” must be ${what}`);
  // Kinds and shapes belong together: every element was made by the definition of its kind.
  return element as E;
}

export const conditionText = ({ plus, minus, sense, level }: Condition): string =>
  `v(${plus},${minus})${sense === 'above' ? '>' : '<'}${figure(level)}`;
export const celsiusText = (value: Temperature): string =>
  typeof value === 'number' ? figure(value) : `v(${value.node})`;
export const initialText = (value: number | undefined): string =>
  value === undefined ? '' : ` ic=${figure(value)}`;

/** `ic=…` of a capacitor or coil. */
export function initialIn(words: Words): { initial?: number } {
  const value = words.named('ic');
  return value === undefined ? {} : { initial: value };
}

export const always = () => true;
export const never = () => false;

/** One statement's words, taken in order: figures, nodes, `key=value`. */
import { NOMINAL_CELSIUS, type Condition } from '../elements/element';
import { NetlistError } from '../errors';
import { evaluate } from './expression';
import type { Figures } from './params';
import type { Statement } from './lines';
import { spiceNumber } from './number';
import { nth } from '../../numeric/nth';

/** Figures beyond this are slips of the pen; they would only be lost in rounding. */
export const ABSURD = 1e15;
const NODE = /^[a-z0-9_][a-z0-9_.+#/-]*$/;

/** Where a statement stands: its parameters and how its names become the circuit's. */
export interface Surroundings {
  readonly scope: Figures;
  readonly node: (name: string) => string;
  readonly element: (name: string) => string;
}

export class Words {
  readonly line: number;
  readonly #plain: string[] = [];
  /** How many of them are taken. */
  #taken = 0;
  readonly #named = new Map<string, string>();
  readonly #around: Surroundings;

  constructor(statement: Statement, around: Surroundings) {
    this.line = statement.line;
    this.#around = around;
    for (const word of statement.words) {
      const equals = word.indexOf('=');
      if (equals <= 0) this.#plain.push(word);
      else if (this.#named.has(word.slice(0, equals)))
        this.fail(`“${word.slice(0, equals)}” is given twice`);
      else this.#named.set(word.slice(0, equals), word.slice(equals + 1));
    }
  }

  fail(why: string): never {
    throw new NetlistError(why, this.line);
  }

  get left(): number {
    return this.#plain.length - this.#taken;
  }

  /** The next word without taking it. */
  peek(): string | undefined {
    return this.#plain[this.#taken];
  }

  word(what: string): string {
    const word = this.#plain[this.#taken];
    if (word === undefined) return this.fail(`${what} is missing`);
    this.#taken += 1;
    return word;
  }

  last(what: string): string {
    return (this.left > 0 ? this.#plain.pop() : undefined) ?? this.fail(`${what} is missing`);
  }

  /** Undo {@link last}. */
  putBack(word: string): void {
    this.#plain.push(word);
  }

  node(): string {
    const name = this.word('a node');
    if (!NODE.test(name)) this.fail(`“${name}” is no name of a node`);
    return this.#around.node(name);
  }

  pair(): readonly [string, string] {
    return [this.node(), this.node()];
  }

  element(): string {
    return this.#around.element(this.word('the name of an element'));
  }

  figure(what: string): number {
    return this.value(this.word(what), what);
  }

  /** @throws {NetlistError} where it is neither a figure nor a formula with a finite result. */
  value(text: string, what: string): number {
    if (text.startsWith('{')) return evaluate(text.slice(1, -1), this.#around.scope, this.line);
    const value = spiceNumber(text) ?? this.#around.scope.get(text);
    if (value === undefined || !Number.isFinite(value))
      this.fail(`${what}: “${text}” is not a figure`);
    if (Math.abs(value) > ABSURD) this.fail(`${what}: ${text} is an absurd figure`);
    return value;
  }

  /** A figure that must lie above zero. */
  positive(what: string, value = this.figure(what)): number {
    if (!(value > 0)) this.fail(`${what} must be above zero; it is ${value}`);
    return value;
  }

  has(key: string): boolean {
    return this.#named.has(key);
  }

  take(key: string): string | undefined {
    const text = this.#named.get(key);
    this.#named.delete(key);
    return text;
  }

  named(key: string): number | undefined {
    const text = this.take(key);
    return text === undefined ? undefined : this.value(text, key);
  }

  namedOr(key: string, otherwise: number): number {
    return this.named(key) ?? otherwise;
  }

  demand(key: string): number {
    return this.named(key) ?? this.fail(`${key}=… is missing`);
  }

  /** `v(a)>3`, `v(a,b)<0.5`. */
  condition(key: string): Condition | undefined {
    const text = this.take(key);
    if (text === undefined) return undefined;
    const found = /^v\(([^,()]+)(?:,([^,()]+))?\)([<>])(.+)$/.exec(text);
    if (!found) return this.fail(`${key}: “${text}” should read like v(a)>3 or v(a,b)<0.5`);
    return {
      plus: this.#around.node(nth(found, 1)),
      minus: this.#around.node(found[2] ?? '0'),
      sense: found[3] === '>' ? 'above' : 'below',
      level: this.value(nth(found, 4), key),
    };
  }

  /** A temperature: a figure in °C, or `v(node)`. */
  temperature(key: string): number | { node: string } {
    const text = this.take(key) ?? this.fail(`${key}=… is missing`);
    const node = /^v\(([^(),]+)\)$/.exec(text)?.[1];
    return node === undefined ? this.value(text, key) : { node: this.#around.node(node) };
  }

  /** `tc1=`, `tc2=` (or `tc=`): the factor at a temperature, 1 at 27 °C. */
  coefficient(celsius: number): number {
    const more = celsius - NOMINAL_CELSIUS;
    const first = this.named('tc1') ?? this.namedOr('tc', 0);
    const factor = 1 + first * more + this.namedOr('tc2', 0) * more * more;
    if (!(factor > 0)) this.fail(`at ${celsius} °C its resistance would be below zero`);
    return factor;
  }
  /** All `key=value` pairs that are left, taken. */
  rest(): [string, string][] {
    const all = [...this.#named];
    this.#named.clear();
    return all;
  }

  /** Every statement ends with this: a word nobody took is a word nobody understood. */
  end(): void {
    const plain = this.peek();
    if (plain !== undefined) this.fail(`“${plain}” is not understood here`);
    const [named] = this.#named.keys();
    if (named !== undefined) this.fail(`“${named}=…” is not understood here`);
  }
}

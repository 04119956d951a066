/** `.param name=formula`: in any order, each may use those that stand further down. */
import { NetlistError } from '../errors';
import { evaluate, type Scope } from './expression';
import type { Statement } from './lines';
import { spiceNumber } from './number';

/** One that stands on another that stands on another: no deeper than this. */
const DEEPEST = 200;

/** Figures by name, all of them known. */
export class Figures implements Scope {
  readonly all: ReadonlyMap<string, number>;
  constructor(all: ReadonlyMap<string, number>) {
    this.all = all;
  }
  get(name: string): number | undefined {
    return this.all.get(name);
  }
}

interface Formula {
  readonly text: string;
  readonly line: number;
}

/**
 * @param outer - Figures of the surroundings, which these cover.
 * @throws {NetlistError} for a formula that stands on itself, or that cannot be worked out.
 */
export function paramsOf(statements: readonly Statement[], { all: outer }: Figures): Figures {
  if (statements.length === 0) return new Figures(outer);
  const formulas = new Map<string, Formula>();
  for (const { words, line } of statements)
    for (const word of words.slice(1)) {
      const equals = word.indexOf('=');
      if (equals <= 0) throw new NetlistError(`.param takes name=figure; “${word}” is not`, line);
      const text = word.slice(equals + 1).replace(/^\{(.*)\}$/, '$1');
      formulas.set(word.slice(0, equals), { text, line });
    }
  const found = new Map<string, number>();
  const open = new Set<string>();
  const get = (name: string): number | undefined => {
    const known = found.get(name);
    if (known !== undefined) return known;
    const formula = formulas.get(name);
    if (!formula) return outer.get(name);
    const { text, line } = formula;
    // Its own name inside it means the one of the surroundings: a subcircuit may pass on what it is given.
    if (open.has(name)) {
      const outside = outer.get(name);
      if (outside !== undefined) return outside;
      throw new NetlistError(`“${name}” stands on itself: “${text}”`, line);
    }
    if (open.size >= DEEPEST)
      throw new NetlistError(`“${name}”: too many parameters stand on each other`, line);
    open.add(name);
    const value = spiceNumber(text) ?? evaluate(text, { get }, line);
    open.delete(name);
    found.set(name, value);
    return value;
  };
  for (const name of formulas.keys()) get(name);
  return new Figures(new Map([...outer, ...found]));
}

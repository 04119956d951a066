/** Arithmetic of `.param` and `{…}`: + − * / ^, brackets, names and a few functions. */
import { NetlistError } from '../errors';
import { spiceNumber } from './number';
import { nth } from '../../numeric/nth';

const TOKEN =
  /\s*(?:((?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?(?:meg|mil|[a-z]+)?)|([a-z_][a-z0-9_]*)|(\*\*|[-+*/^(),]))/iy;
const FUNCTIONS: Readonly<Record<string, (...args: number[]) => number>> = {
  sqrt: Math.sqrt,
  abs: Math.abs,
  exp: Math.exp,
  ln: Math.log,
  log: Math.log,
  min: Math.min,
  max: Math.max,
};
/** Brackets in brackets beyond this are no formula of a service sheet. */
const DEEPEST = 50;

/** Figures by name. */
export interface Scope {
  get(name: string): number | undefined;
}

/**
 * @param line - For the message.
 * @throws {NetlistError} for an unknown name, a broken formula or a result that is not finite.
 */
export function evaluate(text: string, scope: Scope, line?: number): number {
  const tokens = split(text, line);
  let at = 0;
  const fail = (why: string): never => {
    throw new NetlistError(`“${text}”: ${why}`, line);
  };
  const take = (token: string) => tokens[at] === token && (at += 1) > 0;

  function sum(depth: number): number {
    let value = product(depth);
    for (;;) {
      if (take('+')) value += product(depth);
      else if (take('-')) value -= product(depth);
      else return value;
    }
  }
  function product(depth: number): number {
    let value = signed(depth);
    for (;;) {
      if (take('*')) value *= signed(depth);
      else if (take('/')) value /= signed(depth);
      else return value;
    }
  }
  function signed(depth: number): number {
    if (depth > DEEPEST) fail('nests too deep');
    if (take('-')) return -signed(depth + 1);
    if (take('+')) return signed(depth + 1);
    const base = atom(depth);
    return take('^') || take('**') ? base ** signed(depth + 1) : base;
  }
  function atom(depth: number): number {
    if (take('(')) {
      const value = sum(depth + 1);
      if (!take(')')) fail('a bracket is not closed');
      return value;
    }
    const token = tokens[at];
    if (token === undefined) return fail('something is missing at its end');
    at += 1;
    const figure = spiceNumber(token);
    if (figure !== undefined) return figure;
    const name = token.toLowerCase();
    if (tokens[at] === '(' && Object.hasOwn(FUNCTIONS, name)) return call(name, depth);
    return scope.get(name) ?? fail(`“${token}” is not known here`);
  }
  function call(name: string, depth: number): number {
    at += 1;
    const args: number[] = [];
    do args.push(sum(depth + 1));
    while (take(','));
    if (!take(')')) fail('a bracket is not closed');
    return FUNCTIONS[name]?.(...args) ?? NaN;
  }

  const value = sum(0);
  if (at < tokens.length) fail(`“${tokens[at]}” is out of place`);
  if (!Number.isFinite(value)) fail('the result is not a finite figure');
  return value;
}

function split(text: string, line: number | undefined): string[] {
  const tokens: string[] = [];
  TOKEN.lastIndex = 0;
  const body = text.trimEnd();
  while (TOKEN.lastIndex < body.length) {
    const from = TOKEN.lastIndex;
    const found = TOKEN.exec(body);
    if (!found) throw new NetlistError(`“${text}”: “${body.slice(from)}” cannot be read`, line);
    tokens.push(found[1] ?? found[2] ?? nth(found, 3));
  }
  return tokens;
}

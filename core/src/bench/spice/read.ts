/**
 * SPICE netlists in: `.subckt`/X, `.model` D and SW, `.param`, R L C V I D S E F G H K, and the
 * analyses `.op`, `.tran`, `.ac`. What is not known is an error that names its line: nothing is
 * half read.
 */
import type { Analysis, Circuit, Rating } from '../circuit';
import type { Element } from '../elements/index';
import { CircuitTooLargeError, NetlistError } from '../errors';
import { readAnalysis } from './analyses';
import { applyDirective } from './directives';
import { beginsElement, readElement, readModel } from './elements';
import { type Model } from '../elements/element-kind';
import { evaluate } from './expression';
import { statementsOf, type Statement } from './lines';
import { spiceNumber } from './number';
import { Words, type Surroundings } from './words';
import { nth } from '../../numeric/nth';

/** A service board's bench has tens of elements; beyond this the answer would not come in time. */
export const MOST_ELEMENTS = 2000;
const DEEPEST_SUBCIRCUIT = 20;

interface Subcircuit {
  readonly ports: readonly string[];
  readonly defaults: readonly (readonly [string, string])[];
  readonly body: readonly Statement[];
  readonly line: number;
}

/**
 * @throws {NetlistError} naming the line; {CircuitTooLargeError} beyond {@link MOST_ELEMENTS}.
 */
export function readNetlist(text: string): Circuit {
  const { title, statements } = statementsOf(text);
  const { top, subcircuits } = separate(statements);
  const elements = new Map<string, Element>();
  const ratings: Rating[] = [];
  const analyses: Analysis[] = [];
  const around = plain(new Map());
  expand(top, around, new Map(), 0);
  checkReferences(elements);
  return { title, elements: [...elements.values()], ratings, analyses };

  function expand(
    body: readonly Statement[],
    outer: Surroundings,
    outerModels: ReadonlyMap<string, Model>,
    depth: number,
  ): void {
    const scope = new Map(outer.scope);
    const here: Surroundings = { ...outer, scope };
    const models = new Map(outerModels);
    const dot = (word: string) =>
      body.filter(({ words, directive }) => !directive && words[0] === word);
    for (const statement of dot('.param')) readParams(statement, scope);
    for (const statement of dot('.model')) {
      const words = new Words(statement, here);
      words.word('.model');
      models.set(words.word('the name of the model'), readModel(words));
    }
    for (const statement of body) {
      const first = statement.words[0] ?? '';
      if (statement.directive || first === '.param' || first === '.model') continue;
      const words = new Words(statement, here);
      if (first.startsWith('.')) {
        if (depth > 0) words.fail(`“${first}” has no place inside a subcircuit`);
        analyses.push(readAnalysis(words));
      } else if (first.startsWith('x')) instance(words, here, models, depth);
      else if (beginsElement(first.charAt(0)))
        add(
          readElement(first.charAt(0), words, (m) => models.get(m)),
          words,
        );
      else words.fail(`“${first}” is not understood`);
    }
    for (const statement of body)
      if (statement.directive) applyDirective(new Words(statement, here), elements, ratings);
  }

  function add(element: Element, words: Words): void {
    words.end();
    if (elements.has(element.name)) words.fail(`there are two elements “${element.name}”`);
    if (elements.size >= MOST_ELEMENTS)
      throw new CircuitTooLargeError('or more elements', elements.size + 1, MOST_ELEMENTS);
    elements.set(element.name, element);
  }

  function instance(
    words: Words,
    here: Surroundings,
    models: ReadonlyMap<string, Model>,
    depth: number,
  ): void {
    if (depth >= DEEPEST_SUBCIRCUIT) words.fail('subcircuits nest too deep, or contain themselves');
    const name = words.element();
    const kind = words.last('the name of its subcircuit');
    const sub = subcircuits.get(kind) ?? words.fail(`there is no .subckt “${kind}”`);
    const outside: string[] = [];
    while (words.left > 0) outside.push(words.node());
    if (outside.length !== sub.ports.length)
      words.fail(`“${kind}” has ${sub.ports.length} nodes; here are ${outside.length}`);
    const ports = new Map(sub.ports.map((port, i) => [port, nth(outside, i)]));
    const scope = new Map(here.scope);
    const given = new Map(words.rest());
    for (const [key, text] of sub.defaults) {
      scope.set(key, words.value(given.get(key) ?? text, key));
      given.delete(key);
    }
    for (const key of given.keys()) words.fail(`“${kind}” has no parameter “${key}”`);
    expand(
      sub.body,
      {
        scope,
        node: (node) =>
          node === '0' || node === 'gnd' ? '0' : (ports.get(node) ?? `${name}.${node}`),
        element: (element) => `${name}.${element}`,
      },
      models,
      depth + 1,
    );
  }
}

const plain = (scope: ReadonlyMap<string, number>): Surroundings => ({
  scope,
  node: (name) => (name === 'gnd' ? '0' : name),
  element: (name) => name,
});

function separate(statements: readonly Statement[]) {
  const top: Statement[] = [];
  const subcircuits = new Map<string, Subcircuit>();
  let open: { name: string; sub: Subcircuit; body: Statement[] } | undefined;
  for (const statement of statements) {
    const [first, name, ...rest] = statement.words;
    if (!statement.directive && first === '.subckt') {
      if (open) throw new NetlistError('.subckt inside a .subckt', statement.line);
      if (!name) throw new NetlistError('.subckt needs a name', statement.line);
      if (subcircuits.has(name))
        throw new NetlistError(`there are two .subckt “${name}”`, statement.line);
      const words = rest.filter((word) => word !== 'params:');
      const defaults = words
        .filter((word) => word.includes('='))
        .map(
          (word) => [word.slice(0, word.indexOf('=')), word.slice(word.indexOf('=') + 1)] as const,
        );
      const body: Statement[] = [];
      const ports = words.filter((word) => !word.includes('='));
      open = { name, body, sub: { ports, defaults, body, line: statement.line } };
      subcircuits.set(name, open.sub);
    } else if (!statement.directive && first === '.ends') {
      if (!open) throw new NetlistError('.ends without a .subckt', statement.line);
      open = undefined;
    } else (open?.body ?? top).push(statement);
  }
  if (open) throw new NetlistError(`.subckt “${open.name}” has no .ends`, open.sub.line);
  return { top, subcircuits };
}

function readParams(statement: Statement, scope: Map<string, number>): void {
  for (const word of statement.words.slice(1)) {
    const equals = word.indexOf('=');
    if (equals <= 0)
      throw new NetlistError(`.param takes name=figure; “${word}” is not`, statement.line);
    const text = word.slice(equals + 1).replace(/^\{(.*)\}$/, '$1');
    const value = spiceNumber(text) ?? evaluate(text, scope, statement.line);
    scope.set(word.slice(0, equals), value);
  }
}

/** F and H name a source, K names coils. */
function checkReferences(elements: ReadonlyMap<string, Element>): void {
  for (const element of elements.values()) {
    if ('through' in element) {
      const source = elements.get(element.through);
      if (source?.kind !== 'voltage')
        throw new NetlistError(
          `“${element.name}” takes the current of “${element.through}”, which is no voltage source here`,
        );
    }
    if (element.kind === 'coupling') {
      const [a, b] = element.coils;
      for (const coil of element.coils)
        if (elements.get(coil)?.kind !== 'inductor')
          throw new NetlistError(`“${element.name}” couples “${coil}”, which is no coil here`);
      if (a === b) throw new NetlistError(`“${element.name}” couples “${a}” with itself`);
    }
  }
}

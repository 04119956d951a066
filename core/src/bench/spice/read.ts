/**
 * SPICE netlists in: `.subckt`/X, `.model` D and SW, `.param`, `.temp`, R L C V I D S E F G H K, and the
 * analyses `.op`, `.tran`, `.ac`. What is not known is an error that names its line, and what to write
 * instead where that is known: nothing is half read.
 */
import type { Analysis, Circuit, Rating } from '../circuit';
import type { Element } from '../elements/index';
import { CircuitTooLargeError, NetlistError } from '../errors';
import { readAnalysis } from './analyses';
import { applyDirective } from './directives';
import { beginsElement, insteadOf, readElement, readModel } from './elements';
import { type Model } from '../elements/element-kind';
import { statementsOf, type Statement } from './lines';
import { celsiusOf } from './options';
import { Figures, paramsOf } from './params';
import { withEdges } from './sources';
import { Words, type Surroundings } from './words';
import { nth } from '../../numeric/nth';

/** A service board's bench has tens of elements; beyond this the answer would not come in time. */
export const MOST_ELEMENTS = 2000;
const DEEPEST_SUBCIRCUIT = 20;
/** Statements read, those of subcircuits once for each time they are used. */
const MOST_STATEMENTS = 200_000;

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
  const lines = new Map<string, number>();
  const around = plain(new Map());
  const celsius = celsiusOf(top, around);
  let statementsRead = 0;
  expand(top, around, new Map(), 0);
  checkReferences(elements, lines);
  const step = analyses.find((each) => each.kind === 'tran')?.step;
  return { title, elements: [...elements.values()].map(edged(step)), ratings, analyses };

  function expand(
    body: readonly Statement[],
    outer: Surroundings,
    outerModels: ReadonlyMap<string, Model>,
    depth: number,
  ): void {
    const dot = (word: string) =>
      body.filter(({ words, directive }) => !directive && words[0] === word);
    const scope = paramsOf(dot('.param'), outer.scope);
    const here: Surroundings = { ...outer, scope };
    const models = new Map(outerModels);
    for (const statement of dot('.model')) {
      const words = new Words(statement, here);
      words.word('.model');
      models.set(words.word('the name of the model'), readModel(words, celsius));
    }
    for (const statement of body) {
      const first = statement.words[0] ?? '';
      statementsRead += 1;
      if (statementsRead > MOST_STATEMENTS)
        throw new CircuitTooLargeError(
          'or more lines, its subcircuits put in',
          statementsRead,
          MOST_STATEMENTS,
          statement.line,
        );
      if (statement.directive || READ_BEFORE.has(first)) continue;
      const words = new Words(statement, here);
      if (first.startsWith('.')) {
        if (depth > 0) words.fail(`“${first}” has no place inside a subcircuit`);
        addAnalysis(analyses, words);
      } else if (first.startsWith('x')) instance(words, here, models, depth);
      else if (beginsElement(first.charAt(0)))
        add(
          readElement(first.charAt(0), words, (m) => models.get(m), celsius),
          words,
        );
      else words.fail(insteadOf(first.charAt(0)) ?? `“${first}” is not understood`);
    }
    for (const statement of body)
      if (statement.directive) applyDirective(new Words(statement, here), elements, ratings);
  }

  function add(element: Element, words: Words): void {
    words.end();
    if (elements.has(element.name)) words.fail(`there are two elements “${element.name}”`);
    if (elements.size >= MOST_ELEMENTS)
      throw new CircuitTooLargeError(
        'or more elements',
        elements.size + 1,
        MOST_ELEMENTS,
        words.line,
      );
    elements.set(element.name, element);
    lines.set(element.name, words.line);
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
    const scope = new Map(here.scope.all);
    const given = new Map(words.rest());
    for (const [key, text] of sub.defaults) {
      scope.set(key, words.value(given.get(key) ?? text, key));
      given.delete(key);
    }
    for (const key of given.keys()) words.fail(`“${kind}” has no parameter “${key}”`);
    expand(
      sub.body,
      {
        scope: new Figures(scope),
        node: (node) =>
          node === '0' || node === 'gnd' ? '0' : (ports.get(node) ?? `${name}.${node}`),
        element: (element) => `${name}.${element}`,
      },
      models,
      depth + 1,
    );
  }
}

const plain = (all: ReadonlyMap<string, number>): Surroundings => ({
  scope: new Figures(all),
  node: (name) => (name === 'gnd' ? '0' : name),
  element: (name) => name,
});

/** Statements that are read before the others, wherever they stand. */
const READ_BEFORE: ReadonlySet<string> = new Set([
  '.param',
  '.model',
  '.temp',
  '.options',
  '.option',
]);

/** Of a kind that is asked for twice only one answer is given: which, would be a guess. */
function addAnalysis(analyses: Analysis[], words: Words): void {
  const analysis = readAnalysis(words);
  if (!analysis) return;
  const before = analyses.find(({ kind }) => kind === analysis.kind);
  if (!before) analyses.push(analysis);
  else if (JSON.stringify(before) !== JSON.stringify(analysis))
    words.fail(`there are two .${analysis.kind} that differ; keep the one that is wanted`);
}

const edged =
  (step: number | undefined) =>
  (element: Element): Element =>
    'wave' in element ? { ...element, wave: withEdges(element.wave, step) } : element;

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

/** F and H name a source, K names coils. */
function checkReferences(
  elements: ReadonlyMap<string, Element>,
  lines: ReadonlyMap<string, number>,
): void {
  const fail = ({ name }: Element, why: string): never => {
    throw new NetlistError(`“${name}” ${why}`, lines.get(name));
  };
  for (const element of elements.values()) {
    if ('through' in element && elements.get(element.through)?.kind !== 'voltage')
      fail(
        element,
        `takes the current of “${element.through}”, which is no voltage source here; put a source of 0 V where that current flows`,
      );
    if (element.kind === 'coupling') {
      const [a, b] = element.coils;
      for (const coil of element.coils)
        if (elements.get(coil)?.kind !== 'inductor')
          fail(element, `couples “${coil}”, which is no coil here`);
      if (a === b) fail(element, `couples “${a}” with itself`);
    }
  }
}

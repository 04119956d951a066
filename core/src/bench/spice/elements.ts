/** One element line, by its first letter. */
import type { DiodeModel, Element, SwitchModel } from '../circuit';
import { readSource } from './sources';
import type { Words } from './words';

export type Model =
  | { readonly kind: 'd'; readonly diode: DiodeModel }
  | { readonly kind: 'sw'; readonly sw: SwitchModel };
export type FindModel = (name: string) => Model | undefined;

/** The letters that begin an element; X is expanded before. */
export const LETTERS = 'rlcvidsegfhk';

export function readElement(letter: string, words: Words, model: FindModel): Element {
  const name = words.element();
  switch (letter) {
    case 'r':
      return { kind: 'resistor', name, nodes: words.pair(), ohms: resistance(words) };
    case 'c':
      return {
        kind: 'capacitor',
        name,
        nodes: words.pair(),
        farads: words.positive('its capacitance'),
        ...initial(words),
      };
    case 'l':
      return {
        kind: 'inductor',
        name,
        nodes: words.pair(),
        henries: words.positive('its inductance'),
        ...initial(words),
      };
    case 'v':
    case 'i': {
      const nodes = words.pair();
      return { kind: letter === 'v' ? 'voltage' : 'current', name, nodes, ...readSource(words) };
    }
    case 'd': {
      const nodes = words.pair();
      const found = modelFor(words, model);
      if (found.kind !== 'd') return words.fail('a diode needs a model of kind D');
      return { kind: 'diode', name, nodes, model: found.diode };
    }
    case 's': {
      const nodes = words.pair();
      const control = words.pair();
      const found = modelFor(words, model);
      if (found.kind !== 'sw') return words.fail('a switch needs a model of kind SW');
      const word = words.left > 0 ? words.word('on or off') : undefined;
      if (word !== undefined && word !== 'on' && word !== 'off')
        return words.fail(`“${word}” should be on or off`);
      return {
        kind: 'switch',
        name,
        nodes,
        control,
        model: found.sw,
        ...(word && { on: word === 'on' }),
      };
    }
    case 'e':
      return {
        kind: 'vcvs',
        name,
        nodes: words.pair(),
        control: words.pair(),
        gain: words.figure('its gain'),
      };
    case 'g':
      return {
        kind: 'vccs',
        name,
        nodes: words.pair(),
        control: words.pair(),
        siemens: words.figure('its transconductance'),
      };
    case 'f':
      return {
        kind: 'cccs',
        name,
        nodes: words.pair(),
        through: words.element(),
        gain: words.figure('its gain'),
      };
    case 'h':
      return {
        kind: 'ccvs',
        name,
        nodes: words.pair(),
        through: words.element(),
        ohms: words.figure('its transresistance'),
      };
    default: {
      const coils = [words.element(), words.element()] as const;
      const k = words.figure('its coupling');
      if (!(k > 0 && k <= 1)) words.fail(`a coupling lies above 0 and up to 1; this is ${k}`);
      return { kind: 'coupling', name, coils, k };
    }
  }
}

function resistance(words: Words): number {
  const ohms = words.figure('its resistance');
  if (ohms === 0) words.fail('a resistance of 0 joins two nodes; give them one name instead');
  if (ohms < 0) words.fail(`its resistance is below zero (${ohms})`);
  return ohms;
}

function initial(words: Words): { initial?: number } {
  const value = words.named('ic');
  return value === undefined ? {} : { initial: value };
}

function modelFor(words: Words, model: FindModel): Model {
  const name = words.word('its model');
  return model(name) ?? words.fail(`there is no .model “${name}”`);
}

/** `.model NAME D(IS=… …)` or `SW(VT=… …)`, its name taken before. */
export function readModel(words: Words): Model {
  const kind = words.word('the kind of the model');
  if (kind === 'd') {
    const diode: DiodeModel = {
      is: words.positive('is', words.namedOr('is', 1e-14)),
      n: words.positive('n', words.namedOr('n', 1)),
      rs: words.namedOr('rs', 0),
      bv: words.positive('bv', words.named('bv') ?? Infinity),
      ibv: words.positive('ibv', words.namedOr('ibv', 1e-3)),
    };
    if (diode.rs < 0) words.fail('rs is below zero');
    words.end();
    return { kind: 'd', diode };
  }
  if (kind !== 'sw') return words.fail(`models are of kind D or SW; “${kind}” is not known`);
  const sw: SwitchModel = {
    vt: words.namedOr('vt', 0),
    vh: words.namedOr('vh', 0),
    ron: words.positive('ron', words.namedOr('ron', 1)),
    roff: words.positive('roff', words.namedOr('roff', 1e12)),
  };
  words.end();
  return { kind: 'sw', sw };
}

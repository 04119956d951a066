/** One element line, by its first letter; and models. */
import { COUPLING_LETTER, readCoupling } from '../elements/coupling';
import { thermalVolts } from '../elements/diode';
import { KELVIN, NOMINAL_CELSIUS, type DiodeModel, type SwitchModel } from '../elements/element';
import type { FindModel, Model } from '../elements/element-kind';
import { made, readableBy, type Element } from '../elements/index';
import type { Words } from './words';

/** Whether a line begins an element; X is expanded before. */
export const beginsElement = (letter: string): boolean =>
  letter === COUPLING_LETTER || readableBy(letter) !== undefined;

export function readElement(
  letter: string,
  words: Words,
  model: FindModel,
  celsius: number,
): Element {
  const name = words.element();
  const read = readableBy(letter)?.read;
  return read ? made(read(name, words, model, celsius)) : readCoupling(name, words);
}

const AS_SWITCH =
  'a transistor that switches is written as a switch: S1 collector emitter base emitter SQ, with .model SQ SW(VT=0.65 VH=0.05 RON=0.2 ROFF=1e8)';
const AS_MOS_SWITCH =
  'a transistor that switches is written as a switch: S1 drain source gate source SM, with .model SM SW(VT=4 VH=0.5 RON=0.05 ROFF=1e8), and its body diode as a D beside it';
/** What is not read, by model or letter, and what to write instead. */
const INSTEAD: Readonly<Record<string, string>> = {
  npn: AS_SWITCH,
  pnp: AS_SWITCH,
  nmos: AS_MOS_SWITCH,
  pmos: AS_MOS_SWITCH,
  njf: AS_MOS_SWITCH,
  pjf: AS_MOS_SWITCH,
  q: AS_SWITCH,
  m: AS_MOS_SWITCH,
  j: AS_MOS_SWITCH,
  csw: 'a switch worked by a current is written with the voltage over a small resistor in its way',
  b: 'a behaviour source (B…) is not read; write it with E, G, F or H, or a regulator block',
  t: 'a line (T…) is not read; write its resistance and capacitance',
  w: 'a switch worked by a current is written as S…, with the voltage over a small resistor in its way',
};
/** What to write in the place of an element that is not read; undefined where nothing is known of it. */
export const insteadOf = (letter: string): string | undefined => INSTEAD[letter];

/** What a junction stores: its depletion and its diffusion. */
function storing(words: Words): Partial<DiodeModel> {
  const cjo = words.named('cjo') ?? words.named('cj0') ?? 0;
  const tt = words.namedOr('tt', 0);
  const vj = words.positive('vj', words.named('vj') ?? words.named('pb') ?? 1);
  const m = words.namedOr('m', 0.5);
  if (!(m >= 0 && m < 1)) words.fail(`m lies from 0 up to 1; it is ${m}`);
  return cjo === 0 && tt === 0 ? {} : { cjo, tt, vj, m };
}

/**
 * A junction at another temperature than its model's.
 * @see Antognetti and Massobrio, Semiconductor Device Modeling with SPICE (1988), section 1.4.
 */
function atCelsius(model: DiodeModel, celsius: number, eg: number, xti: number): DiodeModel {
  if (celsius === NOMINAL_CELSIUS) return model;
  const ratio = (celsius + KELVIN) / (NOMINAL_CELSIUS + KELVIN);
  const volts = model.n * thermalVolts(celsius);
  const is = model.is * ratio ** (xti / model.n) * Math.exp(((ratio - 1) * eg) / volts);
  return { ...model, is, celsius };
}

/** `.model NAME D(IS=… …)` or `SW(VT=… …)`, its name taken before. */
export function readModel(words: Words, celsius: number): Model {
  const kind = words.word('the kind of the model');
  if (kind === 'd') {
    const diode: DiodeModel = {
      is: words.positive('is', words.namedOr('is', 1e-14)),
      n: words.positive('n', words.namedOr('n', 1)),
      rs: words.namedOr('rs', 0),
      bv: words.positive('bv', words.named('bv') ?? Infinity),
      ibv: words.positive('ibv', words.namedOr('ibv', 1e-3)),
      ...storing(words),
    };
    for (const key of ['rs', 'cjo', 'tt'] as const)
      if ((diode[key] ?? 0) < 0) words.fail(`${key} is below zero`);
    const [eg, xti] = [words.namedOr('eg', 1.11), words.namedOr('xti', 3)];
    words.end();
    return { kind: 'd', diode: atCelsius(diode, celsius, eg, xti) };
  }
  const instead = INSTEAD[kind];
  if (instead) return words.fail(instead);
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

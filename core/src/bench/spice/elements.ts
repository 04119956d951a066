/** One element line, by its first letter. */
import { COUPLING_LETTER, readCoupling } from '../elements/coupling';
import type { DiodeModel, SwitchModel } from '../elements/element';
import type { FindModel, Model } from '../elements/element-kind';
import { made, readableBy, type Element } from '../elements/index';
import type { Words } from './words';

/** Whether a line begins an element; X is expanded before. */
export const beginsElement = (letter: string): boolean =>
  letter === COUPLING_LETTER || readableBy(letter) !== undefined;

export function readElement(letter: string, words: Words, model: FindModel): Element {
  const name = words.element();
  const read = readableBy(letter)?.read;
  return read ? made(read(name, words, model)) : readCoupling(name, words);
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

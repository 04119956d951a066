import { abs } from '../arithmetic';
import type { Moment, Solution, Unknowns } from './device';
import { VariableResistor } from './variable-resistor';
import { writeNumber as figure } from '../spice/number';
import type { Between, SwitchModel, TwoPole } from './element';
import { defineElement, needs } from './element-kind';

export interface SwitchElement extends TwoPole<'switch'> {
  readonly control: Between;
  readonly model: SwitchModel;
  readonly on?: boolean;
  /** Set by a relay block: the coil pulls on either sign and lets go after this long, s. */
  readonly hold?: number;
}

/**
 * A contact that a voltage closes, with hysteresis. As a relay (`hold`) its coil pulls on either sign
 * and lets go only after the coil has been too weak for so long, so that AC does not make it buzz.
 */
export class Switch extends VariableResistor {
  readonly #element: SwitchElement;
  readonly #plus: number;
  readonly #minus: number;
  #on: boolean;
  /** The last moment at which the coil was strong enough, s. */
  #strong = -Infinity;

  constructor(element: SwitchElement, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#element = element;
    this.#plus = u.node(element.control[0]);
    this.#minus = u.node(element.control[1]);
    this.#on = element.on ?? false;
  }

  protected siemens(): number {
    const { ron, roff } = this.#element.model;
    return 1 / (this.#on ? ron : roff);
  }
  override reset(): void {
    this.#on = this.#element.on ?? false;
    this.#strong = -Infinity;
  }
  override begin(_x: Solution, at: Moment): void {
    if (this.#on) this.#strong = at.t;
  }
  override get discrete(): boolean {
    return true;
  }
  override keep(): () => void {
    const [on, strong] = [this.#on, this.#strong];
    return () => {
      this.#on = on;
      this.#strong = strong;
    };
  }
  override restless(x: Solution): boolean {
    const { model, hold } = this.#element;
    // A relay remembers when its coil was last strong enough.
    if (hold !== undefined) return true;
    const control = (x[this.#plus] ?? 0) - (x[this.#minus] ?? 0);
    return this.#on ? control < model.vt - model.vh : control > model.vt + model.vh;
  }
  override flip(x: Solution, at: Moment): boolean {
    const { model, hold } = this.#element;
    const across = (x[this.#plus] ?? 0) - (x[this.#minus] ?? 0);
    const control = hold === undefined ? across : abs(across);
    let now = this.#on;
    if (control > model.vt + model.vh) {
      now = true;
      this.#strong = at.t;
    } else if (control < model.vt - model.vh)
      now = this.#on && hold !== undefined && at.h > 0 && at.t - this.#strong < hold;
    const changed = now !== this.#on;
    this.#on = now;
    return changed;
  }
}

export const switchElement = defineElement<SwitchElement>({
  kind: 'switch',
  letter: 's',
  // As linear as a resistor while what works it stands still, which is looked at afterwards.
  linear: ({ hold }) => hold === undefined,
  direct: () => 'passes',
  device: (element, u) => new Switch(element, u),
  nodes: ({ control }) => control,
  contact: ({ model: { ron, roff } }) => [ron, roff],
  read(name, words, find) {
    const nodes = words.pair();
    const control = words.pair();
    const model = words.word('its model');
    const found = find(model) ?? words.fail(`there is no .model “${model}”`);
    if (found.kind !== 'sw') return words.fail('a switch needs a model of kind SW');
    const word = words.left > 0 ? words.word('on or off') : undefined;
    if (word !== undefined && word !== 'on' && word !== 'off')
      return words.fail(`“${word}” should be on or off`);
    const on = word && { on: word === 'on' };
    return { kind: 'switch', name, nodes, control, model: found.sw, ...on };
  },
  block: {
    word: 'relay',
    read: (element, words) => ({
      ...needs<SwitchElement>('switch', element, words, 'a switch (S…)'),
      hold: words.positive('hold', words.namedOr('hold', 0.03)),
    }),
  },
  write({ control, model: { vt, vh, ron, roff }, on, hold }, { name, head, model }) {
    const kind = model(
      `sw(vt=${figure(vt)} vh=${figure(vh)} ron=${figure(ron)} roff=${figure(roff)})`,
    );
    const state = on === undefined ? '' : on ? ' on' : ' off';
    return [
      `${head} ${control.join(' ')} ${kind}${state}`,
      ...(hold === undefined ? [] : [`*@ relay ${name} hold=${figure(hold)}`]),
    ];
  },
});

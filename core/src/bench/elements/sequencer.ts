import type { Moment, Solution, Unknowns } from './device';
import { Latch } from './latch';
import { VariableResistor } from './variable-resistor';
import { writeNumber as figure } from '../spice/number';
import type { Condition, TwoPole } from './element';
import { conditionText, defineElement, needs, never } from './element-kind';
import type { SwitchElement } from './switch';

/** Closes `after` seconds of `when`, opens `lasts` seconds later. */
export interface SequencerElement extends TwoPole<'sequencer'> {
  readonly ron: number;
  readonly roff: number;
  readonly when: Condition;
  readonly after: number;
  readonly until?: Condition;
  readonly lasts?: number;
}

/**
 * A switch worked by time: closes once its condition has held for `after` seconds, opens again
 * `lasts` seconds later or when `until` comes true, and begins anew only after the condition has gone.
 * In a settled operating point it stands where it comes to rest; in the one that starts a transient,
 * where it is at that moment.
 */
export class Sequencer extends VariableResistor {
  readonly #element: SequencerElement;
  readonly #when: Latch;
  readonly #until: Latch | undefined;
  #on = false;
  #done = false;
  /** Since when the condition has held, s. */
  #since = Infinity;

  constructor(element: SequencerElement, u: Unknowns) {
    super(element.name, element.nodes, u);
    this.#element = element;
    this.#when = new Latch(element.when, u);
    this.#until = element.until && new Latch(element.until, u);
  }

  protected siemens(): number {
    return 1 / (this.#on ? this.#element.ron : this.#element.roff);
  }
  override reset(): void {
    this.#when.reset();
    this.#until?.reset();
    this.#on = false;
    this.#done = false;
    this.#since = Infinity;
  }
  override begin(_x: Solution, at: Moment): void {
    // What has come to rest began long ago.
    if (this.#when.on) this.#since = at.settled ? -Infinity : at.t;
  }
  override get discrete(): boolean {
    return true;
  }
  override keep(): () => void {
    const [on, done, since] = [this.#on, this.#done, this.#since];
    const [when, until] = [this.#when.keep(), this.#until?.keep()];
    return () => {
      this.#on = on;
      this.#done = done;
      this.#since = since;
      when();
      until?.();
    };
  }
  override flip(x: Solution, at: Moment): boolean {
    const held = this.#when.follow(x);
    const stopped = this.#until?.follow(x) ?? false;
    if (held) {
      this.#since = this.#when.on ? at.t : Infinity;
      this.#done = false;
    }
    if (stopped && this.#until!.on) this.#done = true;
    const { after, lasts } = this.#element;
    const rest = at.h === 0 && at.settled;
    const elapsed = at.t - this.#since;
    const begun = this.#when.on && (rest || elapsed >= after - 1e-12);
    const over = this.#done || (lasts !== undefined && (rest || elapsed >= after + lasts - 1e-12));
    const now = begun && !over;
    const changed = now !== this.#on;
    if (changed && !now && over) this.#done = true;
    this.#on = now;
    return changed;
  }
  override corner(t: number): number {
    if (!this.#when.on || this.#done) return Infinity;
    const { after, lasts } = this.#element;
    const closes = this.#since + after;
    if (closes > t + 1e-12) return closes;
    const opens = lasts === undefined ? Infinity : closes + lasts;
    return opens > t + 1e-12 ? opens : Infinity;
  }
}

const conditionsOf = ({ when, until }: SequencerElement) => (until ? [when, until] : [when]);

export const sequencer = defineElement<SequencerElement>({
  kind: 'sequencer',
  letter: 's',
  linear: never,
  direct: () => 'passes',
  device: (element, u) => new Sequencer(element, u),
  conditions: conditionsOf,
  contact: ({ ron, roff }) => [ron, roff],
  block: {
    word: 'sequencer',
    read(element, words) {
      const { name, nodes, model } = needs<SwitchElement>(
        'switch',
        element,
        words,
        'a switch (S…)',
      );
      const until = words.condition('until');
      const lasts = words.named('for');
      return {
        kind: 'sequencer',
        name,
        nodes,
        ron: model.ron,
        roff: model.roff,
        when: words.condition('when') ?? words.fail('when=… is missing'),
        after: words.namedOr('after', 0),
        ...(until && { until }),
        ...(lasts !== undefined && { lasts: words.positive('for', lasts) }),
      };
    },
  },
  write({ ron, roff, when, after, until, lasts }, { name, head, model }) {
    const kind = model(`sw(vt=0 vh=0 ron=${figure(ron)} roff=${figure(roff)})`);
    const more = [
      `*@ sequencer ${name} when=${conditionText(when)} after=${figure(after)}`,
      until && `until=${conditionText(until)}`,
      lasts !== undefined && `for=${figure(lasts)}`,
    ];
    return [`${head} ${when.plus} ${when.minus} ${kind}`, more.filter(Boolean).join(' ')];
  },
});

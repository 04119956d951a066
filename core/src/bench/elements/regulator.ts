import { abs, max } from '../arithmetic';
import type { Pattern } from '../solve/pattern';
import {
  Device,
  stayed,
  type AcStamp,
  type Moment,
  type Slack,
  type Solution,
  type Stamp,
  type Unknowns,
} from './device';
import { Latch } from './latch';
import { writeNumber as figure } from '../spice/number';
import type { VcvsElement } from './controlled';
import type { Between, Condition, TwoPole } from './element';
import { conditionText, defineElement, needs, never } from './element-kind';

/** A supply's output. */
export interface RegulatorElement extends TwoPole<'regulator'> {
  readonly input: Between;
  readonly volts: number;
  /** Volts that the input must stand above the output. */
  readonly dropout: number;
  /** Amps it gives at most. */
  readonly limit: number;
  /** Ohms of its output. */
  readonly ohms: number;
  /** Amps drawn at the input for each amp given. */
  readonly ratio: number;
  readonly enable?: Condition;
}

/** Share of a voltage that is lost in a difference of two. */
const ROUNDING = 1e-11;

type Piece = 'off' | 'holds' | 'limits';

/**
 * A supply as a block: holds `volts` at its output while the input stands `dropout` above it, follows
 * the input below that, gives `limit` amps at most and takes none back, is off without its enable,
 * and draws `ratio` amps at the input for each it gives (1: a linear regulator; less: a switcher).
 *
 *     i = clamp((min(volts, vin − dropout) − vout) / ohms, 0 … limit)
 */
export class Regulator extends Device {
  readonly stamps = 'iterate';
  readonly #block: RegulatorElement;
  readonly #rows: readonly [op: number, om: number, ip: number, im: number];
  readonly #enable: Latch | undefined;
  #slots: number[] = [];

  constructor(block: RegulatorElement, u: Unknowns) {
    super(block.name);
    this.#block = block;
    this.#rows = [
      u.node(block.nodes[0]),
      u.node(block.nodes[1]),
      u.node(block.input[0]),
      u.node(block.input[1]),
    ];
    this.#enable = block.enable && new Latch(block.enable, u);
  }

  bind(pattern: Pattern): void {
    this.#slots = this.#rows.flatMap((row) =>
      this.#rows.map((column) => pattern.slot(row, column)),
    );
  }

  /** Piece of the characteristic that the last iterate stood on. */
  #piece: Piece = 'holds';
  #cut = false;
  /**
   * What {@link #at} found: amps out, how they change with the output's and the input's volts, and the piece. Written
   * here, for it is asked several times in every step.
   */
  #amps = 0;
  #byOut = 0;
  #byIn = 0;
  #found: Piece = 'off';

  #out(x: Solution): number {
    return (x[this.#rows[0]] ?? 0) - (x[this.#rows[1]] ?? 0);
  }
  #input(x: Solution): number {
    return (x[this.#rows[2]] ?? 0) - (x[this.#rows[3]] ?? 0);
  }

  #stands(piece: Piece, amps: number, byOut: number, byIn: number): void {
    this.#found = piece;
    this.#amps = amps;
    this.#byOut = byOut;
    this.#byIn = byIn;
  }

  #at(x: Solution, forced?: Piece): void {
    if (this.#enable && !this.#enable.on) return this.#stands('off', 0, 0, 0);
    const { volts, dropout, ohms, limit } = this.#block;
    const out = this.#out(x);
    const input = this.#input(x);
    const following = input - dropout < volts;
    const target = max(0, following ? input - dropout : volts);
    const g = 1 / ohms;
    const amps = g * (target - out);
    // At the border of two pieces, rounding alone sends nobody over it and back.
    const slack = this.#piece === 'holds' ? g * ROUNDING * (abs(target) + abs(out)) : 0;
    const piece = forced ?? (amps >= limit + slack ? 'limits' : amps <= -slack ? 'off' : 'holds');
    if (piece === 'limits') return this.#stands(piece, limit, 0, 0);
    if (piece === 'off') return this.#stands(piece, 0, 0, 0);
    this.#stands(piece, amps, -g, following && target > 0 ? g : 0);
  }

  /** From giving all to giving nothing leads through holding, or Newton's method goes round in circles. */
  #next(x: Solution): void {
    this.#at(x);
    const now = this.#found;
    this.#cut = now !== 'holds' && this.#piece !== 'holds' && now !== this.#piece;
    if (this.#cut) this.#at(x, 'holds');
    this.#piece = this.#found;
  }

  override still(before: Solution, now: Solution, { volts }: Slack): boolean {
    const [op, om, ip, im] = this.#rows;
    if (stayed(before, now, op, om, volts) && stayed(before, now, ip, im, volts)) return true;
    // Every piece is straight: whoever stays on one has arrived, however far they went.
    this.#at(before);
    const piece = this.#found;
    const byIn = this.#byIn;
    this.#at(now);
    return this.#found === piece && this.#byIn === byIn;
  }
  override limited(): boolean {
    return this.#cut;
  }
  override restart(): void {
    this.#cut = false;
  }

  /** The current leaves out+ into the circuit and enters at in+. */
  #enter(a: Float64Array): void {
    const { ratio } = this.#block;
    this.#row(a, 0, -1);
    this.#row(a, 4, 1);
    this.#row(a, 8, ratio);
    this.#row(a, 12, -ratio);
  }

  #row(a: Float64Array, first: number, share: number): void {
    this.#add(a, first, share * this.#byOut);
    this.#add(a, first + 1, -share * this.#byOut);
    this.#add(a, first + 2, share * this.#byIn);
    this.#add(a, first + 3, -share * this.#byIn);
  }

  #add(a: Float64Array, place: number, siemens: number): void {
    const slot = this.#slots[place] ?? 0;
    a[slot] = (a[slot] ?? 0) + siemens;
  }

  load({ a, b }: Stamp, x: Solution): void {
    this.#next(x);
    const rest = this.#amps - this.#byOut * this.#out(x) - this.#byIn * this.#input(x);
    this.#enter(a);
    const [op, om, ip, im] = this.#rows;
    const { ratio } = this.#block;
    b[op] = (b[op] ?? 0) + rest;
    b[om] = (b[om] ?? 0) - rest;
    b[ip] = (b[ip] ?? 0) - ratio * rest;
    b[im] = (b[im] ?? 0) + ratio * rest;
  }
  loadAc({ re }: AcStamp, x: Solution): void {
    this.#at(x);
    this.#enter(re);
  }
  override get discrete(): boolean {
    return this.#enable !== undefined;
  }
  override keep(): () => void {
    return this.#enable?.keep() ?? (() => {});
  }
  override restless(x: Solution): boolean {
    return this.#enable?.restless(x) ?? false;
  }
  override flip(x: Solution, _at: Moment): boolean {
    return this.#enable?.follow(x) ?? false;
  }
  override reset(): void {
    this.#piece = 'holds';
    this.#enable?.reset();
  }
  current(x: Solution): number {
    this.#at(x);
    return -this.#amps;
  }
}

export const regulator = defineElement<RegulatorElement>({
  kind: 'regulator',
  letter: 'e',
  linear: never,
  direct: () => 'passes',
  device: (element, u) => new Regulator(element, u),
  nodes: ({ input }) => input,
  conditions: ({ enable }) => (enable ? [enable] : []),
  withValue: (element, change, above) => ({ ...element, volts: above(change(element.volts)) }),
  built: (element, factor) => ({ ...element, volts: element.volts * factor(0.01) }),
  block: {
    word: 'regulator',
    read(element, words) {
      const { name, nodes, control } = needs<VcvsElement>(
        'vcvs',
        element,
        words,
        'a voltage source (E…)',
      );
      const enable = words.condition('enable');
      return {
        kind: 'regulator',
        name,
        nodes,
        input: control,
        volts: words.positive('volts', words.demand('volts')),
        dropout: words.namedOr('dropout', 0),
        limit: words.positive('limit', words.namedOr('limit', 10)),
        ohms: words.positive('ohms', words.namedOr('ohms', 0.05)),
        ratio: words.namedOr('ratio', 1),
        ...(enable && { enable }),
      };
    },
  },
  write({ input, volts, dropout, limit, ohms, ratio, enable }, { name, head }) {
    const figures = { volts, dropout, limit, ohms, ratio };
    const said = Object.entries(figures).map(([key, value]) => `${key}=${figure(value)}`);
    if (enable) said.push(`enable=${conditionText(enable)}`);
    return [`${head} ${input.join(' ')} 1`, `*@ regulator ${name} ${said.join(' ')}`];
  },
});

import { abs, exp, isFinite, log, max, min } from '../arithmetic';
import { KELVIN, NOMINAL_CELSIUS, type DiodeModel } from './element';
import { History } from './history';
import { junctionCharge } from './junction-charge';
import type { AcStamp, Device, Moment, Solution, Stamp, Unknowns } from './device';
import { Nonlinear } from './nonlinear';
import { Resistor } from './resistor';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';

/** kT/q. */
export const thermalVolts = (celsius: number): number =>
  (1.380649e-23 * (celsius + KELVIN)) / 1.602176634e-19;

/** Volts that Newton's method leaves open. */
const NOISE_VOLTS = 2e-6;
/** Share of its largest current above which a junction counts as conducting; and how that fades. */
const CONDUCTS = 1e-3;
const FORGETS = 0.999;

export interface DiodeElement extends TwoPole<'diode'> {
  readonly model: DiodeModel;
}

/**
 * Shockley's diode with series resistance and reverse breakdown. Newton's steps of the junction are
 * limited where the exponential would run away.
 *
 * @see Nagel, SPICE2 (1975), sections 3.1 and appendix 3.
 */
export class Diode extends Nonlinear {
  readonly #is: number;
  readonly #vte: number;
  readonly #critical: number;
  readonly #breakdown: number;
  /** A device of its own: unlike the junction it never changes. */
  readonly #series: Resistor | undefined;
  readonly #model: DiodeModel;
  /** What it stores, where its model says that it stores anything. */
  readonly #charge: History | undefined;
  #last = 0;
  /** The largest current of late, A, and whether a share of it flowed after the last step. */
  #peak = 0;
  #conducts = false;
  /** An operating point is being sought: nothing is charged. */
  #instant = true;
  /** Amps after the last two steps. */
  #flowed = 0;
  #earlier = 0;
  /** Once in a search a junction that seems off is taken to be so, or it might go round in circles. */
  #dropped = false;

  constructor(name: string, nodes: readonly [string, string], model: DiodeModel, u: Unknowns) {
    super(name);
    const anode = u.node(nodes[0]);
    this.m = u.node(nodes[1]);
    this.p = model.rs > 0 ? u.inner(`${name}#inner`) : anode;
    if (model.rs > 0) this.#series = new Resistor(`${name}#series`, anode, this.p, model.rs);
    this.#is = model.is;
    this.#vte = model.n * thermalVolts(model.celsius ?? NOMINAL_CELSIUS);
    this.#critical = this.#vte * log(this.#vte / (Math.SQRT2 * model.is));
    this.#breakdown = knee(model, this.#vte);
    this.#charge = model.cjo || model.tt ? new History() : undefined;
    this.#model = model;
  }

  override get parts(): readonly Device[] {
    return this.#series ? [this.#series] : [];
  }
  /** Coulombs and farads at these volts. */
  #holds(v: number): { q: number; c: number } {
    const { i, g } = this.#shockley(v);
    return junctionCharge(this.#model, v, i, g);
  }
  override load(into: Stamp, x: Solution, at: Moment): void {
    this.#instant = at.h === 0;
    if (!this.#instant) this.#charge?.prepare(at);
    super.load(into, x, at);
  }
  override longest(x: Solution, at: Moment, tolerance: number): number {
    if (!this.#charge) return Infinity;
    const { q, c } = this.#holds(this.#volts(x));
    return this.#charge.longest(q, at, tolerance, 1e-9, c * NOISE_VOLTS);
  }
  override refill(x: Solution, t: number): void {
    this.#charge?.begin(t, this.#holds(this.#volts(x)).q);
  }
  #volts(x: Solution): number {
    return (x[this.p] ?? 0) - (x[this.m] ?? 0);
  }
  override begin(x: Solution, at: Moment): void {
    this.refill(x, at.t);
    this.#flowed = this.#amps(x);
    this.#earlier = this.#flowed;
    this.#conducts = this.#flowed > 0;
    this.#peak = 0;
  }
  override accept(x: Solution, at: Moment): void {
    this.#charge?.accept(this.#holds(this.#volts(x)).q, at);
    this.#earlier = this.#flowed;
    this.#flowed = this.#amps(x);
    this.#peak = max(abs(this.#flowed), this.#peak * FORGETS);
    this.#conducts = this.#flowed > CONDUCTS * this.#peak;
  }
  override willBend(x: Solution, ahead: Solution, longer: number): number {
    if (this.#conducts) {
      const amps = this.#flowed + (this.#flowed - this.#earlier) * longer;
      return amps < 0 ? this.#flowed / (this.#flowed - amps) : 1;
    }
    const knee = this.#vte * log(1 + (CONDUCTS * this.#peak) / this.#is);
    const now = (x[this.p] ?? 0) - (x[this.m] ?? 0);
    const then = (ahead[this.p] ?? 0) - (ahead[this.m] ?? 0);
    return then > knee && now < knee ? (knee - now) / (then - now) : 1;
  }
  override bent(x: Solution): boolean {
    return this.#amps(x) > CONDUCTS * this.#peak !== this.#conducts;
  }
  #amps(x: Solution): number {
    return this.#shockley(this.#volts(x)).i;
  }
  override restart(x: Solution): void {
    this.#last = (x[this.p] ?? 0) - (x[this.m] ?? 0);
    this.#dropped = false;
  }

  override loadAc(into: AcStamp, x: Solution, omega: number): void {
    super.loadAc(into, x, omega);
    if (this.#charge) this.quad.add(into.im, omega * this.#holds(this.#volts(x)).c);
  }

  protected at(volts: number, at: Moment | undefined) {
    const v = at ? this.#limit(volts) : volts;
    const gmin = at?.gmin ?? 0;
    const { i, g } = this.#shockley(v);
    if (!this.#charge || this.#instant) return { i: i + gmin * v, g: g + gmin, v };
    const { q, c } = junctionCharge(this.#model, v, i, g);
    const { factor, rest } = this.#charge;
    return { i: i + gmin * v + factor * q + rest, g: g + gmin + factor * c, v };
  }

  /** Amps and siemens of the junction alone. */
  #shockley(v: number): { i: number; g: number } {
    const vte = this.#vte;
    let i: number;
    let g: number;
    if (v >= -3 * vte) {
      const e = exp(min(v / vte, 600));
      i = this.#is * (e - 1);
      g = (this.#is * e) / vte;
    } else if (v >= -this.#breakdown) {
      const arg = (3 * vte) / (v * Math.E);
      const cube = arg ** 3;
      i = -this.#is * (1 + cube);
      g = (this.#is * 3 * cube) / v;
    } else {
      const e = exp(min(-(this.#breakdown + v) / vte, 600));
      i = -this.#is * e;
      g = (this.#is * e) / vte;
    }
    return { i, g };
  }

  #limit(volts: number): number {
    // Far beyond breakdown the same exponential runs the other way.
    const mirrored = volts < min(0, -this.#breakdown + 10 * this.#vte);
    const v = mirrored
      ? -(
          this.#junction(-(volts + this.#breakdown), -(this.#last + this.#breakdown)) +
          this.#breakdown
        )
      : this.#junction(volts, this.#last);
    this.#last = v;
    return v;
  }

  #junction(now: number, last: number): number {
    const vte = this.#vte;
    /** Share of the last current that the tangent foretells now. */
    const left = 1 + (now - last) / vte;
    if (left < 0.5 && last > 3 * vte) {
      // Too high a start. The current has been found: its voltage follows; or it is off, and at once.
      if (left > 0) return last + vte * log(left);
      if (this.#dropped || now <= 0) return now;
      this.#dropped = true;
      return 0;
    }
    if (!(now > this.#critical && left > 3)) return now;
    return last < this.#critical ? this.#critical : last + vte * log(left);
  }
}

/** Where the reverse exponential must begin for the current at `bv` to be `ibv`. */
function knee({ bv, ibv, is }: DiodeModel, vte: number): number {
  if (!isFinite(bv)) return Infinity;
  if (ibv < (is * bv) / vte) return bv;
  let knee = bv - vte * log(1 + ibv / is);
  for (let i = 0; i < 25; i += 1) knee = bv - vte * log(ibv / is + 1 - knee / vte);
  return knee;
}

/** A junction's saturation current varies by a factor either way; its drop moves by about 8 mV. */
const JUNCTION_FACTOR = 1.2;

export const diode = defineElement<DiodeElement>({
  kind: 'diode',
  letter: 'd',
  linear: never,
  direct: () => 'passes',
  device: ({ name, nodes, model }, u) => new Diode(name, nodes, model, u),
  unknowns: ({ model }) => (model.rs > 0 ? 1 : 0),
  built(element, _factor, roll) {
    const is = element.model.is * JUNCTION_FACTOR ** (2 * roll() - 1);
    return { ...element, model: { ...element.model, is } };
  },
  read(name, words, find) {
    const nodes = words.pair();
    const model = words.word('its model');
    const found = find(model) ?? words.fail(`there is no .model “${model}”`);
    if (found.kind !== 'd') return words.fail('a diode needs a model of kind D');
    return { kind: 'diode', name, nodes, model: found.diode };
  },
  write({ model: own }, { head, model }) {
    const { is, n, rs, bv, ibv, cjo = 0, vj = 1, m = 0.5, tt = 0 } = own;
    const figures = {
      is,
      n,
      rs,
      ...(Number.isFinite(bv) && { bv, ibv }),
      ...((cjo > 0 || tt > 0) && { cjo, vj, m, tt }),
    };
    const said = Object.entries(figures).map(([key, value]) => `${key}=${figure(value)}`);
    return [`${head} ${model(`d(${said.join(' ')})`)}`];
  },
});

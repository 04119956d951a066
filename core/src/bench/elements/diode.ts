import { abs, exp, isFinite, log, max, min, NEVER } from '../arithmetic';
import { KELVIN, NOMINAL_CELSIUS, type DiodeModel } from './element';
import { History, NOISE_VOLTS } from './history';
import { junctionCharge } from './junction-charge';
import type { Pattern } from '../solve/pattern';
import {
  Device,
  Quad,
  STAYED,
  type AcStamp,
  type Moment,
  type Slack,
  type Solution,
  type Stamp,
  type Unknowns,
} from './device';
import { writeNumber as figure } from '../spice/number';
import type { TwoPole } from './element';
import { defineElement, never } from './element-kind';

/** kT/q. */
export const thermalVolts = (celsius: number): number =>
  (1.380649e-23 * (celsius + KELVIN)) / 1.602176634e-19;

/** Of the search for the junction behind its resistance; and a step in it that is far, in thermal volts. */
const MOST_ROUNDS = 60;
const FAR = 2;
const { E } = Math;
/** Share of its largest current above which a junction counts as conducting; and how that fades. */
const CONDUCTS = 1e-3;
const FORGETS = 0.999;

export interface DiodeElement extends TwoPole<'diode'> {
  readonly model: DiodeModel;
}

/**
 * Shockley's diode with series resistance, reverse breakdown and what the junction stores. The resistance
 * is part of the device and no node lies behind it: a node tied by a blocking junction to nothing, and
 * by milliohms to another, would leave the rounding of those milliohms where picoamperes decide. Newton's
 * steps of the junction are limited where the exponential would run away.
 *
 * @see Nagel, SPICE2 (1975), sections 3.1 and appendix 3.
 */
export class Diode extends Device {
  readonly stamps = 'iterate';
  readonly #p: number;
  readonly #m: number;
  readonly #is: number;
  readonly #rs: number;
  readonly #vte: number;
  readonly #critical: number;
  readonly #breakdown: number;
  readonly #model: DiodeModel;
  /** What it stores, where its model says that it stores anything. */
  readonly #charge: History | undefined;
  #quad!: Quad;
  /** The tangent of the last iteration: volts of the junction and of the whole, amps, siemens of the junction. */
  #v = 0;
  #whole = 0;
  #i = 0;
  #g = 0;
  /** The last volts of the whole that its junction was looked for at, and volts and amps that were found. */
  #asked = 0;
  #isAsked = false;
  #foundVolts = 0;
  #foundAmps = 0;
  /** The largest current of late, A, and whether a share of it flowed after the last step. */
  #peak = 0;
  #conducts = false;
  /** An operating point is being sought: nothing is charged. */
  #instant = true;
  #gmin = 0;
  /** What was last worked out: written here, for an object each time would cost more than the exponential. */
  #amps = 0;
  #siemens = 0;
  /** Amps after the last two steps. */
  #flowed = 0;
  #earlier = 0;
  /** Once in a search a junction that seems off is taken to be so, or it might go round in circles. */
  #dropped = false;

  constructor(name: string, nodes: readonly [string, string], model: DiodeModel, u: Unknowns) {
    super(name);
    this.#p = u.node(nodes[0]);
    this.#m = u.node(nodes[1]);
    this.#is = model.is;
    this.#rs = model.rs;
    this.#vte = model.n * thermalVolts(model.celsius ?? NOMINAL_CELSIUS);
    this.#critical = this.#vte * log(this.#vte / (Math.SQRT2 * model.is));
    this.#breakdown = knee(model, this.#vte);
    this.#charge = model.cjo || model.tt ? new History() : undefined;
    this.#model = model;
  }

  bind(pattern: Pattern): void {
    this.#quad = new Quad(pattern, this.#p, this.#m);
  }

  #volts(x: Solution): number {
    return (x[this.#p] ?? 0) - (x[this.#m] ?? 0);
  }

  override restart(x: Solution): void {
    this.#dropped = false;
    this.#tangent(this.#junctionAt(this.#volts(x)));
  }

  #tangent(v: number): void {
    this.#total(v);
    this.#v = v;
    this.#i = this.#amps;
    this.#g = this.#siemens;
    this.#whole = v + this.#rs * this.#i;
  }

  /** Where the junction would be if the tangent went on to these volts of the whole. */
  #along(volts: number): number {
    return this.#v + (volts - this.#whole) / (1 + this.#rs * this.#g);
  }

  load({ a, b }: Stamp, x: Solution, at: Moment): void {
    this.#instant = at.h === 0;
    this.#gmin = at.gmin;
    if (!this.#instant) this.#charge?.prepare(at);
    this.#isAsked = false;
    this.#tangent(this.#limit(this.#along(this.#volts(x)), this.#v));
    const g = this.#g / (1 + this.#rs * this.#g);
    const rest = this.#i - g * this.#whole;
    this.#quad.add(a, g);
    b[this.#p] = (b[this.#p] ?? 0) - rest;
    b[this.#m] = (b[this.#m] ?? 0) + rest;
  }

  override loadAc({ re, im }: AcStamp, x: Solution, omega: number): void {
    const v = this.#junctionAt(this.#volts(x));
    this.#shockley(v);
    const g = this.#siemens;
    const b = this.#charge ? omega * this.#holds(v).c : 0;
    // y / (1 + rs·y), with y = g + j·b.
    const [p, q] = [1 + this.#rs * g, this.#rs * b];
    const size = p * p + q * q;
    this.#quad.add(re, (g * p + b * q) / size);
    this.#quad.add(im, (b * p - g * q) / size);
  }

  override still(_before: Solution, now: Solution, slack: Slack): boolean {
    const v = this.#along(this.#volts(now));
    const moved = v - this.#v;
    if (abs(moved) <= slack.volts + STAYED * abs(v)) return true;
    // Moved, but along its tangent: a diode that blocks may do so at any voltage.
    const foretold = this.#i + this.#g * moved;
    this.#total(v);
    const i = this.#amps;
    return abs(i - foretold) <= slack.amps + slack.relative * max(abs(i), abs(foretold));
  }

  current(x: Solution): number {
    this.#junctionAt(this.#volts(x));
    return this.#foundAmps;
  }

  override begin(x: Solution, at: Moment): void {
    this.refill(x, at.t);
    this.#flowed = this.#flowing(x);
    this.#earlier = this.#flowed;
    this.#conducts = this.#flowed > 0;
    this.#peak = 0;
  }
  override refill(x: Solution, t: number): void {
    this.#charge?.begin(t, this.#holds(this.#junctionAt(this.#volts(x))).q);
  }
  override accept(x: Solution, at: Moment): void {
    this.#charge?.accept(this.#holds(this.#junctionAt(this.#volts(x))).q, at);
    this.#earlier = this.#flowed;
    this.#flowed = this.#flowing(x);
    this.#peak = max(abs(this.#flowed), this.#peak * FORGETS);
    this.#conducts = this.#flowed > CONDUCTS * this.#peak;
  }
  override longest(x: Solution, at: Moment, tolerance: number): number {
    if (!this.#charge) return NEVER;
    const { q, c } = this.#holds(this.#junctionAt(this.#volts(x)));
    return this.#charge.longest(q, at, tolerance, 1e-9, c * NOISE_VOLTS);
  }
  override bent(x: Solution): boolean {
    return this.#flowing(x) > CONDUCTS * this.#peak !== this.#conducts;
  }
  override willBend(x: Solution, ahead: Solution, longer: number): number {
    if (this.#conducts) {
      const amps = this.#flowed + (this.#flowed - this.#earlier) * longer;
      return amps < 0 ? this.#flowed / (this.#flowed - amps) : 1;
    }
    const now = this.#volts(x);
    const then = this.#volts(ahead);
    if (then <= max(now, 0)) return 1;
    const knee = this.#vte * log(1 + (CONDUCTS * this.#peak) / this.#is);
    return then > knee && now < knee ? (knee - now) / (then - now) : 1;
  }

  /** Amps of the junction, without what charges it. */
  #flowing(x: Solution): number {
    const v = this.#junctionAt(this.#volts(x));
    if (!this.#charge) return this.#foundAmps;
    this.#shockley(v);
    return this.#amps;
  }

  /** Volts of the junction behind its resistance, where the whole stands at so many; and its amps in `#foundAmps`. */
  #junctionAt(volts: number): number {
    if (!this.#isAsked || volts !== this.#asked) {
      this.#isAsked = true;
      this.#asked = volts;
      this.#search(volts);
    }
    return this.#foundVolts;
  }

  /** v + rs·i(v) = volts. It bends one way on either side: Newton's method from beyond comes down on it. */
  #search(volts: number): void {
    if (this.#rs === 0) {
      this.#total(volts);
      this.#foundVolts = volts;
      this.#foundAmps = this.#amps;
      return;
    }
    let v = this.#guess(volts);
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      this.#total(v);
      const off = v + this.#rs * this.#amps - volts;
      const way = off / (1 + this.#rs * this.#siemens);
      if (abs(way) <= 1e-12 * (1 + abs(v))) {
        this.#foundVolts = v - way;
        this.#foundAmps = this.#amps - this.#siemens * way;
        return;
      }
      // From below it is led too far, where the exponential may be beyond all figures.
      const far = v + FAR * this.#vte;
      v = v - way > far ? min(v - way, max(far, this.#most(volts))) : v - way;
    }
    this.#total(v);
    this.#foundVolts = v;
    this.#foundAmps = this.#amps;
  }

  /** The present tangent's volts are mostly near; else from where it comes down. */
  #guess(volts: number): number {
    if (volts < -this.#breakdown) return max(volts, -this.#breakdown - this.#most(volts));
    if (volts <= 0) return volts;
    return this.#v > 0 && this.#v < volts ? this.#v : min(volts, this.#most(volts));
  }

  /** Volts of the junction if all these stood over the resistance. */
  #most(volts: number): number {
    return this.#vte * log(1 + abs(volts) / (this.#rs * this.#is));
  }

  /** Coulombs and farads at these volts. */
  #holds(v: number): { q: number; c: number } {
    this.#shockley(v);
    return junctionCharge(this.#model, v, this.#amps, this.#siemens);
  }

  /** Sets amps and siemens of the junction, with what charges it in the step being made. */
  #total(v: number): void {
    this.#shockley(v);
    const charge = this.#instant ? undefined : this.#charge;
    if (charge) {
      const { q, c } = junctionCharge(this.#model, v, this.#amps, this.#siemens);
      this.#amps += charge.factor * q + charge.rest;
      this.#siemens += charge.factor * c;
    }
    this.#amps += this.#gmin * v;
    this.#siemens += this.#gmin;
  }

  /** Sets amps and siemens of the junction alone. */
  #shockley(v: number): void {
    const vte = this.#vte;
    const is = this.#is;
    if (v >= -3 * vte) {
      const e = exp(min(v / vte, 600));
      this.#amps = is * (e - 1);
      this.#siemens = (is * e) / vte;
    } else if (v >= -this.#breakdown) {
      const third = (3 * vte) / (v * E);
      const cube = third * third * third;
      this.#amps = -is * (1 + cube);
      this.#siemens = (is * 3 * cube) / v;
    } else {
      const e = exp(min(-(this.#breakdown + v) / vte, 600));
      this.#amps = -is * e;
      this.#siemens = (is * e) / vte;
    }
  }

  #limit(volts: number, last: number): number {
    // Far beyond breakdown the same exponential runs the other way.
    const mirrored = volts < min(0, -this.#breakdown + 10 * this.#vte);
    return mirrored
      ? -(this.#limited(-(volts + this.#breakdown), -(last + this.#breakdown)) + this.#breakdown)
      : this.#limited(volts, last);
  }

  #limited(now: number, last: number): number {
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

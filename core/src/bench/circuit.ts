/**
 * A circuit as data: elements between named nodes, in SI units. Node `0` is ground. Names are lower
 * case. What a netlist says becomes this; what the solver takes is this.
 */

/** A source over time. Times in seconds, levels in volts or amps. */
export type Wave =
  | { readonly kind: 'dc'; readonly value: number }
  | {
      readonly kind: 'sin';
      readonly offset: number;
      readonly amplitude: number;
      readonly hertz: number;
      readonly delay: number;
      /** Damping, 1/s. */
      readonly damping: number;
      /** Degrees. */
      readonly phase: number;
    }
  | {
      readonly kind: 'pulse';
      readonly low: number;
      readonly high: number;
      readonly delay: number;
      readonly rise: number;
      readonly fall: number;
      readonly width: number;
      /** Infinite for a single pulse. */
      readonly period: number;
    }
  | { readonly kind: 'pwl'; readonly points: readonly (readonly [t: number, level: number])[] };

export interface Phasor {
  readonly magnitude: number;
  /** Degrees. */
  readonly phase: number;
}

export interface DiodeModel {
  /** Saturation current, A. */
  readonly is: number;
  /** Emission coefficient. */
  readonly n: number;
  /** Series resistance, Ω. */
  readonly rs: number;
  /** Reverse breakdown, V (positive), and the current there, A; infinite for none. */
  readonly bv: number;
  readonly ibv: number;
}

export interface SwitchModel {
  /** Threshold and half hysteresis, V. */
  readonly vt: number;
  readonly vh: number;
  readonly ron: number;
  readonly roff: number;
}

/** What a sequencer waits for: a voltage between two nodes against a level. */
export interface Condition {
  readonly plus: string;
  readonly minus: string;
  readonly sense: 'above' | 'below';
  readonly level: number;
}

type Between = readonly [plus: string, minus: string];
interface Base {
  readonly name: string;
  readonly nodes: Between;
}
/** Celsius: a figure, or the node whose volts give it. */
export type Temperature = number | { readonly node: string };

export type Element =
  | (Base & { readonly kind: 'resistor'; readonly ohms: number })
  | (Base & { readonly kind: 'capacitor'; readonly farads: number; readonly initial?: number })
  | (Base & { readonly kind: 'inductor'; readonly henries: number; readonly initial?: number })
  | (Base & { readonly kind: 'voltage'; readonly wave: Wave; readonly ac: Phasor })
  | (Base & { readonly kind: 'current'; readonly wave: Wave; readonly ac: Phasor })
  | (Base & { readonly kind: 'diode'; readonly model: DiodeModel })
  | (Base & {
      readonly kind: 'switch';
      readonly control: Between;
      readonly model: SwitchModel;
      readonly on?: boolean;
      /** Set by a relay directive: the coil pulls on either sign and lets go after this long, s. */
      readonly hold?: number;
    })
  /** A switch that a sequencer works: closes `after` seconds of `when`, opens `for` seconds later. */
  | (Base & {
      readonly kind: 'sequencer';
      readonly ron: number;
      readonly roff: number;
      readonly when: Condition;
      readonly after: number;
      readonly until?: Condition;
      readonly lasts?: number;
    })
  /** Opens once the integral of i² passes `i2t`, counted while |i| is above `hold`. */
  | (Base & {
      readonly kind: 'fuse';
      readonly ohms: number;
      readonly hold: number;
      readonly i2t: number;
    })
  /** i = 1 mA · (v / volts)^alpha either way, beside a leak of `ohms`. */
  | (Base & {
      readonly kind: 'varistor';
      readonly ohms: number;
      readonly volts: number;
      readonly alpha: number;
    })
  | (Base & {
      readonly kind: 'ntc';
      readonly r25: number;
      readonly beta: number;
      readonly celsius: Temperature;
    })
  | (Base & { readonly kind: 'rtd'; readonly r0: number; readonly celsius: Temperature })
  | (Base & { readonly kind: 'vcvs'; readonly control: Between; readonly gain: number })
  | (Base & { readonly kind: 'vccs'; readonly control: Between; readonly siemens: number })
  | (Base & { readonly kind: 'ccvs'; readonly through: string; readonly ohms: number })
  | (Base & { readonly kind: 'cccs'; readonly through: string; readonly gain: number })
  | {
      readonly kind: 'coupling';
      readonly name: string;
      readonly coils: readonly [string, string];
      readonly k: number;
    }
  /** A supply's output: see devices/regulator. */
  | (Base & {
      readonly kind: 'regulator';
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
    })
  /**
   * A meter's drive for ohms and diodes: `amps` out of plus, giving way as the voltage nears `volts`.
   */
  | (Base & { readonly kind: 'drive'; readonly amps: number; readonly volts: number })
  /** A meter's lead, laid on its node or lifted off. */
  | (Base & { readonly kind: 'lead'; readonly ohms: number; readonly down: boolean });

export type ElementKind = Element['kind'];

export type Analysis =
  | { readonly kind: 'op' }
  | {
      readonly kind: 'tran';
      readonly step: number;
      readonly stop: number;
      readonly start: number;
      readonly most?: number;
      /** Start from the elements' initial values instead of the operating point. */
      readonly uic: boolean;
    }
  | {
      readonly kind: 'ac';
      readonly sweep: 'lin' | 'dec' | 'oct';
      readonly points: number;
      readonly from: number;
      readonly to: number;
    };

/** The highest voltage that a node stands before what hangs on it is destroyed. */
export interface Rating {
  readonly node: string;
  readonly volts: number;
}

export interface Circuit {
  readonly title: string;
  readonly elements: readonly Element[];
  readonly analyses: readonly Analysis[];
  readonly ratings: readonly Rating[];
}

export const GROUND = '0';

/** An empty analysis list and no ratings: a bare circuit out of elements. */
export const circuitOf = (elements: readonly Element[]): Circuit => ({
  title: '',
  elements,
  analyses: [],
  ratings: [],
});

/** Every node that an element touches, controls included. */
export function nodesOf(element: Element): readonly string[] {
  if (element.kind === 'coupling') return [];
  const more: string[] = [];
  if ('control' in element) more.push(...element.control);
  if ('input' in element) more.push(...element.input);
  for (const condition of conditionsOf(element)) more.push(condition.plus, condition.minus);
  if ('celsius' in element && typeof element.celsius === 'object') more.push(element.celsius.node);
  return [...element.nodes, ...more];
}

export function conditionsOf(element: Element): readonly Condition[] {
  if (element.kind === 'sequencer')
    return element.until ? [element.when, element.until] : [element.when];
  return element.kind === 'regulator' && element.enable ? [element.enable] : [];
}

/**
 * What elements of a circuit are made of as data, in SI units. Node `0` is ground. Names are lower case.
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
  /** Capacitance without voltage, F, its built-in volts and grading; and transit time, s. None where absent. */
  readonly cjo?: number;
  readonly vj?: number;
  readonly m?: number;
  readonly tt?: number;
  /** The temperature that its figures hold at; SPICE's nominal one where absent. */
  readonly celsius?: number;
}

/** The temperature at which SPICE takes a model's figures. */
export const NOMINAL_CELSIUS = 27;
/** 0 °C. */
export const KELVIN = 273.15;

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

/** Celsius: a figure, or the node whose volts give it. */
export type Temperature = number | { readonly node: string };

export type Between = readonly [plus: string, minus: string];

export interface TwoPole<K extends string> {
  readonly kind: K;
  readonly name: string;
  readonly nodes: Between;
}

/** An element between two nodes whose kind is not known here. */
export type AnyTwoPole = TwoPole<string>;

export const GROUND = '0';
/** As good as cut off, and as good as joined. */
export const OPEN_OHMS = 1e12;
export const SHORT_OHMS = 0.02;

/** What a circuit stores, in the words of those who follow it over its turns. */

/** Volts of the capacitors and amps of the coils; each by its own size where what is near or far compares. */
export type State = Float64Array;

/** What a circuit holds when it has settled: volts of capacitors, amps of coils, by name. */
export type Stored = ReadonlyMap<string, number>;

/** One turn: where it began and how far it went, volts and amps. */
export interface Pass {
  readonly start: State;
  readonly went: State;
  /** Whether it stepped as the turn before: between two such there is no trembling of the steps. */
  readonly again?: boolean;
}

/** A way that ends soon is, turn by turn, at most so much of the one before. */
export const SLOWS = 0.9;

/** The readings a group rule takes, and what they share. */
import type { Uncertain } from '../../numeric/propagate';
import type { Unit } from '../../units/units';
import type { Judgement } from '../judge';
import type { Reading } from '../reading';

/** One judged reading of a test, by the id of its point. */
export interface GroupReading {
  readonly id: string;
  readonly unit: Unit;
  readonly reading: Reading;
  readonly judgement: Judgement;
  /** Places of the probes, where the rule reasons about terminals. */
  readonly red?: string;
  readonly black?: string;
}

/** The corrected figures; undefined when any of them is an overload. */
export function figuresOf(readings: readonly GroupReading[]): Uncertain[] | undefined {
  const figures = readings.map(({ judgement }) =>
    judgement.corrected === undefined
      ? undefined
      : { value: judgement.corrected, u: judgement.u ?? 0 },
  );
  return figures.every((each) => each !== undefined) ? figures : undefined;
}

export const openOnes = (readings: readonly GroupReading[]): string[] =>
  readings.filter(({ reading }) => reading.kind === 'overload').map(({ id }) => id);

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;

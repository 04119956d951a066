/** The readings a group rule takes, and what they share. */
import { InvalidInputError } from '../../errors';
import type { Unit } from '../../units/units';
import type { Judgement } from '../judge';
import type { Reading } from '../reading';
import { draw, type Drawn } from '../uncertainty/draws';
import { EXACT, type Measured } from '../uncertainty/errors';

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

/** A judged reading as rules take it, with the places of its probes where there are any. */
export const groupReading = (
  read: Omit<GroupReading, 'red' | 'black'>,
  { red, black }: { readonly red?: string | undefined; readonly black?: string | undefined },
): GroupReading => ({
  ...read,
  ...(red !== undefined && { red }),
  ...(black !== undefined && { black }),
});

/** The corrected figures with their errors; undefined when any of them is an overload. */
export function figuresOf(readings: readonly GroupReading[]): Measured[] | undefined {
  const figures = readings.flatMap(({ judgement: { corrected, errors } }) =>
    corrected === undefined ? [] : [{ value: corrected, errors: errors ?? EXACT }],
  );
  return figures.length === readings.length ? figures : undefined;
}

/** A figure of several readings, drawn with the errors that they share and those that they do not. */
export const drawFigure = (
  rule: { readonly id: string },
  f: (values: readonly number[]) => number,
  figures: readonly Measured[],
): Drawn => draw(f, figures, rule.id);

export const openOnes = (readings: readonly GroupReading[]): string[] =>
  readings.filter(({ reading }) => reading.kind === 'overload').map(({ id }) => id);

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;

/** Readings by the points that a rule names. @throws {InvalidInputError} where one is missing. */
export function byPoint(readings: readonly GroupReading[]): (id: string) => GroupReading {
  const known = new Map(readings.map((each) => [each.id, each]));
  return (id) => {
    const found = known.get(id);
    if (!found) throw new InvalidInputError(`there is no reading “${id}”`, '/readings');
    return found;
  };
}

/** The two readings of a rule of two. @throws {InvalidInputError} for any other number. */
export function twoOf(readings: readonly GroupReading[]): readonly [GroupReading, GroupReading] {
  const [first, second] = readings;
  if (!first || !second || readings.length > 2)
    throw new InvalidInputError(
      `this rule takes two readings, not ${readings.length}`,
      '/readings',
    );
  return [first, second];
}

/** Of a rule that takes so many: what is wrong with another number; undefined for that one. */
export const readingsWanted = (wanted: number, given: number): string | undefined =>
  given === wanted
    ? undefined
    : `This rule takes ${wanted} readings and is given ${given}: name them under points.`;

/** Three figures, as the technician reads them off. */
export const shortly = (value: number): string => String(Number(value.toPrecision(3)));

/**
 * Sum rule of a single-phase motor with a start winding: run and start winding meet at the common
 * terminal, so the largest of the three readings is the sum of the other two. Which terminal is which
 * follows: the pair with the largest reading leaves the common one out; the smallest reading is the run
 * winding, the middle one the start winding.
 *
 * Worked example: 1–2 reads 8.0 Ω, 2–3 5.5 Ω, 3–1 2.5 Ω. 5.5 + 2.5 = 8.0: the sum holds, the common
 * terminal is 3, run is 1, start is 2.
 */
import { Type } from '@sinclair/typebox';
import { formatQuantity } from '../../units/format';
import { certain, judgeFigure } from '../figure';
import { drawFigure, figuresOf, openOnes, type GroupReading, readingsWanted } from './readings';
import { defineRule, pointList, positive } from './rule';

export const sum = defineRule({
  kind: 'sum',
  fields: {
    /** Allowed difference, percent of the largest reading. */
    percent: positive,
    points: Type.Optional(pointList(3)),
  },
  title: 'Sum of the windings',
  outcomes: ['ok', 'sum', 'open'],
  points: ({ points }, all) => points ?? all,
  problem: (_, points) => readingsWanted(3, points),
  judge(rule, readings) {
    const open = openOnes(readings);
    const figures = figuresOf(readings);
    if (!figures)
      return certain(
        'open',
        open.length === 3
          ? 'All three read OL: the winding protector may be open. Let the motor cool and repeat.'
          : `${open.join(' and ')} reads OL: a winding is open there.`,
      );
    // In the unit of the readings: a percentage of next to nothing would be no figure.
    const figure = drawFigure(rule, largestLessRest, figures);
    const largest = Math.max(...figures.map((each) => each.value));
    const allowed = (rule.percent / 100) * Math.abs(largest);
    const gap = formatQuantity(Math.abs(figure.value), readings[0]?.unit ?? 'ohm', 3);
    const terminals = nameTerminals(windingsOf(readings));
    const named = terminals
      ? ` Common is ${terminals.common}, run ${terminals.run}, start ${terminals.start}.`
      : '';
    return judgeFigure(
      figure,
      { low: -allowed, high: allowed },
      { low: 'sum', high: 'sum' },
      `The largest differs from the sum of the other two by ${gap}.${named}`,
    );
  },
});

/** The largest less the sum of all others. */
function largestLessRest(values: readonly number[]): number {
  const total = values.reduce((all, each) => all + each, 0);
  return 2 * Math.max(...values) - total;
}

export interface MotorTerminals {
  readonly common: string;
  readonly run: string;
  readonly start: string;
}

/** A resistance between two terminals. */
export interface Winding {
  readonly red: string;
  readonly black: string;
  readonly value: number;
}

/** @returns undefined unless there are three pairs that join exactly three terminals. */
export function nameTerminals(pairs: readonly Winding[]): MotorTerminals | undefined {
  const terminals = new Set(pairs.flatMap(({ red, black }) => [red, black]));
  if (pairs.length !== 3 || terminals.size !== 3) return undefined;
  const [smallest, middle, largest] = [...pairs].sort((a, b) => a.value - b.value);
  if (!smallest || !middle || !largest) return undefined;
  const common = [...terminals].find((each) => each !== largest.red && each !== largest.black);
  const other = ({ red, black }: Winding) => (red === common ? black : red);
  const [run, start] = [other(smallest), other(middle)];
  if (common === undefined || run === start) return undefined;
  return { common: short(common), run: short(run), start: short(start) };
}

const windingsOf = (readings: readonly GroupReading[]): Winding[] =>
  readings.flatMap(({ red, black, judgement: { corrected } }) =>
    red === undefined || black === undefined || corrected === undefined
      ? []
      : [{ red, black, value: corrected }],
  );

/** `1` of `motor.1`. */
const short = (ref: string): string => ref.split('.').slice(1).join('.') || ref;

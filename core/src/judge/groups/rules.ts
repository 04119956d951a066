/** The rules over several readings of one test (`together`), their schema and their dispatch. */
import { Type, type Static } from '@sinclair/typebox';
import type { Judgement } from '../judge';
import { BALANCE_OUTCOMES, judgeBalance } from './balance';
import { judgeMatrix, MATRIX_OUTCOMES } from './matrix';
import { judgeOneWay, ONE_WAY_OUTCOMES } from './one-way';
import { judgeRatio, RATIO_OUTCOMES } from './ratio';
import type { GroupReading } from './readings';
import { judgeRemoved, REMOVED_OUTCOMES } from './removed';
import { judgeSame, SAME_OUTCOMES } from './same';
import { judgeSum, SUM_OUTCOMES } from './sum';
import { judgeWitnesses, WITNESSES_OUTCOMES } from './witnesses';

const Point = Type.String({ minLength: 1, maxLength: 80 });
const Points = Type.Array(Point, { minItems: 2, maxItems: 60 });
const two = Type.Array(Point, { minItems: 2, maxItems: 2 });
const common = {
  id: Type.String({ minLength: 1, maxLength: 80, pattern: '^[A-Za-z0-9][A-Za-z0-9._+-]*$' }),
  title: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
};
const positive = Type.Number({ exclusiveMinimum: 0 });

export const togetherSchema = Type.Union([
  Type.Object({
    ...common,
    kind: Type.Literal('balance'),
    percent: Type.Optional(positive),
    spread: Type.Optional(positive),
    points: Type.Optional(Points),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('sum'),
    percent: positive,
    points: Type.Optional(Type.Array(Point, { minItems: 3, maxItems: 3 })),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('same'),
    plusMinus: Type.Optional(positive),
    percent: Type.Optional(positive),
    points: Type.Optional(two),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('ratio'),
    loaded: Point,
    unloaded: Point,
    low: Type.Number({ minimum: 0 }),
    high: positive,
  }),
  Type.Object({ ...common, kind: Type.Literal('one-way'), forward: Point, reverse: Point }),
  Type.Object({
    ...common,
    kind: Type.Literal('matrix'),
    forward: Type.Array(Point, { minItems: 1, maxItems: 30 }),
    blocked: Type.Array(Point, { minItems: 1, maxItems: 30 }),
    spread: positive,
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('witnesses'),
    command: Point,
    witnesses: Type.Array(Point, { minItems: 1, maxItems: 12 }),
  }),
  Type.Object({
    ...common,
    kind: Type.Literal('removed'),
    inPlace: Point,
    without: Point,
    what: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
  }),
]);
export type TogetherRule = Static<typeof togetherSchema>;

/** Ids of the points a rule needs, in the order its judgement takes them. */
export function pointsOf(rule: TogetherRule, all: readonly string[]): readonly string[] {
  switch (rule.kind) {
    case 'balance':
    case 'sum':
    case 'same':
      return rule.points ?? all;
    case 'ratio':
      return [rule.loaded, rule.unloaded];
    case 'one-way':
      return [rule.forward, rule.reverse];
    case 'matrix':
      return [...rule.forward, ...rule.blocked];
    case 'witnesses':
      return [rule.command, ...rule.witnesses];
    case 'removed':
      return [rule.inPlace, rule.without];
    default:
      rule satisfies never;
      return all;
  }
}

/** What a rule can yield, `ok` first. */
export function ruleOutcomes(rule: TogetherRule): readonly string[] {
  switch (rule.kind) {
    case 'balance':
      return BALANCE_OUTCOMES;
    case 'sum':
      return SUM_OUTCOMES;
    case 'same':
      return SAME_OUTCOMES;
    case 'ratio':
      return RATIO_OUTCOMES;
    case 'one-way':
      return ONE_WAY_OUTCOMES;
    case 'matrix':
      return MATRIX_OUTCOMES;
    case 'witnesses':
      return WITNESSES_OUTCOMES;
    case 'removed':
      return REMOVED_OUTCOMES;
    default:
      rule satisfies never;
      return ['ok'];
  }
}

/** Judge the readings that {@link pointsOf} names, in that order. */
export function judgeTogether(rule: TogetherRule, readings: readonly GroupReading[]): Judgement {
  switch (rule.kind) {
    case 'balance':
      return judgeBalance(rule, readings);
    case 'sum':
      return judgeSum(rule, readings);
    case 'same':
      return judgeSame(rule, readings);
    case 'ratio':
      return judgeRatio(rule, readings);
    case 'one-way':
      return judgeOneWay(rule, readings);
    case 'matrix':
      return judgeMatrix(rule, readings);
    case 'witnesses':
      return judgeWitnesses(rule, readings);
    case 'removed':
      return judgeRemoved(rule, readings);
    default:
      rule satisfies never;
      throw new TypeError(`unknown rule “${(rule as { kind: string }).kind}”`);
  }
}

const NAMES: Record<TogetherRule['kind'], string> = {
  balance: 'Equal among themselves',
  sum: 'Sum of the windings',
  same: 'Same at both places',
  ratio: 'Loaded against unloaded',
  'one-way': 'Conducts one way only',
  matrix: 'The whole bridge',
  witnesses: 'Command and witnesses',
  removed: 'With and without',
};

export const ruleTitle = (rule: TogetherRule): string => rule.title ?? NAMES[rule.kind];

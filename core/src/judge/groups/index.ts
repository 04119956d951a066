/** Every rule over several readings of one test (`together`). What is said of all follows from this list. */
import { Type, type Static } from '@sinclair/typebox';
import { unionOf } from '../../schema-words';
import { certain, unsettled } from '../figure';
import type { Judgement } from '../judge';
import { isTone } from '../reading';
import { balance } from './balance';
import { difference } from './difference';
import { differs } from './differs';
import { equal } from './equal';
import { legs } from './legs';
import { matrix } from './matrix';
import { oneWay } from './one-way';
import { ratio } from './ratio';
import type { GroupReading } from './readings';
import { removed } from './removed';
import type { AnyRule } from './rule';
import { same } from './same';
import { sum } from './sum';
import { switches } from './switches';
import { witnesses } from './witnesses';

const RULES = [
  balance,
  sum,
  same,
  ratio,
  oneWay,
  matrix,
  witnesses,
  removed,
  equal,
  difference,
  differs,
  switches,
  legs,
] as const;

export const togetherSchema = unionOf(RULES.map(({ schema }) => schema));
export type TogetherRule = Static<(typeof RULES)[number]['schema']>;

/**
 * The same over what several tests find, in whatever states: its points are named as observables, `cold@a`,
 * and `over` lists those of a rule that takes all.
 */
export const overRuleSchema = Type.Unsafe<OverRule>(
  Type.Union(
    RULES.map(({ schema }) =>
      Type.Object({
        ...schema.properties,
        over: Type.Optional(
          Type.Array(Type.String({ minLength: 1, maxLength: 170 }), { minItems: 2, maxItems: 60 }),
        ),
        page: Type.Optional(Type.String({ maxLength: 40 })),
      }),
    ),
  ),
);
export type OverRule = TogetherRule & { over?: string[]; page?: string };

const byKind: ReadonlyMap<string, AnyRule> = new Map(
  RULES.map((rule): [string, AnyRule] => [rule.kind, rule]),
);

function definitionOf({ kind }: TogetherRule): AnyRule {
  const known = byKind.get(kind);
  if (!known) throw new TypeError(`unknown rule “${kind}”`);
  return known;
}

/** Ids of the points a rule needs, in the order its judgement takes them. */
export const pointsOf = (rule: TogetherRule, all: readonly string[]): readonly string[] =>
  definitionOf(rule).points(rule, all);

/** What is wrong with a rule that is given so many readings; undefined for a sound one. */
export const ruleProblem = (rule: TogetherRule, points: number): string | undefined =>
  definitionOf(rule).problem?.(rule, points);

/** Whether answers can be among what it takes. */
export const takesAnswers = (rule: TogetherRule): boolean => !!definitionOf(rule).byJudgement;

/** Whether what it compares is of one moment. */
export const isOfOneMoment = (rule: TogetherRule): boolean => !!definitionOf(rule).moment;

/** What a rule can yield, `ok` first. */
export const ruleOutcomes = (rule: TogetherRule): readonly string[] => definitionOf(rule).outcomes;

export const ruleTitle = (rule: TogetherRule): string => rule.title ?? definitionOf(rule).title;

/** An answer as a rule takes it: how it was judged, and no figure. */
export const answered = (outcome: string): Omit<GroupReading, 'id'> => ({
  unit: 'count',
  reading: { kind: 'value', value: outcome === 'ok' ? 1 : 0 },
  judgement: certain(outcome, ''),
});

/** Heard, not read: no rule can reckon with it. */
const heard = (readings: readonly GroupReading[]): string[] =>
  readings.filter(({ reading }) => isTone(reading)).map(({ id }) => id);

/** Judge the readings that {@link pointsOf} names, in that order. */
export function judgeTogether(rule: TogetherRule, readings: readonly GroupReading[]): Judgement {
  const tones = heard(readings);
  return tones.length > 0
    ? unsettled(
        ruleOutcomes(rule),
        `${tones.join(' and ')} ${tones.length === 1 ? 'was' : 'were'} heard, not read: take the figure in ohms.`,
      )
    : definitionOf(rule).judge(rule, readings);
}

/**
 * Judged before all of its readings are in.
 * @param readings - Those of the rule that stand so far.
 * @returns undefined while the rest could still decide otherwise.
 */
export function judgeEarly(
  rule: TogetherRule,
  readings: readonly GroupReading[],
): Judgement | undefined {
  if (heard(readings).length > 0) return undefined;
  const judgement = definitionOf(rule).early?.(rule, readings);
  return judgement?.verdict === 'out' ? judgement : undefined;
}

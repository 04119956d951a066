/**
 * What one rule over several readings is: everything that the program has to know of it. A new rule is a
 * file here and a line in `index.ts`; the compiler asks for whatever was forgotten.
 */
import { Type, type Static, type TObject, type TProperties, type TSchema } from '@sinclair/typebox';
import { Id, presence } from '../../schema-words';
import type { Judgement } from '../judge';
import type { GroupReading } from './readings';

/** @typeParam K, P - Inferred from `kind` and `fields` alone. */
export interface RuleOf<K extends string, P extends TProperties> {
  readonly kind: K;
  /** What a sheet says of it beside its id, title and kind. */
  readonly fields: P;
  /** Its name, where the sheet gives it none. */
  readonly title: string;
  /** What it can yield, `ok` first. */
  readonly outcomes: readonly string[];
  /** Reasons by how each was judged, and by no figure: answers can be among them. */
  readonly byJudgement?: true;
  /** Compares figures of one moment: taken in two live states they say nothing together. */
  readonly moment?: true;
  /** What it leaves unsaid or says wrongly, and how to mend it; absent where nothing can be. @param points - How many it would be given. */
  problem?(rule: RuleIn<NoInfer<P>>, points: number): string | undefined;
  /** Ids of the points it needs, in the order its judgement takes them. @param all - Those of the test. */
  points(rule: RuleIn<NoInfer<P>>, all: readonly string[]): readonly string[];
  /** @param readings - Those of its points, in their order, all of them standing. */
  judge(rule: RuleIn<NoInfer<P>>, readings: readonly GroupReading[]): Judgement;
  /**
   * Judged before all of its readings are in, where nothing still to come could mend it: one shorted pair
   * decides a bridge. Absent where only all of them tell.
   * @param readings - Those that stand so far.
   */
  early?(rule: RuleIn<NoInfer<P>>, readings: readonly GroupReading[]): Judgement | undefined;
}

/** A rule of a sheet, as far as its own fields go. */
export type RuleIn<P extends TProperties> = Static<TObject<P>> & { readonly id: string };

/** Name of a point within its test; of a rule over several tests, the observable. */
export const Point = Type.String({ minLength: 1, maxLength: 170 });
export const Points = Type.Array(Point, { minItems: 2, maxItems: 60 });
export const pointList = (n: number) => Type.Array(Point, { minItems: n, maxItems: n });
export const positive = Type.Number({ exclusiveMinimum: 0 });

export const defineRule = <const K extends string, P extends TProperties>(rule: RuleOf<K, P>) => ({
  ...rule,
  schema: Type.Object({
    ...presence,
    id: Id,
    title: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
    kind: Type.Literal(rule.kind),
    ...rule.fields,
  }),
});

/** A rule whose kind is not known here. */
export type AnyRule = RuleOf<string, TProperties> & { readonly schema: TSchema };

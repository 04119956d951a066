/**
 * What one expectation of a series is: everything that the program has to know of it. A new one is a file
 * here and a line in `index.ts`; the compiler asks for whatever was forgotten.
 */
import { Type, type Static, type TObject, type TProperties, type TSchema } from '@sinclair/typebox';
import { formatDifference, formatQuantity } from '../../units/format';
import type { Unit } from '../../units/units';
import { unitSchema } from '../expectation';
import type { Judgement } from '../judge';
import type { ErrorsAt } from '../uncertainty/errors';
import { bandWords } from '../words';
import type { Series } from './samples';

/** A stretch of the track that is right. */
export interface Wanted {
  /** Limits of a band; either may be open. */
  readonly low?: number | undefined;
  readonly high?: number | undefined;
  /** Seconds from and to which it holds; the whole time where absent. */
  readonly from?: number | undefined;
  readonly to?: number | undefined;
}

/** How figures of a series are written. */
export interface Writing {
  readonly show: (value: number) => string;
  /** How far apart: kelvins between two temperatures. */
  readonly apart: (value: number) => string;
  /** `0.33 to 0.62 V`, `at least 5 V`; empty without limits. */
  readonly band: (low?: number, high?: number) => string;
}

/** @typeParam K, P - Inferred from `kind` and `fields` alone. */
export interface SeriesOf<K extends string, P extends TProperties> {
  readonly kind: K;
  /**
   * What a sheet says of it beside its kind and unit. A field `event` names what must be marked while it is
   * recorded, `driver` what must be written beside each figure.
   */
  readonly fields: P;
  /** What it can yield, `ok` first. */
  outcomes(expect: SeriesIn<NoInfer<P>>): readonly string[];
  /** In the words of tables and papers. */
  words(expect: SeriesIn<NoInfer<P>>, writing: Writing): string;
  /** Seconds that a series must cover to be judged; 0 where no time is stated. */
  seconds(expect: SeriesIn<NoInfer<P>>): number;
  /** Pairs of limits that must not be turned round. */
  limits?(expect: SeriesIn<NoInfer<P>>): readonly (readonly [number, number])[];
  /** Bands over the track; absent for what is about change only. */
  wanted?(expect: SeriesIn<NoInfer<P>>, series: Series): readonly Wanted[];
  judge(expect: SeriesIn<NoInfer<P>>, series: Series, errors: ErrorsAt): Judgement;
}

export type SeriesIn<P extends TProperties> = Static<TObject<P>> & { readonly unit: Unit };

export const seconds = Type.Number({ exclusiveMinimum: 0, maximum: 86_400 });
export const positive = Type.Number({ exclusiveMinimum: 0 });
export const event = Type.String({ minLength: 1, maxLength: 200 });
export const pair = Type.Tuple([Type.Number(), Type.Number()]);
export const optional = Type.Optional(Type.Number());

export const defineSeries = <const K extends string, P extends TProperties>(
  series: SeriesOf<K, P>,
) => ({
  ...series,
  schema: Type.Object({ kind: Type.Literal(series.kind), ...series.fields, unit: unitSchema }),
});

/** A series whose kind is not known here. */
export type AnySeries = SeriesOf<string, TProperties> & { readonly schema: TSchema };

export const writingIn = (unit: Unit): Writing => ({
  show: (value) => formatQuantity(value, unit),
  apart: (value) => formatDifference(value, unit),
  band: (low, high) => bandWords(low, high, unit),
});

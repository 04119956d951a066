/** Faults, the parts they sit on, repairs and procedures. */
import { Type, type Static } from '@sinclair/typebox';
import { testExpectationSchema } from '../../judge/test-expectation';
import { Id, list, Minutes, Money, Name, Probability, Ref, Text, words } from './common';

export const faultSchema = Type.Object({
  id: Id,
  name: Name,
  part: Id,
  component: Type.Optional(Name),
  mode: Type.Optional(Name),
  prior: Type.Number({ exclusiveMinimum: 0 }),
  shows: Type.Record(Ref, Type.Union([Id, Type.Record(Id, Probability)])),
  brings: Type.Optional(Type.Record(Id, Probability)),
  why: Type.Optional(Text),
  asksAfter: list(Text),
});

const matchSchema = Type.Object({
  field: Name,
  equals: Type.Optional(Type.Union([Type.String(), Type.Number(), Type.Boolean()])),
  atLeast: Type.Optional(Type.Number()),
  atMost: Type.Optional(Type.Number()),
  unit: Type.Optional(Name),
  why: Type.Optional(Text),
});

export const partSchema = Type.Object({
  id: Id,
  name: Name,
  number: Type.Optional(Name),
  minutes: Type.Optional(Minutes),
  price: Type.Optional(Money),
  leadHours: Type.Optional(Type.Number({ minimum: 0 })),
  returnable: Type.Optional(Type.Boolean()),
  before: list(Text),
  /** What a substitute must have; a miss forbids it. */
  must: list(matchSchema),
  /** What it should have; a miss is a remark. */
  should: list(matchSchema),
});

export const repairSchema = Type.Object({
  id: Id,
  name: Type.Optional(Name),
  fixes: Type.Array(Id, { minItems: 1 }),
  price: Money,
  minutes: Minutes,
  success: Probability,
  relapse: Type.Optional(Probability),
});

export const procedureSchema = Type.Object({
  id: Id,
  title: Type.Optional(Name),
  for: Type.Optional(Id),
  kind: Type.Optional(words(['fit', 'prove', 'clean'])),
  steps: Type.Array(
    Type.Object({
      do: Type.Optional(Text),
      caution: Type.Optional(Text),
      photo: Type.Optional(Type.Boolean()),
      watch: Type.Optional(
        Type.Object({
          red: Type.Optional(Ref),
          black: Type.Optional(Ref),
          what: Type.Optional(Name),
          expect: testExpectationSchema,
        }),
      ),
    }),
    { minItems: 1, maxItems: 100 },
  ),
  wireMap: list(
    Type.Object({
      from: Name,
      to: Name,
      wire: Type.Optional(Name),
      signal: Type.Optional(Name),
    }),
  ),
});

export type Fault = Static<typeof faultSchema>;
export type Part = Static<typeof partSchema>;
export type Repair = Static<typeof repairSchema>;
export type Procedure = Static<typeof procedureSchema>;
export type PartMatch = Static<typeof matchSchema>;

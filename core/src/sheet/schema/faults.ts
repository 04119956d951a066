/** Faults, the parts they sit on, repairs and procedures. */
import { Type, type Static } from '@sinclair/typebox';
import { testExpectationSchema } from '../../judge/test-expectation';
import { Id, list, Minutes, Money, Name, Probability, Ref, presence, Text, words } from './common';

export const faultSchema = Type.Object({
  ...presence,
  id: Id,
  name: Name,
  /** Absent for what no part mends: a joint, a setting. */
  part: Type.Optional(Id),
  component: Type.Optional(Name),
  mode: Type.Optional(Name),
  prior: Type.Number({ exclusiveMinimum: 0 }),
  shows: Type.Record(Ref, Type.Union([Id, Type.Record(Id, Probability)])),
  brings: Type.Optional(Type.Record(Id, Probability)),
  /** The share of the time in which it shows nothing. */
  intermittent: Type.Optional(Type.Number({ minimum: 0, exclusiveMaximum: 1 })),
  /** Of the faults that bear the same word here only one can be. */
  oneOf: Type.Optional(Id),
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
  ...presence,
  id: Id,
  name: Name,
  number: Type.Optional(Name),
  minutes: Type.Optional(Minutes),
  price: Type.Optional(Money),
  /** The part that it sits on and is replaced with. */
  on: Type.Optional(Id),
  /** Fitted only by somebody who holds this licence. */
  licence: Type.Optional(Name),
  /** What the maker gives on it. */
  warranty: Type.Optional(
    Type.Object({
      partsMonths: Type.Optional(Type.Number({ minimum: 0, maximum: 600 })),
      labourMonths: Type.Optional(Type.Number({ minimum: 0, maximum: 600 })),
      /** Not beyond this day, whenever it was bought. */
      until: Type.Optional(Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\d$' })),
      say: Type.Optional(Text),
    }),
  ),
  /** Whether it can be had: by itself, in a kit, or no more. */
  available: Type.Optional(words(['yes', 'kit', 'no more'])),
  /** Parts that come with it. */
  contains: list(Id),
  /** Number of the part that took its place. */
  supersededBy: Type.Optional(Name),
  /** Why the old one may have died: owed before it is ordered. */
  asksAfter: list(Text),
  /** What it is, for a substitute to be held against: volts, shunt, suffix of the program. */
  data: Type.Optional(
    Type.Record(
      Type.String({ minLength: 1, maxLength: 80 }),
      Type.Union([Type.String({ maxLength: 200 }), Type.Number(), Type.Boolean()]),
    ),
  ),
  leadHours: Type.Optional(Type.Number({ minimum: 0 })),
  returnable: Type.Optional(Type.Boolean()),
  before: list(Text),
  /** What a substitute must have; a miss forbids it. */
  must: list(matchSchema),
  /** What it should have; a miss is a remark. */
  should: list(matchSchema),
});

/** What may be done to a machine without a new part. */
export const REPAIR_KINDS = [
  'repaired',
  'cleaned',
  'reseated',
  'set',
  'trimmed',
  'thawed',
  'reset',
  'other',
] as const;

export const repairSchema = Type.Object({
  ...presence,
  id: Id,
  name: Type.Optional(Name),
  /** What is done; a repair at component level where absent. */
  what: Type.Optional(words(REPAIR_KINDS)),
  /** What it is set or trimmed to. */
  wanted: Type.Optional(Name),
  /** What it takes of who does it: soldering of fine pitch, a torch. */
  skill: Type.Optional(Name),
  licence: Type.Optional(Name),
  fixes: Type.Array(Id, { minItems: 1 }),
  price: Money,
  minutes: Minutes,
  success: Probability,
  relapse: Type.Optional(Probability),
});

/** Something tried to see whether it mends: a power cycle, a plug reseated. */
export const trySchema = Type.Object({
  ...presence,
  id: Id,
  name: Name,
  what: Type.Optional(words(REPAIR_KINDS)),
  steps: list(Text),
  /** Seconds that each step takes, counted down: a key held, a wait; 0 for one that takes none. */
  counts: list(Type.Number({ minimum: 0, maximum: 86_400 })),
  minutes: Type.Optional(Minutes),
  hazard: Type.Optional(Type.String({ maxLength: 200 })),
  /** Chance that it takes each of these faults away. */
  cures: Type.Record(Id, Probability),
});

export const procedureSchema = Type.Object({
  ...presence,
  id: Id,
  title: Type.Optional(Name),
  for: Type.Optional(Id),
  kind: Type.Optional(words(['fit', 'prove', 'clean'])),
  steps: Type.Array(
    Type.Object({
      ...presence,
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
      ...presence,
      /** Terminal of the old part; absent for one of the new part that stays empty. */
      from: Type.Optional(Name),
      /** Terminal of the new part; absent for a wire that finds none there, and is insulated. */
      to: Type.Optional(Name),
      wire: Type.Optional(Name),
      signal: Type.Optional(Name),
    }),
  ),
});

export type Fault = Static<typeof faultSchema>;
export type Part = Static<typeof partSchema>;
export type Repair = Static<typeof repairSchema>;
export type Try = Static<typeof trySchema>;
export type RepairKind = (typeof REPAIR_KINDS)[number];
export type Procedure = Static<typeof procedureSchema>;
export type PartMatch = Static<typeof matchSchema>;

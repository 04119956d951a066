/** Machine states, access, tests with their limits, and sequences. */
import { Type, type Static } from '@sinclair/typebox';
import { expectationSchema } from '../../judge/expectation';
import { togetherSchema } from '../../judge/groups/index';
import { testExpectationSchema } from '../../judge/test-expectation';
import { meterFunctionSchema } from '../../meter/functions';
import { Id, list, Minutes, Name, Ref, presence, Text, words } from './common';
import { stateNeedsSchema, wantsSchema } from './wants';

export const energySchema = words(['dead', 'live']);

export const stateSchema = Type.Object({
  ...presence,
  id: Id,
  energy: energySchema,
  name: Type.Optional(Name),
  /** The state from which it is entered. */
  from: Type.Optional(Id),
  enter: list(Text),
  /** Its own named steps, where they are not of one length. */
  steps: list(Type.Object({ name: Name, seconds: Type.Number({ exclusiveMinimum: 0 }) })),
  /** Seconds before which an absence says nothing: a start delay. */
  begins: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 86_400 })),
  needs: Type.Optional(stateNeedsSchema),
  /** What it harms where its needs are not met; a person where absent. */
  harm: Type.Optional(words(['machine', 'person'])),
  /** Attempts that one call may make by itself, all counted. */
  tries: Type.Optional(Type.Integer({ minimum: 1, maximum: 50 })),
  lasts: Type.Optional(
    Type.Number({ exclusiveMinimum: 0, description: 'Seconds after which it ends by itself.' }),
  ),
  beat: Type.Optional(
    Type.Number({ exclusiveMinimum: 0, description: 'Seconds from one of its steps to the next.' }),
  ),
  /** Where every entering is an attempt that leaves something behind, such as unburnt gas. */
  attempts: Type.Optional(
    Type.Object({
      most: Type.Integer({ minimum: 1, maximum: 50 }),
      purge: Type.Number({ minimum: 0, description: 'Seconds to purge before the next.' }),
      say: Type.Optional(Text),
    }),
  ),
});

export const accessSchema = Type.Object({
  ...presence,
  id: Id,
  name: Type.Optional(Name),
  minutes: Minutes,
  needs: list(Id),
  energy: Type.Optional(energySchema),
});

const testCommon = {
  ...presence,
  id: Id,
  title: Name,
  group: Type.Optional(Name),
  why: Type.Optional(Text),
  state: Id,
  ...wantsSchema,
  /** A follow-up: asked only where these came out so, by observable. */
  onlyIf: Type.Optional(Type.Record(Ref, Id)),
  minutes: Type.Optional(Minutes),
  hazard: Type.Optional(Type.String({ maxLength: 200 })),
  /** Taken only by somebody who holds this licence. */
  licence: Type.Optional(Name),
  page: Type.Optional(Type.String({ maxLength: 40 })),
  noise: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 0.5 })),
  /** What must be brought for it: a spare board, a jumper wire. */
  carry: list(Name),
};

export const testPointSchema = Type.Object({
  ...presence,
  id: Id,
  name: Type.Optional(Name),
  /** Absent where nothing is touched, as for a display. */
  red: Type.Optional(Ref),
  /** Absent for a clamp, a gauge or a thermometer, which sit in one place. */
  black: Type.Optional(Ref),
  /** Its own function and limits, where they differ from the test's. */
  function: Type.Optional(meterFunctionSchema),
  expect: Type.Optional(testExpectationSchema),
  /** What it wants otherwise than its test. */
  state: Type.Optional(Id),
  ...wantsSchema,
  /** Phase of the sequence in which it is taken. */
  phase: Type.Optional(Id),
  /** Another place for the black probe that will do as well: earth for neutral; which one is recorded. */
  or: Type.Optional(Ref),
  /** How the probe is held, what a slip would do, what to do meanwhile. */
  hold: Type.Optional(Type.String({ maxLength: 400 })),
  /** What it usually reads, beside limits that are wide; in the unit of its limits. */
  typical: Type.Optional(Type.Number()),
  /** The range to set by hand, up to so much; for a meter that hunts or loads on its own choice. */
  range: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
});

export const purposeSchema = Type.Object({ id: Id, title: Name, expect: expectationSchema });

export const measureSchema = Type.Object({
  ...testCommon,
  how: words(['measure', 'read', 'compare', 'listen', 'look', 'try']),
  function: meterFunctionSchema,
  points: Type.Array(testPointSchema, { minItems: 1, maxItems: 60 }),
  expect: testExpectationSchema,
  together: list(togetherSchema),
  purposes: list(purposeSchema),
  settle: Type.Optional(Type.Number({ minimum: 0, description: 'Seconds until a figure stands.' })),
});

export const askSchema = Type.Object({
  ...testCommon,
  how: words(['look', 'listen', 'smell', 'try', 'read', 'compare']),
  asks: Text,
  answers: Type.Record(Type.String({ minLength: 1, maxLength: 120 }), Id, { minProperties: 2 }),
});

export const sequenceSchema = Type.Object({
  ...presence,
  id: Id,
  title: Type.Optional(Name),
  group: Type.Optional(Name),
  why: Type.Optional(Text),
  state: Id,
  ...wantsSchema,
  minutes: Type.Optional(Minutes),
  hazard: Type.Optional(Type.String({ maxLength: 200 })),
  page: Type.Optional(Type.String({ maxLength: 40 })),
  phases: Type.Array(
    Type.Object({
      id: Id,
      name: Type.Optional(Name),
      /** The event that ends it; the last phase has none. */
      until: Type.Optional(Name),
    }),
    { minItems: 1, maxItems: 20 },
  ),
  /** Expectations by phase: a place, a phase, and the limits written beside them. */
  expects: Type.Array(
    Type.Intersect([
      Type.Object({
        ...presence,
        id: Type.Optional(Id),
        name: Type.Optional(Name),
        red: Ref,
        black: Type.Optional(Ref),
        phase: Id,
        function: Type.Optional(meterFunctionSchema),
      }),
      expectationSchema,
    ]),
    { minItems: 1, maxItems: 60 },
  ),
  together: list(togetherSchema),
});

export type SheetState = Static<typeof stateSchema>;
export type Access = Static<typeof accessSchema>;
export type MeasureTest = Static<typeof measureSchema>;
export type AskTest = Static<typeof askSchema>;
export type Test = MeasureTest | AskTest;
export type TestPoint = Static<typeof testPointSchema>;
export type Sequence = Static<typeof sequenceSchema>;

/** Whether a test takes figures; the others take an answer. */
export const isMeasured = (test: Test): test is MeasureTest => 'points' in test;

/**
 * The service sheet, format `jeitinho.sheet/1`: everything the shop knows about one equipment model.
 * One JSON Schema; the types are derived from it. Fields that are not named here are kept as they are.
 */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { expectationSchema } from '../judge/expectation';
import { meterFunctionSchema } from '../meter/functions';

const Id = Type.String({ minLength: 1, maxLength: 80, pattern: '^[A-Za-z0-9][A-Za-z0-9._+-]*$' });
const Text = Type.String({ maxLength: 4000 });
const Name = Type.String({ minLength: 1, maxLength: 200 });
const Probability = Type.Number({ minimum: 0, maximum: 1 });
const Place = Type.Tuple([Type.Number(), Type.Number()], { description: 'x, y in millimetres' });
const list = <T extends TSchema>(schema: T) => Type.Optional(Type.Array(schema));

const pinSchema = Type.Object({
  n: Type.Integer({ minimum: 1, maximum: 200 }),
  signal: Type.Optional(Name),
  wire: Type.Optional(Name),
});

const connectorSchema = Type.Object({
  id: Id,
  at: Place,
  rows: Type.Optional(Type.Integer({ minimum: 1, maximum: 4 })),
  key: Type.Optional(Type.Union([Type.Literal('left'), Type.Literal('right')])),
  mates: Type.Optional(Id),
  name: Type.Optional(Name),
  pins: Type.Array(pinSchema, { minItems: 1, maxItems: 200 }),
});

const pointSchema = Type.Object({
  id: Id,
  at: Place,
  shape: Type.Optional(
    Type.Union([Type.Literal('stud'), Type.Literal('pad'), Type.Literal('terminal')]),
  ),
  name: Type.Optional(Name),
});

const markSchema = Type.Object({
  id: Id,
  kind: Type.Union([
    Type.Literal('fuse'),
    Type.Literal('led'),
    Type.Literal('capacitor'),
    Type.Literal('relay'),
    Type.Literal('chip'),
    Type.Literal('heatsink'),
    Type.Literal('transformer'),
  ]),
  at: Place,
  size: Type.Optional(Place),
  name: Type.Optional(Name),
});

const boardSchema = Type.Object({
  id: Id,
  name: Name,
  part: Type.Optional(Id),
  size: Place,
  connectors: list(connectorSchema),
  points: list(pointSchema),
  marks: list(markSchema),
});

const codeSchema = Type.Object({
  code: Type.String({ minLength: 1, maxLength: 40 }),
  title: Name,
  means: Type.Optional(Text),
  suspects: Type.Record(Id, Probability),
  other: Type.Optional(Probability),
  firstLook: list(Text),
});

const codeSchemeSchema = Type.Object({
  id: Id,
  shown: Type.Union([Type.Literal('digits'), Type.Literal('blinks')]),
  pattern: Type.Optional(Type.String({ maxLength: 200 })),
  hint: Type.Optional(Text),
});

const energySchema = Type.Union([Type.Literal('dead'), Type.Literal('live')]);
const stateSchema = Type.Object({
  id: Id,
  energy: energySchema,
  name: Type.Optional(Name),
  enter: list(Text),
});

const accessSchema = Type.Object({
  id: Id,
  name: Type.Optional(Name),
  minutes: Type.Number({ minimum: 0 }),
  needs: list(Id),
  energy: Type.Optional(energySchema),
});

const testCommon = {
  id: Id,
  title: Name,
  group: Type.Optional(Name),
  why: Type.Optional(Text),
  state: Id,
  access: list(Id),
  minutes: Type.Optional(Type.Number({ minimum: 0 })),
  hazard: Type.Optional(Type.String({ maxLength: 200 })),
  page: Type.Optional(Type.String({ maxLength: 40 })),
  fedBy: list(Type.String({ maxLength: 170 })),
  noise: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 0.5 })),
};

const measureSchema = Type.Object({
  ...testCommon,
  how: Type.Literal('measure'),
  function: meterFunctionSchema,
  isolated: Type.Optional(Type.Boolean()),
  points: Type.Array(
    Type.Object({
      id: Id,
      red: Type.String({ minLength: 1 }),
      black: Type.String({ minLength: 1 }),
    }),
    { minItems: 1, maxItems: 60 },
  ),
  expect: expectationSchema,
  settle: Type.Optional(Type.Number({ minimum: 0, description: 'Seconds until a figure stands.' })),
});

const askSchema = Type.Object({
  ...testCommon,
  how: Type.Union([
    Type.Literal('look'),
    Type.Literal('listen'),
    Type.Literal('smell'),
    Type.Literal('try'),
    Type.Literal('read'),
    Type.Literal('compare'),
  ]),
  asks: Text,
  answers: Type.Record(Type.String({ minLength: 1, maxLength: 120 }), Id, { minProperties: 2 }),
});

const faultSchema = Type.Object({
  id: Id,
  name: Name,
  part: Id,
  component: Type.Optional(Name),
  mode: Type.Optional(Name),
  prior: Type.Number({ exclusiveMinimum: 0 }),
  shows: Type.Record(Type.String(), Type.Union([Id, Type.Record(Id, Probability)])),
  brings: Type.Optional(Type.Record(Id, Probability)),
  why: Type.Optional(Text),
  asksAfter: list(Text),
});

const partSchema = Type.Object({
  id: Id,
  name: Name,
  number: Type.Optional(Name),
  minutes: Type.Optional(Type.Number({ minimum: 0 })),
  price: Type.Optional(Type.Number({ minimum: 0 })),
  leadHours: Type.Optional(Type.Number({ minimum: 0 })),
  returnable: Type.Optional(Type.Boolean()),
  before: list(Text),
});

export const sheetSchema = Type.Object(
  {
    format: Type.Literal('jeitinho.sheet/1'),
    id: Id,
    title: Name,
    revision: Type.Integer({ minimum: 1 }),
    equipment: Type.Object({
      maker: Name,
      kind: Name,
      models: Type.Array(Name, { minItems: 1 }),
      supply: Type.Optional(
        Type.Object({ system: Name, volts: Type.Number(), hertz: Type.Number() }),
      ),
    }),
    source: Type.Object({
      document: Name,
      revision: Type.Optional(Type.String({ maxLength: 40 })),
      date: Type.Optional(Type.String({ maxLength: 10 })),
    }),
    safety: Type.Object({
      waitMinutes: Type.Number({ minimum: 0 }),
      bus: Type.Object({
        red: Type.String(),
        black: Type.String(),
        below: Type.Number({ exclusiveMinimum: 0, description: 'Volts; dead only below this.' }),
      }),
      volts: Type.Number({ minimum: 0, description: 'Highest voltage present when live.' }),
      knownSource: Type.Optional(Text),
      licences: list(Name),
      cautions: list(Text),
      liveCautions: list(Text),
      stuck: Type.Optional(Text),
    }),
    boards: Type.Array(boardSchema, { minItems: 1 }),
    codes: Type.Object({ schemes: Type.Array(codeSchemeSchema), list: Type.Array(codeSchema) }),
    states: Type.Array(stateSchema, { minItems: 1 }),
    access: list(accessSchema),
    tests: Type.Array(Type.Union([measureSchema, askSchema]), { minItems: 1 }),
    faults: Type.Array(faultSchema, { minItems: 1 }),
    parts: Type.Array(partSchema, { minItems: 1 }),
  },
  { $id: 'sheet-1', title: 'Jeitinho service sheet, format 1' },
);

export type Sheet = Static<typeof sheetSchema>;
export type Board = Static<typeof boardSchema>;
export type Connector = Static<typeof connectorSchema>;
export type Pin = Static<typeof pinSchema>;
export type BoardPoint = Static<typeof pointSchema>;
export type BoardMark = Static<typeof markSchema>;
export type SheetState = Static<typeof stateSchema>;
export type Access = Static<typeof accessSchema>;
export type MeasureTest = Static<typeof measureSchema>;
export type AskTest = Static<typeof askSchema>;
export type Test = MeasureTest | AskTest;
export type TestPoint = MeasureTest['points'][number];
export type Fault = Static<typeof faultSchema>;
export type Part = Static<typeof partSchema>;
export type SheetCode = Static<typeof codeSchema>;

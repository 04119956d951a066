/** Boards with their connectors, pins, points and marks, and the harnesses between them. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, list, Name, Place, Ref, presence, words } from './common';

/** Of the isolation of a supply: hot hangs on the mains. Nothing can be read across it. */
const sideSchema = Type.Optional(words(['hot', 'cold']));

export const pinSchema = Type.Object({
  ...presence,
  n: Type.Integer({ minimum: 1, maximum: 200 }),
  signal: Type.Optional(Name),
  wire: Type.Optional(Name),
  side: sideSchema,
});

export const connectorSchema = Type.Object({
  ...presence,
  id: Id,
  at: Place,
  rows: Type.Optional(Type.Integer({ minimum: 1, maximum: 4 })),
  key: Type.Optional(words(['left', 'right'])),
  mates: Type.Optional(Id),
  name: Type.Optional(Name),
  pins: Type.Array(pinSchema, { minItems: 1, maxItems: 200 }),
});

export const pointSchema = Type.Object({
  ...presence,
  id: Id,
  at: Place,
  shape: Type.Optional(words(['stud', 'pad', 'terminal'])),
  name: Type.Optional(Name),
  side: sideSchema,
});

export const MARK_KINDS = [
  'fuse',
  'led',
  'capacitor',
  'relay',
  'chip',
  'heatsink',
  'transformer',
] as const;

export const markSchema = Type.Object({
  ...presence,
  id: Id,
  kind: words(MARK_KINDS),
  at: Place,
  size: Type.Optional(Place),
  name: Type.Optional(Name),
});

export const boardSchema = Type.Object({
  ...presence,
  id: Id,
  name: Name,
  part: Type.Optional(Id),
  /** What is printed on it, to be found by. */
  numbers: list(Name),
  size: Place,
  connectors: list(connectorSchema),
  points: list(pointSchema),
  marks: list(markSchema),
});

export const harnessSchema = Type.Object({
  ...presence,
  id: Id,
  name: Type.Optional(Name),
  part: Type.Optional(Id),
  joins: Type.Array(Ref, { minItems: 1, maxItems: 20, description: 'board.connector' }),
  joints: list(Name),
});

/** What a current goes through, from where it comes to where it returns. */
export const pathSchema = Type.Object({
  ...presence,
  id: Id,
  /** What it carries and for what: 24 V~ to the igniter. */
  carries: Name,
  /** In order: `board.place`, `board.mark`, `harness`, `harness#joint`. */
  through: Type.Array(Ref, { minItems: 2, maxItems: 60 }),
});

export type SheetPath = Static<typeof pathSchema>;
export type Board = Static<typeof boardSchema>;
export type Connector = Static<typeof connectorSchema>;
export type Pin = Static<typeof pinSchema>;
export type BoardPoint = Static<typeof pointSchema>;
export type BoardMark = Static<typeof markSchema>;
export type Harness = Static<typeof harnessSchema>;

/**
 * The service sheet, format `jeitinho.sheet/2`: everything the shop knows about one equipment model.
 * One JSON Schema, published at `/schemas/sheet-2.json`; the types are derived from it. Fields that are
 * not named here are kept as they are.
 */
import { Type, type Static } from '@sinclair/typebox';
import { curveSchema } from '../curves/schema';
import { overRuleSchema } from '../judge/groups/index';
import { benchSchema } from './schema/bench';
import { boardSchema, harnessSchema, pathSchema } from './schema/boards';
import {
  codeSchema,
  codeSchemeSchema,
  noCodeSchema,
  symptomSchema,
  historySchema,
} from './schema/codes';
import { Id, list, Name, presence, Ref, Text, words } from './schema/common';
import { repeatSchema, variantSchema, type Variant } from './schema/shape';
import { faultSchema, partSchema, procedureSchema, repairSchema, trySchema } from './schema/faults';
import {
  accessSchema,
  askSchema,
  measureSchema,
  sequenceSchema,
  stateSchema,
} from './schema/tests';

export const SHEET_FORMAT = 'jeitinho.sheet/2';

const equipmentSchema = Type.Object({
  maker: Name,
  /** Other makers' names under which the same machine is sold. */
  makers: list(Name),
  kind: Name,
  models: Type.Array(Name, { minItems: 1, description: 'Patterns; * stands for anything.' }),
  supply: Type.Optional(Type.Object({ system: Name, volts: Type.Number(), hertz: Type.Number() })),
});

const Volts = Type.Number({ exclusiveMinimum: 0, maximum: 100_000 });

/** Two places that must be proven dead, on the function that shows it. */
const provePairSchema = Type.Object({
  ...presence,
  id: Type.Optional(Id),
  name: Type.Optional(Name),
  from: Ref,
  to: Ref,
  function: words(['V~', 'V=']),
  deadBelow: Volts,
  /** Below this a plug may be pulled already. */
  unplugBelow: Type.Optional(Volts),
  /** Minutes after isolating; the sheet's own wait on V=, none on V~, where absent. */
  waitMinutes: Type.Optional(Type.Number({ minimum: 0, maximum: 1440 })),
  /** Stores of charge that it proves drained, by name; those at one of its places where absent. */
  proves: list(Name),
  /** What must be open before it can be reached. */
  access: list(Id),
  place: Type.Optional(
    Type.String({ maxLength: 200, description: 'Where it is, before the lid comes off.' }),
  ),
  /** Boards that it alone is for, where a part of the machine is proven by itself. */
  for: list(Id),
  note: Type.Optional(Text),
  page: Type.Optional(Type.String({ maxLength: 40 })),
});

const safetySchema = Type.Object({
  waitMinutes: Type.Number({ minimum: 0 }),
  /** Every pair to prove, in order. */
  prove: list(provePairSchema),
  /** The one pair of a sheet from before `prove`. */
  bus: Type.Optional(
    Type.Object({
      red: Type.String(),
      black: Type.String(),
      below: Type.Number({ exclusiveMinimum: 0, description: 'Volts; dead only below this.' }),
      page: Type.Optional(Type.String({ maxLength: 40 })),
    }),
  ),
  volts: Type.Number({ minimum: 0, description: 'Highest voltage present when live.' }),
  category: Type.Optional(
    Type.Integer({
      minimum: 2,
      maximum: 4,
      description: 'Overvoltage category a meter needs there; 3 for fixed wiring, where absent.',
    }),
  ),
  capacitance: Type.Optional(Type.Number({ exclusiveMinimum: 0, description: 'Farads.' })),
  bleed: Type.Optional(Type.Number({ exclusiveMinimum: 0, description: 'Ohms.' })),
  /** What stays charged after isolation, where it is more than the bus. */
  stores: list(
    Type.Object({
      ...presence,
      name: Name,
      at: Type.String({ minLength: 1, maxLength: 170, description: 'A board, or a place on one.' }),
      volts: Type.Optional(
        Type.Number({ minimum: 0, description: 'Usual volts when the supply goes off.' }),
      ),
      highest: Type.Optional(
        Type.Number({
          minimum: 0,
          description: 'Highest volts; those of the machine where absent.',
        }),
      ),
      farads: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
      bleed: Type.Optional(Type.Number({ exclusiveMinimum: 0, description: 'Ohms across it.' })),
    }),
  ),
  /** Live work only with somebody in reach who can switch off. */
  secondPerson: Type.Optional(Type.Boolean()),
  /** Somebody else looks the signed visit through, and signs it as well. */
  secondSignature: Type.Optional(Type.Boolean()),
  knownSource: Type.Optional(Text),
  licences: list(Name),
  cautions: list(Text),
  liveCautions: list(Text),
  stuck: Type.Optional(Text),
});

export const sheetSchema = Type.Object(
  {
    format: Type.Literal(SHEET_FORMAT),
    id: Id,
    title: Name,
    revision: Type.Integer({ minimum: 1 }),
    equipment: equipmentSchema,
    source: Type.Object({
      document: Name,
      revision: Type.Optional(Type.String({ maxLength: 40 })),
      date: Type.Optional(Type.String({ maxLength: 10 })),
    }),
    repeats: list(repeatSchema),
    variants: list(variantSchema),
    safety: safetySchema,
    boards: Type.Array(boardSchema, { minItems: 1 }),
    harnesses: list(harnessSchema),
    paths: list(pathSchema),
    curves: list(curveSchema),
    codes: Type.Object({
      schemes: Type.Array(codeSchemeSchema),
      list: Type.Array(codeSchema),
      none: Type.Optional(noCodeSchema),
      history: Type.Optional(historySchema),
    }),
    symptoms: list(symptomSchema),
    /** Expected number of independent faults; 0.1 where absent. */
    coincidence: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 2 })),
    /** Prior of nothing wrong while it is measured; 0.05 where absent. */
    sound: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 0.9 })),
    states: Type.Array(stateSchema, { minItems: 1 }),
    access: list(accessSchema),
    tests: Type.Array(Type.Union([measureSchema, askSchema]), { minItems: 1 }),
    sequences: list(sequenceSchema),
    /** Over what several tests find, in whatever states. */
    rules: list(overRuleSchema),
    faults: Type.Array(faultSchema, { minItems: 1 }),
    parts: Type.Array(partSchema, { minItems: 1 }),
    repairs: list(repairSchema),
    tries: list(trySchema),
    procedures: list(procedureSchema),
    bench: Type.Optional(benchSchema),
  },
  { $id: 'sheet-2', title: 'Jeitinho service sheet, format 2' },
);

/** A sheet as its author writes it: what it says once for several copies, and of variants, stands in it so. */
export type WrittenSheet = Static<typeof sheetSchema>;

/**
 * A sheet with every copy written out, for the variants of the machine that are known; everything but the
 * editor works with this one. Made by `expandSheet`.
 */
export type Sheet = Omit<WrittenSheet, 'repeats' | 'variants'> & {
  readonly repeats?: never;
  readonly variants?: never;
  /** What was asked about the machine, and decides which of its things are there. */
  readonly questions?: readonly Variant[];
  /** Which variant it is, by question, as far as that is known. */
  readonly chosen?: Readonly<Record<string, string>>;
  /** By connector, the sheet’s pin to that of the machine at hand, where they differ. */
  readonly moved?: Readonly<Record<string, Readonly<Record<string, number>>>>;
};
export type ProvePair = Static<typeof provePairSchema>;

export * from './schema/bench';
export * from './schema/boards';
export * from './schema/codes';
export * from './schema/faults';
export * from './schema/shape';
export * from './schema/tests';
export * from './schema/wants';

/** Customers with their sites and units: how they are changed, merged, found together and brought in. */
import { Type, type Static } from '@sinclair/typebox';
import { Uuid } from '../job/log/words';
import { words } from '../schema-words';
import { placeRowSchema } from '../places/row';
import {
  customerInput,
  customerSchema,
  siteInput,
  siteSchema,
  unitFoundSchema,
  unitInput,
  unitResourceSchema,
} from './resources';

const edit = { additionalProperties: false, minProperties: 1 } as const;

/** What is not named stays as it is: two people who change different fields both keep theirs. */
export const customerEdit = Type.Object(
  Type.Partial(Type.Omit(customerInput, ['id'])).properties,
  edit,
);
export const siteEdit = Type.Object(Type.Partial(Type.Omit(siteInput, ['id'])).properties, edit);
export const unitEdit = Type.Object(Type.Partial(Type.Omit(unitInput, ['id'])).properties, edit);

/** The double that goes: what belongs to it belongs to the other from then on, and its id leads there. */
export const mergeInput = Type.Object({ double: Uuid }, { additionalProperties: false });

/** A customer with everything that stands at their sites. */
export const placeSchema = Type.Object(
  {
    ...customerSchema.properties,
    sites: Type.Array(
      Type.Object({ ...siteSchema.properties, units: Type.Array(unitResourceSchema) }),
    ),
  },
  { $id: 'place' },
);

/** How many rows of a file go in at once. */
export const MOST_PLACE_ROWS = 2000;
export const importInput = Type.Object(
  { rows: Type.Array(placeRowSchema, { minItems: 1, maxItems: MOST_PLACE_ROWS }) },
  { additionalProperties: false },
);
const Count = Type.Integer({ minimum: 0 });
/** What was added; what was there already was left as it is. */
export const importedSchema = Type.Object({
  customers: Count,
  sites: Count,
  units: Count,
  known: Count,
});

/** Units whose maker and model a sheet covers. */
export const sheetUnitsSchema = Type.Object({
  /** Without a sheet, or with another one. */
  fits: Type.Array(unitFoundSchema),
  /** How many have it. */
  has: Count,
});
/** Pins that a visit found elsewhere than the sheet has them. */
export const pinsFoundSchema = Type.Object({
  /** `main.CN4` */
  connector: Type.String(),
  /** The sheet's pin to the machine's. */
  at: Type.Record(Type.String(), Type.Integer()),
  /** How many visits found it so. */
  visits: Count,
  /** The latest of them, and when. */
  job: Type.String(),
  foundAt: Type.String(),
});
/** A part of another make or number, held against one of a sheet's, and what became of it. */
export const substituteSchema = Type.Object({
  job: Type.String(),
  part: Type.String(),
  number: Type.String(),
  at: Type.String(),
  /** Whether it was fitted at all; whether it was proven; whether the unit was visited again within 90 days. */
  fared: words(['proven', 'unproven', 'came-back', 'not-fitted']),
});
export type SubstituteResource = Readonly<Static<typeof substituteSchema>>;
export const giveSheetInput = Type.Object(
  { units: Type.Array(Uuid, { minItems: 1, maxItems: 200 }) },
  { additionalProperties: false },
);
/** How many units have it now, and how many open visits without a sheet got it. */
export const gaveSheetSchema = Type.Object({ units: Count, jobs: Count });

export type PinsFoundResource = Readonly<Static<typeof pinsFoundSchema>>;
export type PlaceResource = Readonly<Static<typeof placeSchema>>;
export type ImportedPlaces = Static<typeof importedSchema>;

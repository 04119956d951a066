/** A unit of a list that a shop brings along: who owns it, where it stands, what it is. */
import { Type, type Static } from '@sinclair/typebox';

const Name = Type.String({ minLength: 1, maxLength: 200 });
const Line = Type.String({ maxLength: 200 });
const Day = Type.String({ pattern: '^(\\d{4}-\\d\\d-\\d\\d)?$' });

/** A row without maker, model and label is a customer, or a site, without a unit. */
export const placeRowSchema = Type.Object(
  {
    customer: Name,
    phone: Line,
    site: Name,
    address: Line,
    town: Line,
    label: Line,
    maker: Line,
    model: Line,
    serial: Line,
    kind: Line,
    /** `YYYY-MM-DD`, or empty. */
    installed: Day,
    warranty: Day,
  },
  { additionalProperties: false },
);
export type PlaceRow = Static<typeof placeRowSchema>;
export type PlaceColumn = keyof PlaceRow;

export const PLACE_COLUMNS = Object.keys(placeRowSchema.properties) as PlaceColumn[];

/** Words that entries are made of: their lengths and shapes. */
import { Type, type TSchema } from '@sinclair/typebox';

/** Something of the sheet, by its id. */
export const Id = Type.String({ minLength: 1, maxLength: 80 });
/** A pin or point of a board, such as `main.CN4.1`. */
export const Place = Type.String({ minLength: 1, maxLength: 170 });
export const Note = Type.String({ maxLength: 4000 });
/** A note that must not be empty. */
export const Said = Type.String({ minLength: 1, maxLength: 4000 });
export const Person = Type.String({ minLength: 1, maxLength: 120 });
export const Uuid = Type.String({
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[1-9a-f][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
  description: 'UUID, lower case',
});
/** What was typed for a figure. */
export const Typed = Type.String({ maxLength: 60 });

const Size = Type.Number({ minimum: -1e15, maximum: 1e15 });
const closed = { additionalProperties: false };

/** As indicated: SI base unit of the meter function, before any lead zero. */
export const figureSchema = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('value'),
      value: Size,
      /** The other end of a figure that wanders. */
      to: Type.Optional(Size),
    },
    closed,
  ),
  Type.Object({ kind: Type.Literal('overload') }, closed),
]);

/** Where a figure came from that did not stand at once, and how long it took. */
const climbSchema = Type.Object(
  { from: Size, seconds: Type.Number({ exclusiveMinimum: 0, maximum: 86_400 }) },
  closed,
);

/** All that a test may take down: figures, where they came from, peaks, and what was heard. */
export const readingSchema = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('value'),
      value: Size,
      to: Type.Optional(Size),
      climb: Type.Optional(climbSchema),
      /** The highest that was shown: max-hold. */
      peak: Type.Optional(Type.Literal(true)),
    },
    closed,
  ),
  Type.Object({ kind: Type.Literal('overload'), climb: Type.Optional(climbSchema) }, closed),
  Type.Object({ kind: Type.Literal('tone') }, closed),
  Type.Object({ kind: Type.Literal('silence') }, closed),
]);

/** A body with these fields and no others. */
export const strict = <T extends Record<string, TSchema>>(properties: T) =>
  Type.Object(properties, { additionalProperties: false });

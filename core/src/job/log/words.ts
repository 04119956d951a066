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

/** As indicated: SI base unit of the meter function, before any lead zero. */
export const readingSchema = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('value'),
      value: Type.Number({ minimum: -1e15, maximum: 1e15 }),
      /** The other end of a figure that wanders. */
      to: Type.Optional(Type.Number({ minimum: -1e15, maximum: 1e15 })),
    },
    { additionalProperties: false },
  ),
  Type.Object({ kind: Type.Literal('overload') }, { additionalProperties: false }),
]);

/** A body with these fields and no others. */
export const strict = <T extends Record<string, TSchema>>(properties: T) =>
  Type.Object(properties, { additionalProperties: false });

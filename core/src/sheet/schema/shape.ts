/** What a sheet says once: of several copies of one circuit, and of machines that differ a little. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, Name } from './common';

export const repeatSchema = Type.Object({
  id: Type.String({
    pattern: '^[a-z]+$',
    maxLength: 20,
    description: 'The word that stands for the copy, in braces: {c}.',
  }),
  of: Type.Array(Type.String({ pattern: '^[A-Za-z0-9][A-Za-z0-9_-]*$', maxLength: 20 }), {
    minItems: 1,
    maxItems: 40,
    description: 'What takes its place, a copy each.',
  }),
  name: Type.Optional(
    Type.String({ minLength: 1, maxLength: 80, description: 'Of one copy: Circuit {c}.' }),
  ),
});

export const variantSchema = Type.Object({
  id: Id,
  asks: Name,
  /** What somebody sees there, to the variant that it is. */
  answers: Type.Record(Type.String({ minLength: 1, maxLength: 120 }), Id, { minProperties: 2 }),
});

export type Repeat = Static<typeof repeatSchema>;
export type Variant = Static<typeof variantSchema>;

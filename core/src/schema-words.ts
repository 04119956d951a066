/** Small schemas that sheets and judgements share. */
import { Type, type Static, type TSchema, type TUnsafe } from '@sinclair/typebox';

/** A choice among words, as one `enum`: shorter to publish and quicker to check than a union of constants. */
export const words = <const T extends readonly string[]>(
  values: T,
  options: { readonly description?: string } = {},
): TUnsafe<T[number]> => Type.Unsafe<T[number]>({ type: 'string', enum: [...values], ...options });

/** One of these; what it stands for is a union as well. */
export const unionOf = <S extends TSchema>(schemas: readonly S[]) =>
  Type.Unsafe<Static<S>>(Type.Union([...schemas]));

/** An id; of a thing that stands once for every copy of a repeat it bears the copy's place: `cn{c}`. */
export const Id = Type.String({
  minLength: 1,
  maxLength: 80,
  pattern: '^([A-Za-z0-9]|\\{[a-z]+\\})([A-Za-z0-9._+-]|\\{[a-z]+\\})*$',
});

/** Which copies and which variants of the machine have it; without either it stands once, in all. */
export const presence = {
  /** The repeat of which every copy has one: `{c}` in its ids and words is the copy's own. */
  per: Type.Optional(Type.String({ pattern: '^[a-z]+$', maxLength: 20 })),
  /** Variants of the machine that have it. */
  only: Type.Optional(Type.Array(Id, { minItems: 1, maxItems: 40 })),
};

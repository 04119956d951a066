/** A choice among words, as one `enum`: shorter to publish and quicker to check than a union of constants. */
import { Type, type Static, type TSchema, type TUnsafe } from '@sinclair/typebox';

export const words = <const T extends readonly string[]>(
  values: T,
  options: { readonly description?: string } = {},
): TUnsafe<T[number]> => Type.Unsafe<T[number]>({ type: 'string', enum: [...values], ...options });

/** One of these; what it stands for is a union as well. */
export const unionOf = <S extends TSchema>(schemas: readonly S[]) =>
  Type.Unsafe<Static<S>>(Type.Union([...schemas]));

/** A choice among words, as one `enum`: shorter to publish and quicker to check than a union of constants. */
import { Type, type TUnsafe } from '@sinclair/typebox';

export const words = <const T extends readonly string[]>(
  values: T,
  options: { readonly description?: string } = {},
): TUnsafe<T[number]> => Type.Unsafe<T[number]>({ type: 'string', enum: [...values], ...options });

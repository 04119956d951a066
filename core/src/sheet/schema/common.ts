/** Small pieces that all sections of a sheet share. */
import { Type, type TSchema } from '@sinclair/typebox';

/** A reference to a place, a test, a point or a rule. */
export const Ref = Type.String({ minLength: 1, maxLength: 170 });
export const Text = Type.String({ maxLength: 4000 });
export const Name = Type.String({ minLength: 1, maxLength: 200 });
export const Probability = Type.Number({ minimum: 0, maximum: 1 });
export const Minutes = Type.Number({ minimum: 0, maximum: 100_000 });
export const Money = Type.Number({ minimum: 0, maximum: 1e9 });
export const Place = Type.Tuple([Type.Number(), Type.Number()], {
  description: 'x, y in millimetres',
});
export const list = <T extends TSchema>(schema: T) => Type.Optional(Type.Array(schema));
export { Id, presence, words } from '../../schema-words';

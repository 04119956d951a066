/** A figure of a good twin, as it is kept with the model. */
import { Type, type Static } from '@sinclair/typebox';
import { strict } from '../log/words';

export const keptTwinSchema = strict({
  observable: Type.String({ maxLength: 170 }),
  /** SI, less the leads. */
  value: Type.Number({ minimum: -1e15, maximum: 1e15 }),
  /** When it was read, ISO 8601, UTC. */
  at: Type.String({ maxLength: 40 }),
  /** Which one it was. */
  name: Type.Optional(Type.String({ maxLength: 120 })),
});
export type KeptTwin = Static<typeof keptTwinSchema>;

/** More places than any sheet asks for. */
export const MOST_TWINS = 500;

/** The earlier visit that a job goes on from: what it had found and done, in the order of that visit. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, strict, Uuid } from '../log/words';

const Chance = Type.Number({ minimum: 0, maximum: 1 });
const again = Type.Optional(Type.Integer({ minimum: 0 }));

/** Findings and work as the belief takes them. */
const carriedEvidence = Type.Union([
  strict({ test: Type.String(), outcome: Type.String(), again }),
  strict({ test: Type.String(), p: Type.Record(Type.String(), Chance), again }),
  strict({ code: Type.String() }),
  strict({ symptom: Id }),
  strict({ confirmed: Type.Boolean() }),
  strict({ done: Type.Record(Type.String(), Chance) }),
  strict({ back: Type.Array(Id) }),
  strict({ ran: Type.Literal(true) }),
]);

export const continuedSchema = strict({
  job: Uuid,
  /** When that visit was signed, ISO 8601, UTC. */
  at: Type.String({ maxLength: 40 }),
  carried: Type.Array(
    strict({ evidence: carriedEvidence, words: Type.String({ maxLength: 400 }) }),
    {
      maxItems: 2000,
    },
  ),
});
export type Continued = Static<typeof continuedSchema>;
export type CarriedItem = Continued['carried'][number];

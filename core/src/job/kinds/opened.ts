import { Type } from '@sinclair/typebox';
import { meterProfileSchema } from '../../meter/profile';
import { refuse } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { takeInHand } from '../state/meters';
import { continuedSchema } from '../work/continued';
import { keptTwinSchema, MOST_TWINS } from '../work/kept-twin';
import { defineKind } from './kind';

/** The job begins; the meter in hand is frozen into it. */
export const opened = defineKind({
  kind: 'opened',
  body: strict({
    complaint: Note,
    meter: Type.Union([meterProfileSchema, Type.Null()]),
    /** The edition of the rules by which the job folds; absent in logs from before conditions. */
    rules: Type.Optional(Type.Literal(2)),
    /** The visit that this one goes on from, and what it had found and done. */
    continues: Type.Optional(continuedSchema),
    /** What good twins of this model read in earlier jobs. */
    twins: Type.Optional(Type.Array(keptTwinSchema, { maxItems: MOST_TWINS })),
    /** The shop's own odds of this sheet's faults, as a lead had adopted them by then. */
    odds: Type.Optional(
      strict({
        revision: Type.Integer({ minimum: 1 }),
        shares: Type.Record(Id, Type.Number({ minimum: 0, maximum: 1 })),
      }),
    ),
  }),
  group: 'course',
  isFact: true,
  // It may bring odds of the shop’s own.
  reshapes: true,
  admit: ({ state }) =>
    state.log.length > 0 ? refuse('already-open', 'This job is open already.') : undefined,
  apply(draft, { body }) {
    draft.complaint = body.complaint;
    draft.rules = body.rules ?? 1;
    if (body.continues) draft.continues = body.continues;
    if (body.twins) draft.twins = new Map(body.twins.map((each) => [each.observable, each]));
    if (body.meter) takeInHand(draft, body.meter);
  },
  words: () => 'Job opened',
});

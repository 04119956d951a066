import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { refuse, type Refusal } from '../admission/refusal';
import { Note, Person, strict, Uuid } from '../log/words';
import { ACCEPT_WAYS } from '../state/facts';
import { defineKind } from './kind';

/** What the customer said to a decision, before the work: to which sum, when it will be done, and how they said it. */
export const accepted = defineKind({
  kind: 'accepted',
  body: strict({
    /** The decision that it answers. */
    decision: Uuid,
    agreed: Type.Boolean(),
    by: Person,
    how: words(ACCEPT_WAYS),
    amount: Type.Number({ minimum: 0, maximum: 1e9 }),
    currency: Type.String({ maxLength: 8 }),
    minutes: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6 })),
    note: Note,
  }),
  group: 'course',
  admit({ state, entry: { body } }): Refusal | undefined {
    return state.decision?.id === body.decision
      ? undefined
      : refuse(
          'decision-owed',
          'What is to be done was decided anew. Ask the customer about that.',
        );
  },
  apply(draft, entry) {
    draft.accepted = entry;
  },
  words: ({ agreed, by, how, amount, currency }) =>
    `${by} ${agreed ? 'agreed to' : 'did not agree to'} ${currency} ${amount.toFixed(2)}, ${ACCEPT_WORDS[how]}`,
  place: () => ({ stage: 'decide' }),
});

export const ACCEPT_WORDS = {
  here: 'here',
  phone: 'on the phone',
  written: 'in writing',
} as const satisfies Record<(typeof ACCEPT_WAYS)[number], string>;

import { refuse, type Refusal } from '../admission/refusal';
import { Note, strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** Somebody else looked the signed visit through, where the sheet asks for it, and signed it as well. */
export const countersigned = defineKind({
  kind: 'countersigned',
  body: strict({
    /** The signature that it stands beside: a later one is looked through anew. */
    signature: Uuid,
    note: Note,
  }),
  group: 'course',
  whileSigned: true,
  admit({ sheet, state, entry: { author, body } }): Refusal | undefined {
    const { signed } = state;
    if (!sheet.safety.secondSignature)
      return refuse('no-second-signature', 'This sheet asks for no second signature.');
    if (!signed || signed.id !== body.signature)
      return refuse(
        'signature-gone',
        'The signature that this stood beside is no longer there. Look the visit through as it is now.',
      );
    if (author === signed.author || author === signed.body.technician)
      return refuse(
        'same-person',
        'Whoever signed the visit cannot be the second one. Ask somebody else to look it through.',
      );
    return state.countersigned
      ? refuse('signed-twice', `${state.countersigned.author} has signed it as the second one.`)
      : undefined;
  },
  apply(draft, entry) {
    draft.countersigned = entry;
  },
  words: ({ note }) => ['Looked through and signed as the second', note].filter(Boolean).join(': '),
  place: () => ({ stage: 'sign' }),
});

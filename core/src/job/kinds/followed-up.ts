import { refuse, type Refusal } from '../admission/refusal';
import { Note, strict, Uuid } from '../log/words';
import { defineKind } from './kind';

/** What was to come has come, or is no longer wanted. */
export const followedUp = defineKind({
  kind: 'followed-up',
  body: strict({ entry: Uuid, note: Note }),
  group: 'course',
  whileSigned: true,
  admit({ state, entry: { body } }): Refusal | undefined {
    return state.followUps.some(({ id, done }) => id === body.entry && !done)
      ? undefined
      : refuse('nothing-to-follow', 'That is done already, or was taken back.');
  },
  apply(draft, entry) {
    const i = draft.followUps.findIndex(({ id }) => id === entry.body.entry);
    const of = draft.followUps[i];
    if (of) draft.followUps[i] = { ...of, done: entry };
  },
  words: ({ note }) => ['Done, as was to follow', note].filter(Boolean).join(': '),
  place: () => ({ stage: 'sign' }),
});

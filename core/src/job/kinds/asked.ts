import { words } from '../../schema-words';
import { whyAsks } from '../before-part/why-asks';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, Said, strict } from '../log/words';
import { WHY_ANSWERS } from '../state/facts';
import { defineKind } from './kind';

/** Why the old part may have died: one of the sheet's questions, looked into before a new one goes on. */
export const asked = defineKind({
  kind: 'asked',
  body: strict({ part: Id, ask: Said, found: words(WHY_ANSWERS), note: Note }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    if (!whyAsks(sheet, body.part).includes(body.ask))
      return refuse(
        'unknown-question',
        `This job’s sheet does not ask “${body.ask}” of that part.`,
      );
    return body.found === 'open' && body.note.trim() === ''
      ? refuse('reason-owed', 'Say why it cannot be told.')
      : undefined;
  },
  apply(draft, entry) {
    const { part, ask } = entry.body;
    draft.asked.set(`${part} ${ask}`, entry);
  },
  words: ({ ask, found, note }) =>
    [`Why it died: ${ask} ${FOUND_WORDS[found]}`, note].filter(Boolean).join('. '),
  place: () => ({ stage: 'decide' }),
});

export const FOUND_WORDS = {
  yes: 'That is so',
  no: 'No',
  open: 'Cannot be told',
} as const satisfies Record<(typeof WHY_ANSWERS)[number], string>;

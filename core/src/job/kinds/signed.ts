import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, Person, Said, strict } from '../log/words';
import { leftOpen } from '../state/access';
import { defineKind } from './kind';

export const signed = defineKind({
  kind: 'signed',
  body: strict({
    technician: Person,
    customer: Type.String({ maxLength: 120 }),
    note: Note,
    /** How the machine was left, as it was said before signing; absent in logs from before it was. */
    left: Type.Optional(
      strict({
        energy: words(['live', 'not-proven', 'dead']),
        note: Note,
        open: Type.Array(strict({ access: Id, reason: Said }), { maxItems: 200 }),
      }),
    ),
  }),
  group: 'course',
  looksAtEnd: true,
  /** Before the names stand how the machine is left: its energy, and everything that is not back in place. */
  admit({ sheet, state, entry: { body } }): Refusal | undefined {
    if (!state.decision)
      return refuse(
        'decision-owed',
        'Decide first: a report needs a decision, if only to hand over.',
      );
    const { left } = body;
    if (!left)
      return refuse(
        'left-unsaid',
        'Say first how the machine is left: live or dead, closed or open.',
      );
    if (left.energy !== state.energy.kind)
      return refuse(
        'left-unsaid',
        'The machine is no longer as it was said to be left. Read that again, then sign.',
      );
    const said = new Set(
      left.open.filter(({ reason }) => reason.trim()).map(({ access }) => access),
    );
    const unsaid = leftOpen(sheet, state).filter(({ id }) => !said.has(id));
    if (unsaid.length === 0) return undefined;
    return refuse(
      'left-unsaid',
      `Still open or out: ${unsaid.map(({ name, id }) => name ?? id).join(', ')}. Put it back and tick it, or write why it stays so.`,
    );
  },
  apply(draft, entry) {
    draft.signed = entry;
  },
  words: ({ technician }) => `Signed by ${technician}`,
  place: () => ({ stage: 'sign' }),
});

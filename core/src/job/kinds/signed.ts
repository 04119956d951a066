import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { refuse, type Refusal } from '../admission/refusal';
import { owedAtSigning } from '../endings/owed-at-signing';
import { Id, Note, Person, Said, strict } from '../log/words';
import { leftOpen } from '../state/access';
import { defineKind } from './kind';

const Hash = Type.String({ pattern: '^[0-9a-f]{64}$' });

export const signed = defineKind({
  kind: 'signed',
  body: strict({
    technician: Person,
    customer: Type.String({ maxLength: 120 }),
    note: Note,
    /** Drawn by hand: SHA-256 of each picture. */
    drawn: Type.Optional(
      strict({ technician: Type.Optional(Hash), customer: Type.Optional(Hash) }),
    ),
    /** Why it is signed with something owed. */
    owed: Type.Optional(Said),
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
    const owed = owedAtSigning(sheet, state);
    if (owed.length > 0 && !body.owed?.trim())
      return refuse(
        'owed-unsaid',
        `Still owed: ${owed.join('; ')}. Do it, or write why it stays so.`,
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

import { Type } from '@sinclair/typebox';
import { findPart } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** A switch, jumper or setting of the old part, written down before it goes, and ticked once the new one has it. */
export const setting = defineKind({
  kind: 'setting',
  body: strict({
    part: Id,
    name: Type.String({ minLength: 1, maxLength: 120 }),
    /** As it stands on the old part. */
    value: Type.String({ minLength: 1, maxLength: 200 }),
    copied: Type.Optional(Type.Literal(true)),
  }),
  group: 'notes',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    return findPart(sheet, body.part)
      ? undefined
      : refuse('unknown-part', `This job’s sheet has no part “${body.part}”.`);
  },
  apply(draft, entry) {
    draft.settings.set(`${entry.body.part} ${entry.body.name}`, entry);
  },
  words: ({ name, value, copied }) =>
    `${copied ? 'Copied to the new part' : 'Setting of the old part'}: ${name}, ${value}`,
  place: () => ({ stage: 'mend' }),
});

import { Type } from '@sinclair/typebox';
import { doubt, energise } from '../../conditions/energy';
import { refuse, type Refusal } from '../admission/refusal';
import { Person, strict } from '../log/words';
import { defineKind } from './kind';

/** Supply on, or live work begun, with the precautions acknowledged. */
export const energised = defineKind({
  kind: 'energised',
  body: strict({
    precautions: Type.Literal(true),
    /** Who stands in reach and can switch off, where the sheet asks for somebody. */
    second: Type.Optional(Person),
  }),
  group: 'safety',
  endangers: true,
  /** Live work needs somebody in reach where the sheet says so, and a licence that nobody denied. */
  admit({ sheet, state, entry: { body } }): Refusal | undefined {
    if (state.licence && !state.licence.body.held)
      return refuse(
        'licence-missing',
        'Nobody here holds the licence this unit asks for. No live work: stop and call somebody who does.',
      );
    if (sheet.safety.secondPerson && !body.second?.trim())
      return refuse(
        'second-person-owed',
        'Live work on this unit wants a second person in reach who can switch off. Say who it is.',
      );
    return undefined;
  },
  apply(draft, entry) {
    draft.energy = energise(entry.at, entry.body.second);
    draft.danger = entry;
  },
  applyWithdrawn(draft, entry) {
    draft.energy = doubt(entry.at);
    draft.danger = entry;
  },
  words: ({ second }) => `Live work: precautions read${reach(second)}`,
  record: ({ second }) => `Live work begun, precautions read${reach(second)}`,
});

const reach = (second: string | undefined) => (second ? `; in reach: ${second}` : '');

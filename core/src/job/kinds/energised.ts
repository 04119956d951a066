import { Type } from '@sinclair/typebox';
import { doubt, energise } from '../../conditions/energy';
import { baseState } from '../../conditions/live-state';
import { enteringRefusal } from '../admission/entering';
import { licensedByPiece } from '../admission/licence';
import { refuse, type Refusal } from '../admission/refusal';
import { Person, Said, strict } from '../log/words';
import { defineKind } from './kind';

/** Supply on, or live work begun, with the precautions acknowledged. */
export const energised = defineKind({
  kind: 'energised',
  body: strict({
    precautions: Type.Literal(true),
    /** Who stands in reach and can switch off, where the sheet asks for somebody. */
    second: Type.Optional(Person),
    /** Why, although something stands that it could cost the machine. */
    despite: Type.Optional(Said),
  }),
  group: 'safety',
  endangers: true,
  /** Live work needs somebody in reach where the sheet says so, and a licence that nobody denied. */
  admit({ sheet, state, entry }): Refusal | undefined {
    if (!licensedByPiece(sheet) && state.licence && !state.licence.body.held)
      return refuse(
        'licence-missing',
        'Nobody here holds the licence this unit asks for. No live work: stop and call somebody who does.',
      );
    if (sheet.safety.secondPerson && !entry.body.second?.trim())
      return refuse(
        'second-person-owed',
        'Live work on this unit wants a second person in reach who can switch off. Say who it is.',
      );
    if (state.rules === 1) return undefined;
    return enteringRefusal(sheet, state, baseState(sheet), entry.body.despite);
  },
  apply(draft, entry) {
    draft.energy = energise(entry.at, entry.body.second);
    delete draft.entered;
    draft.danger = entry;
  },
  applyWithdrawn(draft, entry) {
    draft.energy = doubt(entry.at);
    draft.danger = entry;
  },
  words: (body) => `Live work: precautions read${more(body)}`,
  record: (body) => `Live work begun, precautions read${more(body)}`,
});

const more = ({ second, despite }: { readonly second?: string; readonly despite?: string }) =>
  `${second ? `; in reach: ${second}` : ''}${despite ? `; all the same, because: ${despite}` : ''}`;

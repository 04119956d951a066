import { Type } from '@sinclair/typebox';
import { Note, strict } from '../log/words';
import { defineKind } from './kind';

/** Data plate read on site. */
export const arrived = defineKind({
  kind: 'arrived',
  body: strict({
    plate: Type.Union([Type.Literal('matches'), Type.Literal('differs')]),
    note: Note,
  }),
  group: 'notes',
  apply(draft, entry) {
    draft.arrived = entry;
  },
  words: ({ plate, note }) =>
    plate === 'matches' ? 'Data plate matches' : `Data plate differs. ${note}`,
  place: () => ({ stage: 'arrive' }),
});

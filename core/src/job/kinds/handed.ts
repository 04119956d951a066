import { Type } from '@sinclair/typebox';
import { Note, Person, strict } from '../log/words';
import { defineKind } from './kind';

/** The visit was handed to another technician, with what it owed then. */
export const handed = defineKind({
  kind: 'handed',
  body: strict({
    to: Person,
    note: Note,
    owed: Type.Array(Type.String({ maxLength: 200 }), { maxItems: 60 }),
  }),
  group: 'course',
  // Said of the visit; nothing about the machine changes by it.
  apply() {},
  words: ({ to, note, owed }) =>
    [
      `Handed to ${to}`,
      owed.length > 0 && `with ${owed.join(', ')}`,
      note.trim() !== '' && `“${note.trim()}”`,
    ]
      .filter(Boolean)
      .join(' · '),
});

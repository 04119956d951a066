import { Said, strict } from '../log/words';
import { defineKind } from './kind';

/** Something seen, heard or told, in words. */
export const observed = defineKind({
  kind: 'observed',
  body: strict({ text: Said }),
  group: 'notes',
  apply(draft, entry) {
    draft.observed.push(entry);
  },
  words: ({ text }) => text,
  place: () => ({ stage: 'arrive' }),
});

import { Type } from '@sinclair/typebox';
import { strict } from '../log/words';
import { defineKind } from './kind';

/** The complaint looked for on site: seen, or not. */
export const looked = defineKind({
  kind: 'looked',
  body: strict({ seen: Type.Boolean() }),
  group: 'findings',
  apply(draft, entry) {
    draft.looked.push(entry);
  },
  words: ({ seen }) =>
    seen ? 'The complaint was seen' : 'The complaint was looked for, and not seen',
  place: () => ({ stage: 'prove' }),
});

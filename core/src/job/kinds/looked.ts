import { Type } from '@sinclair/typebox';
import { momentOf } from '../log/moment-of';
import { strict } from '../log/words';
import { liveStateAt } from '../state/live-state';
import { defineKind } from './kind';

/** The complaint looked for on site: seen, or not. */
export const looked = defineKind({
  kind: 'looked',
  body: strict({ seen: Type.Boolean() }),
  group: 'findings',
  apply(draft, entry, sheet) {
    const state = liveStateAt(sheet, draft, momentOf(entry).time);
    draft.looked.push({ ...entry, ...(state !== undefined && { state }) });
  },
  words: ({ seen }) =>
    seen ? 'The complaint was seen' : 'The complaint was looked for, and not seen',
  place: () => ({ stage: 'prove' }),
});

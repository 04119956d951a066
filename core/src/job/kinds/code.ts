import { Type } from '@sinclair/typebox';
import { matchCode } from '../../sheet/codes/match';
import { strict } from '../log/words';
import { defineKind } from './kind';

/** What the display shows; null when it shows no code. */
export const code = defineKind({
  kind: 'code',
  body: strict({
    shown: Type.Union([Type.String({ minLength: 1, maxLength: 40 }), Type.Null()]),
  }),
  group: 'findings',
  apply(draft, { id, at, body: { shown } }, sheet) {
    if (shown === null) {
      draft.noCode = true;
      return;
    }
    const listed = matchCode(sheet, shown);
    draft.codes.push({ entry: id, at, shown, ...(listed && { listed }) });
  },
  words: ({ shown }) => (shown === null ? 'No code shown' : `Code ${shown}`),
  place: () => ({ stage: 'read' }),
});

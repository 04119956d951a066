import { Type } from '@sinclair/typebox';
import { codeWords, decodeCode } from '../../sheet/codes/match';
import { strict } from '../log/words';
import { defineKind } from './kind';

/** What the display shows; null when it shows no code. */
export const code = defineKind({
  kind: 'code',
  body: strict({
    shown: Type.Union([Type.String({ minLength: 1, maxLength: 40 }), Type.Null()]),
    /** The unit or circuit that it is about, where the display does not name it. */
    unit: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  }),
  group: 'findings',
  apply(draft, { id, at, body: { shown, unit: said } }, sheet) {
    if (shown === null) {
      draft.noCode = true;
      return;
    }
    const { listed, unit } = decodeCode(sheet, shown, said);
    draft.codes.push({
      entry: id,
      at,
      shown,
      ...(unit !== undefined && { unit }),
      ...(listed && { listed }),
    });
  },
  words({ shown, unit }, sheet) {
    if (shown === null) return 'No code shown';
    const { listed } = decodeCode(sheet, shown, unit);
    return listed?.unit === undefined ? `Code ${shown}` : `Code ${codeWords(listed)}`;
  },
  place: () => ({ stage: 'read' }),
});

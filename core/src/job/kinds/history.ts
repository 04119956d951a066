import { Type } from '@sinclair/typebox';
import { historyRowSchema, LONGEST_HISTORY, MOST_HISTORY_ROWS } from '../history/history';
import { decodeCode } from '../../sheet/codes/match';
import { strict } from '../log/words';
import { defineKind } from './kind';

/** The stored history of the machine, copied before a reset could wipe it. */
export const history = defineKind({
  kind: 'history',
  body: strict({
    /** Where it came from: display, print, file, cable. */
    source: Type.String({ minLength: 1, maxLength: 120 }),
    raw: Type.String({ minLength: 1, maxLength: LONGEST_HISTORY }),
    /** The oldest first. */
    rows: Type.Array(historyRowSchema, { minItems: 1, maxItems: MOST_HISTORY_ROWS }),
  }),
  group: 'findings',
  apply(draft, { id, at, body }) {
    draft.histories.push({ entry: id, at, ...body });
  },
  words({ rows }, sheet) {
    const last = rows.at(-1);
    const { listed } = last ? decodeCode(sheet, last.shown, last.unit) : {};
    const latest = last && (listed ? `${last.shown}, ${listed.title.toLowerCase()}` : last.shown);
    return `History of ${rows.length} ${rows.length === 1 ? 'entry' : 'entries'}; latest ${latest}`;
  },
  place: () => ({ stage: 'read' }),
});

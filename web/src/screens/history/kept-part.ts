/** What of a long copy one entry can hold: the newest rows, and the lines that they stand in. */
import { LONGEST_HISTORY, MOST_HISTORY_ROWS, type HistoryRow } from '@jeitinho/core/job';

export interface KeptPart {
  readonly raw: string;
  /** The oldest first. */
  readonly rows: readonly HistoryRow[];
}

export function keptPart(text: string, rows: readonly HistoryRow[]): KeptPart {
  if (text.length <= LONGEST_HISTORY && rows.length <= MOST_HISTORY_ROWS)
    return { raw: text, rows };
  const lines = text.split(/\r\n|\r|\n/);
  for (let most = MOST_HISTORY_ROWS; ; most = Math.floor(most / 2)) {
    const newest = rows.slice(-Math.max(1, most));
    const at = newest.map(({ line }) => line);
    const from = Math.min(...at);
    const raw = lines.slice(from - 1, Math.max(...at)).join('\n');
    if (raw.length <= LONGEST_HISTORY || most <= 1)
      return {
        raw: raw.slice(0, LONGEST_HISTORY),
        rows: newest.map((row) => ({ ...row, line: row.line - from + 1 })),
      };
  }
}

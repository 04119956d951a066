/** A stored history as it was copied from the machine: kept raw, and row by row as it was read. */
import { Type, type Static } from '@sinclair/typebox';
import { strict } from '../log/words';

/** Characters of a copy, and rows of it, that one entry holds. */
export const LONGEST_HISTORY = 200_000;
export const MOST_HISTORY_ROWS = 2_000;

export const historyRowSchema = strict({
  /** Line of the copy, from 1. */
  line: Type.Integer({ minimum: 1 }),
  /** By the machine's own clock, which need not be right: `2026-11-14T03:12:44`. */
  at: Type.Optional(Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d$' })),
  /** The code as it is printed. */
  shown: Type.String({ minLength: 1, maxLength: 40 }),
  /** Unit or circuit that it stands under. */
  unit: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  text: Type.Optional(Type.String({ maxLength: 200 })),
  /** What is printed beside it, by the heading of its column. */
  values: Type.Optional(
    Type.Record(Type.String({ minLength: 1, maxLength: 40 }), Type.String({ maxLength: 40 })),
  ),
});

export type HistoryRow = Static<typeof historyRowSchema>;

export interface NotedHistory {
  readonly entry: string;
  /** When it was copied. */
  readonly at: string;
  readonly source: string;
  readonly raw: string;
  /** The oldest first. */
  readonly rows: readonly HistoryRow[];
}

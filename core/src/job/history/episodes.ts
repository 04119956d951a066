/**
 * What belongs together in a stored history. The first entry matters most: what comes within minutes of a
 * fault is usually its consequence. The order is that of the list; a clock that jumps begins anew.
 */
import { nth } from '../../numeric/nth';
import { decodeCode } from '../../sheet/codes/match';
import type { Sheet, SheetCode } from '../../sheet/schema';
import type { HistoryRow } from './history';

export interface ToldFault {
  readonly row: HistoryRow;
  readonly listed?: SheetCode;
  /** Unit or circuit, as the row or its code names it. */
  readonly unit?: string;
  readonly role: 'first' | 'follows';
  /** The machine's clock went back before it. */
  readonly jumped: boolean;
}

export interface Episode {
  /** By the machine's clock; absent where it prints none. */
  readonly at?: string;
  readonly faults: readonly ToldFault[];
  /** So long before the latest entry that it says nothing of today. */
  readonly old: boolean;
}

/** Minutes within which what follows is a consequence, where the sheet does not say. */
const WITHIN = 5;
/** Days before the latest entry that still speak of the present trouble. */
const RECENT_DAYS = 30;
const DAY_MS = 86_400_000;

const ms = (at: string | undefined) => (at === undefined ? undefined : Date.parse(`${at}Z`));

/** @param rows - The oldest first. @returns the oldest first. */
export function episodesOf(sheet: Pick<Sheet, 'codes'>, rows: readonly HistoryRow[]): Episode[] {
  const within = (sheet.codes.history?.within ?? WITHIN) * 60_000;
  const latest = ms(rows.findLast(({ at }) => at !== undefined)?.at);
  const groups: { rows: HistoryRow[]; jumped: boolean }[] = [];
  let before: number | undefined;
  for (const row of rows) {
    const now = ms(row.at);
    const jumped = now !== undefined && before !== undefined && now < before;
    const near = now !== undefined && before !== undefined && !jumped && now - before <= within;
    if (near) groups.at(-1)!.rows.push(row);
    else groups.push({ rows: [row], jumped });
    before = now ?? before;
  }
  return groups.map(({ rows: together, jumped }) => {
    const decoded = together.map((row) => ({ row, ...decodeCode(sheet, row.shown, row.unit) }));
    // A line that is no fault of the sheet, such as “power on”, does not come first for it.
    const first = Math.max(
      0,
      decoded.findIndex(({ listed }) => listed !== undefined),
    );
    const { at } = nth(together, 0);
    const start = ms(at);
    return {
      ...(at !== undefined && { at }),
      old: start !== undefined && latest !== undefined && latest - start > RECENT_DAYS * DAY_MS,
      faults: decoded.map(({ row, listed, unit }, i) => ({
        row,
        ...(listed && { listed }),
        ...(unit !== undefined && { unit }),
        role: i === first ? ('first' as const) : ('follows' as const),
        jumped: jumped && i === 0,
      })),
    };
  });
}

/** The faults that speak of today: the first of each lately, the oldest first. */
export const firstFaults = (
  sheet: Pick<Sheet, 'codes'>,
  rows: readonly HistoryRow[],
): SheetCode[] =>
  episodesOf(sheet, rows)
    .filter(({ old }) => !old)
    .flatMap(({ faults }) =>
      faults.flatMap(({ role, listed }) => (role === 'first' && listed ? [listed] : [])),
    );

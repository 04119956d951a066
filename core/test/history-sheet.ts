/** The small machine with two codes, and rows of the history that it would keep. */
import type { HistoryRow } from '../src/job/history/history';
import type { Sheet } from '../src/sheet/schema';
import { smallSheet } from './small-sheet';

export const historySheet: Sheet = {
  ...smallSheet,
  codes: {
    schemes: [],
    list: [
      { code: 'E1', title: 'No output', suspects: { supply: 0.8, driver: 0.5 }, other: 0.05 },
      { code: 'E2', title: 'Stopped', suspects: { shorted: 0.6 }, other: 0.05 },
    ],
  },
};

/** @param at - Day of November 2026 and time: `14T03:12:00`. */
export const historyRow = (
  at: string | undefined,
  shown: string,
  more: Partial<HistoryRow> = {},
): HistoryRow => ({
  line: 1,
  shown,
  ...(at !== undefined && { at: `2026-11-${at}` }),
  ...more,
});

/** A stored history as evidence: its first faults lately, as codes. */
import { provenDead, smallSheet, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import type { HistoryRow } from '../job/history/history';
import type { Sheet } from '../sheet/schema';
import { knownOf } from './assess';

const sheet: Sheet = {
  ...smallSheet,
  codes: {
    schemes: [],
    list: [
      { code: 'E1', title: 'No output', suspects: { supply: 0.8, driver: 0.5 }, other: 0.05 },
      { code: 'E2', title: 'Stopped', suspects: { shorted: 0.6 }, other: 0.05 },
    ],
  },
};
const row = (
  at: string | undefined,
  shown: string,
  more: Partial<HistoryRow> = {},
): HistoryRow => ({
  line: 1,
  shown,
  ...(at !== undefined && { at: `2026-11-${at}` }),
  ...more,
});

const history = (rows: HistoryRow[]) => ({ source: 'display', raw: 'x', rows });
const evidence = (log: LogWriter) =>
  knownOf(sheet, foldJob(sheet, log.entries)).evidence.map((item) => item.evidence);
test('the first fault counts as a code, its consequences do not; shown on the display too it counts once', () => {
  const log = provenDead(undefined, 2);
  log.add('code', { shown: 'E1' });
  log.add('history', history([row('14T03:12:00', 'E1'), row('14T03:13:00', 'E2')]));
  expect(evidence(log)).toEqual([{ code: 'E1' }]);
  log.add('history', history([row('15T03:12:00', 'E2')]));
  expect(evidence(log)).toEqual([{ code: 'E1' }, { code: 'E2' }]);
});
test('withdrawn it says nothing', () => {
  const log = provenDead(undefined, 2);
  log.add('history', history([row('14T03:12:00', 'E1')]));
  log.add('withdrawn', { entry: log.entries.at(-1)!.id, reason: '' });
  expect(evidence(log)).toEqual([]);
});

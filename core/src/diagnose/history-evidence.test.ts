/** A stored history as evidence: its first faults lately, as codes. */
import { historyRow as row, historySheet as sheet } from '../../test/history-sheet';
import { provenDead, type LogWriter } from '../../test/small-sheet';
import { foldJob } from '../job/fold/fold';
import type { HistoryRow } from '../job/history/history';
import { knownOf } from './assess';

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

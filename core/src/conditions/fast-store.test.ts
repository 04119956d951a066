/** A store far below its forecast is a finding that the sheet can name. */
import { mainsSheet, onSupply, pairRead } from '../../test/mains-sheet';
import { logWriter, onBattery, type LogWriter } from '../../test/small-sheet';
import { checkSheet } from '../checks/check';
import type { Sheet } from '../sheet/schema';
import { assess } from '../diagnose/assess';
import { evidenceOf } from '../diagnose/evidence-of';
import { foldJob } from '../job/fold/fold';

/** The supply’s death leaves the bus without a charge. */
const sheet: Sheet = {
  ...mainsSheet,
  faults: mainsSheet.faults.map((fault) =>
    fault.id === 'supply' ? { ...fault, shows: { ...fault.shows, 'bus@fast': 'fast' } } : fault,
  ),
};
/** The bus measured so many seconds after isolating, the meter proven before. */
function measured(seconds: number, value: number, { proven = true } = {}): LogWriter {
  const log = logWriter();
  log.add('opened', { complaint: '', meter: null });
  log.add('access', { access: 'lid' });
  if (proven) log.add('safed', onBattery);
  log.add('safed', { step: 'isolated' });
  log.wait(seconds / 60 - 1);
  log.add('safed', pairRead('bus', 'V=', value));
  return log;
}
const found = (log: LogWriter, of = sheet) =>
  evidenceOf(foldJob(of, log.entries), of).map(({ evidence }) => evidence);

test('60 s after isolating 178 V are foretold: below a fifth it fell too fast, above the half as it should', () => {
  const [finding] = foldJob(sheet, measured(60, 3).entries).stores;
  expect(finding).toMatchObject({ outcome: 'fast', volts: 3 });
  expect(finding!.foretold).toBeCloseTo(325 * Math.exp(-0.6), 6);
  expect(found(measured(60, 3))).toEqual([{ test: 'bus@fast', outcome: 'fast' }]);
  expect(found(measured(60, 170))).toEqual([{ test: 'bus@fast', outcome: 'ok' }]);
  expect(found(measured(60, 60))).toEqual([]);
});

test('it says nothing late, by a meter nobody proved, twice, or where no fault is said to show it', () => {
  expect(found(measured(180, 3))).toEqual([]);
  expect(found(measured(60, 3, { proven: false }))).toEqual([]);
  const twice = measured(60, 170);
  twice.add('safed', pairRead('bus', 'V=', 3));
  expect(found(twice)).toEqual([{ test: 'bus@fast', outcome: 'ok' }]);
  expect(found(measured(60, 3), mainsSheet)).toEqual([]);
  const legs = logWriter();
  legs.add('opened', { complaint: '', meter: null });
  legs.add('safed', onSupply());
  legs.add('safed', { step: 'isolated' });
  legs.add('safed', pairRead('l-n', 'V~', 0.2));
  expect(foldJob(sheet, legs.entries).stores).toEqual([]);
});

test('it moves the suspects, and the sheet is checked for it', () => {
  const p = (value: number) => {
    const state = foldJob(sheet, measured(60, value).entries);
    return assess(sheet, state).suspects.find(({ fault }) => fault.id === 'supply')!.p;
  };
  expect(p(3)).toBeGreaterThan(0.9);
  expect(p(170)).toBeLessThan(p(60));
  expect(checkSheet(sheet)).toEqual([]);
  const [supply, ...others] = sheet.faults;
  const wrong = {
    ...sheet,
    faults: [{ ...supply!, shows: { ...supply!.shows, 'bus@fast': 'high' } }, ...others],
  };
  expect(checkSheet(wrong)).toMatchObject([{ path: '/faults/0/shows/bus@fast' }]);
});

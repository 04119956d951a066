import { foldJob } from '@jeitinho/core/job';
import { findPoint, type MeasureTest } from '@jeitinho/core/sheet';
import {
  measured,
  provenDead,
  smallSheet,
  type LogWriter,
} from '../../../../core/test/small-sheet';
import { toldBefore } from './told';

const [small, ...others] = smallSheet.tests as [MeasureTest, ...typeof smallSheet.tests];
const diode: MeasureTest = {
  ...small,
  points: [...small.points, { id: 'W', red: 'b.P', black: 'b.U' }],
};
const sheet = { ...smallSheet, tests: [diode, ...others] };

const toldAt = (log: LogWriter, point: string) =>
  toldBefore(foldJob(sheet, log.entries), diode, findPoint(diode, point)!)?.point.id;
const read = (log: LogWriter, point: string) =>
  log.add('reading', measured('diode', point, 0.45, 'diode'));

test('told is what was just read, also where it was read out of turn', () => {
  const log = provenDead();
  expect(toldAt(log, 'U')).toBeUndefined();
  read(log, 'U');
  expect(toldAt(log, 'V')).toBe('U');
  read(log, 'V');
  expect(toldAt(log, 'W')).toBe('V');
  // The first once more: the card goes on to the third, and the second is not what was just read.
  read(log, 'U');
  expect(toldAt(log, 'W')).toBe('U');
});

test('a figure of before the work tells nothing of the machine as it is now', () => {
  const log = provenDead();
  read(log, 'U');
  log.add('work', { what: 'fitted', part: 'power', note: '' });
  expect(toldAt(log, 'V')).toBeUndefined();
});

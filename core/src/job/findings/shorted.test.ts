/** Advice never energises a short. */
import {
  measured,
  provenDead,
  smallMeter,
  smallSheet,
  type LogWriter,
} from '../../../test/small-sheet';
import type { Sheet } from '../../sheet/schema';
import { stateOf } from '../../sheet/lookup';
import { assess } from '../../diagnose/assess';
import { foldJob } from '../fold/fold';
import { nextStep } from '../trail/steps';
import { shortsOf } from './shorted';

const short = (log: LogWriter = provenDead()) => {
  log.add('reading', { ...measured('diode', 'U', 0.002, 'diode'), contact: true });
  log.add('reading', measured('diode', 'V', 0.45, 'diode'));
  log.add('answer', { test: 'looks', answer: 'burnt' });
  return log;
};
const advised = (sheet: Sheet, log: LogWriter) => {
  const state = foldJob(sheet, log.entries);
  const next = nextStep(sheet, state, 'looks');
  const clear = assess(sheet, state).notProven.flatMap((item) =>
    item.kind === 'could-clear' ? [item.test] : [],
  );
  return [...clear, ...(next ? [next.test] : [])].map((test) => stateOf(sheet, test).energy);
};

test('a shorted transistor takes its driver with it: no live test is advised until it is replaced', () => {
  const log = short();
  expect(advised(smallSheet, log)).toEqual([]);
  expect(shortsOf(smallSheet, foldJob(smallSheet, log.entries))).toMatchObject([
    { everywhere: true },
  ]);
  log.add('fitted', { part: 'power', note: '' });
  // The new one is measured before anything is switched on.
  expect(shortsOf(smallSheet, foldJob(smallSheet, log.entries))).toEqual([]);
  expect(advised(smallSheet, log)).not.toContain('live');
  log.add('reading', measured('diode', 'U', 0.45, 'diode'));
  log.add('reading', measured('diode', 'V', 0.45, 'diode'));
  log.add('answer', { test: 'looks', answer: 'clean' });
  expect(advised(smallSheet, log)).toContain('live');
});

test('a sound one, or a short that was judged otherwise, leaves the live tests', () => {
  const sound = provenDead();
  sound.add('reading', measured('diode', 'U', 0.45, 'diode'));
  sound.add('reading', measured('diode', 'V', 0.45, 'diode'));
  sound.add('answer', { test: 'looks', answer: 'clean' });
  expect(advised(smallSheet, sound)).toContain('live');
  const overruled = short();
  const reading = overruled.entries.find(({ kind }) => kind === 'reading')!;
  overruled.add('overruled', { entry: reading.id, as: 'good', reason: 'probe slipped' });
  expect(advised(smallSheet, overruled)).toContain('live');
});

test('a short that harms nothing else bars only the live tests at its own places', () => {
  const sheet: Sheet = {
    ...smallSheet,
    // The sensor's pins are those of the rail; it takes nothing with it and sits on no fed board.
    boards: smallSheet.boards.map(({ part: _part, ...board }) => board),
    tests: [
      ...smallSheet.tests,
      {
        id: 'sensor',
        title: 'Sensor',
        how: 'measure',
        state: 'dead',
        function: 'ohm',
        points: [{ id: 'S', red: 'b.CN1.1', black: 'b.CN1.2' }],
        expect: { kind: 'between', low: 9000, high: 11_000, unit: 'ohm' },
      },
    ],
    faults: [
      ...smallSheet.faults,
      { id: 'sensor', name: 'Sensor shorted', part: 'power', prior: 1, shows: { sensor: 'short' } },
    ],
  };
  const log = provenDead();
  log.add('meter', { meter: { ...smallMeter, id: 'any', functions: [] } });
  log.add('reading', {
    test: 'sensor',
    point: 'S',
    function: 'ohm',
    reading: { kind: 'value', value: 1 },
    typed: '1',
  });
  const state = foldJob(sheet, log.entries);
  expect(shortsOf(sheet, state)).toMatchObject([{ everywhere: false }]);
  expect(nextStep(sheet, state, 'looks', { leaveTest: true })?.test.id).not.toBe('rail');
});

/** What was put off comes when nothing else is left, and the test in hand is finished first. */
import { measured, provenDead, smallSheet } from '../../../test/small-sheet';
import { foldJob } from '../fold/fold';
import { nextStep } from './steps';

test('the sheet’s order passes by what was put off, until nothing else is left', () => {
  const log = provenDead(undefined, 2);
  const next = (putOff: string[], after?: string) =>
    nextStep(smallSheet, foldJob(smallSheet, log.entries), after, { putOff })?.observable;
  expect(next([])).toBe('diode@U');
  expect(next(['diode'])).toBe('looks');
  expect(next(['diode', 'looks'])).toBe('rail');
  expect(next(['diode', 'looks', 'rail', 'out'])).toBe('diode@U');
  log.add('access', { access: 'lid' });
  log.add('access', { access: 'plug' });
  log.add('reading', measured('diode', 'U', 0.45, 'diode'));
  expect(next(['diode'], 'diode@U')).toBe('diode@V');
});

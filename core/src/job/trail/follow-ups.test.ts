/** Follow-ups, start delays, calls that try several times, and a test mode of unequal steps. */
import { heatSheet, liveHeat, openHeat, read } from '../../../test/heat-sheet';
import type { Sheet } from '../../sheet/schema';
import { foldJob } from '../fold/fold';
import { beatAt, spellOf } from '../state/windows';
import { isAsked, nextStep, takenCount } from './steps';

const sheet: Sheet = {
  ...heatSheet,
  states: heatSheet.states.map((state) =>
    state.id === 'heat'
      ? { ...state, begins: 150, tries: 2, attempts: { most: 4, purge: 60 } }
      : state,
  ),
  tests: heatSheet.tests.map((test) =>
    test.id === 'after-look' ? { ...test, onlyIf: { glow: 'dark' }, after: [] } : test,
  ),
};
const follow = sheet.tests.find(({ id }) => id === 'after-look')!;

test('a follow-up is asked once its parent came out so, and closes when it came out good', () => {
  const log = liveHeat(openHeat(), 'heat');
  const state = () => foldJob(sheet, log.entries);
  const before = takenCount(sheet, state()).of;
  expect(isAsked(state(), follow)).toBe(false);
  log.wait(3);
  log.add('answer', { test: 'glow', answer: 'dark' });
  expect(isAsked(state(), follow)).toBe(true);
  expect(takenCount(sheet, state()).of).toBe(before + 1);
  log.add('answer', { test: 'glow', answer: 'glows' });
  expect(isAsked(state(), follow)).toBe(false);
  expect(nextStep(sheet, state(), 'sensor')?.test.id).not.toBe('after-look');
});

test('what is missing before a start delay is over is void; what is there counts', () => {
  const log = liveHeat(openHeat(), 'heat');
  const standing = () => foldJob(sheet, log.entries).current.get('out')?.standing;
  read(log, 'out', 24);
  expect(standing()).toEqual({ kind: 'counts' });
  const early = liveHeat(openHeat());
  read(early, 'rail', 5);
  early.add('window', { state: 'heat' });
  read(early, 'out', 0);
  expect(foldJob(sheet, early.entries).current.get('out')?.standing).toMatchObject({
    kind: 'void',
    because: expect.stringContaining('begins only after 150 s, and 90 s') as string,
  });
  early.wait(3);
  read(early, 'out', 0);
  expect(foldJob(sheet, early.entries).current.get('out')?.standing).toEqual({ kind: 'counts' });
});

test('one call that tries twice by itself is two attempts', () => {
  const log = liveHeat(openHeat(), 'heat');
  expect(foldJob(sheet, log.entries).attempts.get('heat')?.count).toBe(2);
});

test('a test mode of named, unequal steps says which of them runs', () => {
  const state = {
    id: 'mode',
    energy: 'live' as const,
    steps: [
      { name: 'fan', seconds: 10 },
      { name: 'pump', seconds: 25 },
    ],
  };
  const spell = spellOf(state, 1000);
  expect(spell.endsAt).toBe(36_000);
  const at = (seconds: number) => beatAt(state, spell, 1000 + seconds * 1000);
  expect(at(0)).toEqual({ step: 1, of: 2, nextIn: 10, name: 'fan' });
  expect(at(12)).toEqual({ step: 2, of: 2, nextIn: 23, name: 'pump' });
  expect(at(35)).toBeUndefined();
});

/** Rules over several tests: figures and answers of two states, compared, and never across work. */
import { logWriter, measured, provenDead, smallSheet } from '../../test/small-sheet';
import { checkSheet } from '../checks/check';
import { assess } from '../diagnose/assess';
import { evidenceName } from '../diagnose/evidence-name';
import type { Sheet } from '../sheet/schema';
import { allObservables } from '../sheet/observables';
import { foldJob } from './fold/fold';

const sheet: Sheet = structuredClone(smallSheet);
sheet.rules = [
  { id: 'rail-drop', kind: 'difference', first: 'rail', less: 'out', low: -1, high: 1 },
  {
    id: 'agrees',
    title: 'Rail and eye',
    kind: 'witnesses',
    command: 'rail',
    witnesses: ['looks', 'out'],
  },
];
Object.assign(sheet.faults[1]!.shows, { 'rail-drop': 'low' });

const live = (log = provenDead(logWriter(), 2)) => {
  log.add('answer', { test: 'looks', answer: 'clean' });
  log.add('energised', { precautions: true });
  log.add('window', { state: 'standby' });
  return log;
};

test('what two tests read is compared as soon as both are read, and is evidence by its own name', () => {
  const log = live();
  log.add('reading', measured('rail', '12', 5.05));
  expect(foldJob(sheet, log.entries).groups).toEqual([]);
  log.add('reading', measured('out', '12', 12));
  const state = foldJob(sheet, log.entries);
  expect(state.groups.map(({ observable, judgement }) => [observable, judgement.outcome])).toEqual([
    ['rail-drop', 'low'],
    ['agrees', 'ok'],
  ]);
  const { evidence, suspects } = assess(sheet, state);
  const group = evidence.find(({ from }) => from.kind === 'group')!;
  expect(evidenceName(group.from, sheet)).toBe('The difference');
  expect(suspects[0]!.fault.id).toBe('driver');
});

test('an answer can be among what a rule takes by its judgement', () => {
  const log = provenDead(logWriter(), 2);
  log.add('answer', { test: 'looks', answer: 'burnt' });
  log.add('energised', { precautions: true });
  log.add('window', { state: 'standby' });
  log.add('reading', measured('rail', '12', 5.05));
  log.add('reading', measured('out', '12', 12));
  const group = foldJob(sheet, log.entries).groups.find(
    ({ observable }) => observable === 'agrees',
  );
  expect(group).toMatchObject({ title: 'Rail and eye', judgement: { outcome: 'contradictory' } });
  expect(group!.judgement.sentence).toMatch('looks');
});

test('with work between them two figures are of two machines, and are not compared', () => {
  const log = live();
  log.add('reading', measured('rail', '12', 5.05));
  log.add('reading', measured('out', '12', 12));
  log.add('work', { what: 'fitted', part: 'board', note: '' });
  const state = foldJob(sheet, log.entries);
  expect(state.groups).toEqual([]);
  // As they stood before the work they still say what they said.
  expect(state.pastGroups.map(({ observable }) => observable)).toContain('rail-drop');
});

const SPOILED: readonly [string, (rules: NonNullable<Sheet['rules']>) => void, string][] = [
  ['a name of nothing', (r) => Object.assign(r[0]!, { less: 'outt' }), '/rules/0/less'],
  ['an answer whose figure is wanted', (r) => Object.assign(r[0]!, { less: 'looks' }), '/rules/0'],
  [
    'no limits',
    (r) => r.push({ id: 'x', kind: 'difference', first: 'rail', less: 'out' }),
    '/rules/2',
  ],
  ['nothing to compare', (r) => r.push({ id: 'x', kind: 'equal' }), '/rules/2'],
  ['the name of a test', (r) => Object.assign(r[0]!, { id: 'rail' }), '/rules/0/id'],
  [
    'figures never of one state',
    (r) =>
      r.push({
        id: 'x',
        kind: 'legs',
        legs: ['a', 'b', 'c'],
        pairs: ['rail', 'out', 'diode@U'],
      }),
    '/rules/2',
  ],
];

test.each(SPOILED)('a rule over %s is told', (_, spoil, path) => {
  const spoiled = structuredClone(sheet);
  spoil(spoiled.rules!);
  expect(checkSheet(spoiled).map((each) => each.path)).toContain(path);
});

test('the rules are sound, and are observables of their own', () => {
  expect(checkSheet(sheet).filter(({ severity }) => severity === 'problem')).toEqual([]);
  expect(
    allObservables(sheet)
      .slice(-2)
      .map(({ id }) => id),
  ).toEqual(['rail-drop', 'agrees']);
});

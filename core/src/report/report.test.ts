import { measured, provenDead, smallSheet } from '../../test/small-sheet';
import { assess } from '../diagnose/assess';
import { foldJob } from '../job/fold/fold';
import { placementWords } from '../sheet/placement';
import { buildReport, sourceWords } from './report';

function report() {
  const log = provenDead();
  log.add('code', { shown: 'E1' });
  log.add('observed', { text: 'No hum.' });
  log.add('reading', measured('diode', 'U', 0.1, 'diode'));
  log.add('reading', measured('diode', 'U', 0.452, 'diode'));
  const slip = log.add('reading', measured('diode', 'V', 4.5, 'diode'));
  log.add('withdrawn', { entry: slip.id, reason: 'misread' });
  log.add('answer', { test: 'looks', answer: 'clean' });
  log.add('energised', { precautions: true });
  log.add('reading', measured('rail', '12', -5.02));
  log.add('skipped', { test: 'out', reason: 'cannot reach it' });
  log.add('skipped', { test: 'diode', point: 'V', reason: 'no figure taken' });
  log.add('decision', {
    action: 'replace',
    part: 'power',
    leading: 'board',
    probability: 0.1,
    reason: 'seen it burn',
  });
  log.add('signed', { technician: 'Ana', customer: 'Bia', note: 'Told about the part.' });
  const state = foldJob(smallSheet, log.entries);
  return buildReport(smallSheet, state, assess(smallSheet, state));
}

test('every reading stands against its limit, with uncertainty, verdict and source', () => {
  const rows = report().rows;
  expect(rows[1]).toMatchObject({
    title: 'Transistors',
    where: 'Red on N, black on U',
    function: 'diode',
    value: '0.452\u2009V',
    uncertainty: '± 6.5\u2009mV',
    limit: '0.35 to 0.6\u2009V',
    verdict: 'In',
    source: 'Small data, p. 3',
  });
});

test('repeated, withdrawn and reversed readings stay in it, and say so', () => {
  const { rows } = report();
  expect(rows.map((row) => row.mark)).toEqual(['repeated', 'in', 'withdrawn', 'in', 'in']);
  expect(rows[4]).toMatchObject({ value: '5.02\u2009V', verdict: 'In; sign reversed' });
  expect(rows[3]).toMatchObject({ value: 'clean', limit: 'clean', verdict: 'Good' });
});

test('the decision, its reason, and what was not proven', () => {
  const made = report();
  expect(made.decision).toMatchObject({
    text: 'Replace: Power board',
    reason: 'seen it burn',
    followsEvidence: false,
  });
  expect(made.skipped).toEqual([
    { title: 'Transistors, V', reason: 'no figure taken' },
    { title: 'Output', reason: 'cannot reach it' },
  ]);
  expect(made.notProven.at(-1)).toBe(
    'The repair itself: nothing was fitted or proven on this visit.',
  );
  expect(made.signed).toMatchObject({ technician: 'Ana', customer: 'Bia' });
  expect(made.dead.map((line) => line.text)).toEqual([
    'Supply isolated and locked off',
    'Meter held to a battery on DC volts: 9.1\u2009V',
    'Bus on DC volts: 3\u2009V (dead below 24\u2009V)',
    'Meter held to a battery on DC volts: 9.1\u2009V',
    'Live work begun, precautions read',
  ]);
});

test('an empty job has an empty report, not a broken one', () => {
  const state = foldJob(smallSheet, []);
  const made = buildReport(smallSheet, state, assess(smallSheet, state));
  expect(made).toMatchObject({ rows: [], codes: [], meter: 'not stated: readings taken as exact' });
  expect(made.decision).toBeUndefined();
});

test('sources and placements in words', () => {
  expect(sourceWords(smallSheet, '3')).toBe('Small data, revision A, page 3');
  expect(placementWords(smallSheet, { red: 'b.CN1.1', black: 'b.N' })).toBe(
    'Red on CN1 pin 1, black on N',
  );
});

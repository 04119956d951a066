/** A look that found several things: each stands with its place, and each counts for its share. */
import { logWriter, provenDead, smallSheet } from '../../test/small-sheet';
import { assess } from '../diagnose/assess';
import { evidenceOf } from '../diagnose/evidence-of';
import { buildReport } from '../report/report';
import type { Sheet } from '../sheet/schema';
import { refusalOf } from './admission/refusal-of';
import { foldJob } from './fold/fold';
import { entryWords } from './kinds/said-of';

const sheet: Sheet = {
  ...structuredClone(smallSheet),
  tests: smallSheet.tests.map((test) =>
    test.id === 'looks'
      ? { ...test, answers: { clean: 'ok', burnt: 'burnt', swollen: 'swollen', wet: 'wet' } }
      : test,
  ),
};

function lookedAt() {
  const log = provenDead(logWriter(), 2);
  return { log, look: log.add('answer', { test: 'looks', answer: 'burnt' }) };
}

const both = [
  { answer: 'burnt', at: 'R12' },
  { answer: 'burnt', at: 'R14' },
  { answer: 'swollen', at: 'C3' },
];

test('several findings stand in the roll and in the report, each with its place', () => {
  const { log, look } = lookedAt();
  const entry = log.add('found', { entry: look.id, finds: both });
  expect(entryWords(entry, sheet)).toBe('Found: burnt at R12, R14; swollen at C3');
  const state = foldJob(sheet, log.entries);
  expect(state.current.get('looks')).toMatchObject({ answer: 'burnt', finds: both });
  const row = buildReport(sheet, state, assess(sheet, state)).rows.find(
    ({ title }) => title === 'By eye',
  );
  expect(row).toMatchObject({
    value: 'burnt at R12, R14; swollen at C3',
    verdict: 'Out: burnt, swollen',
  });
});

test('two outcomes are half of the evidence each, however often one of them was found', () => {
  const { log, look } = lookedAt();
  log.add('found', { entry: look.id, finds: both });
  const [item] = evidenceOf(foldJob(sheet, log.entries), sheet).filter(
    ({ entry }) => entry === look.id,
  );
  expect(item?.evidence).toEqual({ test: 'looks', p: { burnt: 0.5, swollen: 0.5 } });
});

test('what was found is what was said last; taken back, the answer stands alone', () => {
  const { log, look } = lookedAt();
  log.add('found', { entry: look.id, finds: both });
  const last = log.add('found', { entry: look.id, finds: [{ answer: 'burnt', at: 'R1' }] });
  const finds = () => {
    const taken = foldJob(sheet, log.entries).current.get('looks');
    return taken?.kind === 'answer' ? taken.finds : undefined;
  };
  expect(finds()).toEqual([{ answer: 'burnt', at: 'R1' }]);
  log.add('withdrawn', { entry: last.id, reason: 'mistyped' });
  expect(finds()).toEqual(both);
});

test('the same answer again, moments later, keeps what was found', () => {
  const { log, look } = lookedAt();
  log.add('found', { entry: look.id, finds: both });
  log.add('answer', { test: 'looks', answer: 'burnt' });
  expect(foldJob(sheet, log.entries).current.get('looks')).toMatchObject({
    agreeing: 1,
    finds: both,
  });
});

test.each([
  ['an answer that it has not', [{ answer: 'rusty' }], 'not an answer'],
  ['nothing found', [{ answer: 'burnt' }, { answer: 'clean' }], 'nothing found'],
  ['another thing than was answered', [{ answer: 'wet', at: 'foot' }], 'answered “burnt”'],
])('%s is refused', (_, finds, words) => {
  const { log, look } = lookedAt();
  expect(
    refusalOf(
      sheet,
      foldJob(sheet, log.entries),
      log.make('found', { entry: look.id, finds: [...finds] }),
    ),
  ).toMatchObject({ code: 'unknown-answer', message: expect.stringContaining(words) as string });
});

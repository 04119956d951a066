/** One sheet for two generations: asked once, and what the other one has is neither asked nor suspected. */
import { logWriter, provenDead, smallMeter, smallSheet } from '../../test/small-sheet';
import { assess } from '../diagnose/assess';
import type { WrittenSheet } from '../sheet/schema';
import { inOneGo, JobFold } from './fold/job-fold';
import { jobSheet } from './fold/job-sheet';
import { foldJob } from './fold/fold';
import { entryWords } from './kinds/said-of';
import { refusalOf } from './admission/refusal-of';
import type { StoredEntry } from './kinds/index';

const written = structuredClone(smallSheet) as WrittenSheet;
written.variants = [
  { id: 'age', asks: 'Which plate has it?', answers: { small: 'old', large: 'new' } },
];
written.tests.push({
  only: ['new'],
  id: 'eye',
  title: 'Eye',
  how: 'look',
  state: 'dead',
  asks: 'Does the eye light?',
  answers: { yes: 'ok', no: 'dark' },
});
written.faults.push({
  only: ['new'],
  id: 'eye-dead',
  name: 'Eye dead',
  part: 'board',
  prior: 1,
  shows: { eye: 'dark' },
});

const eye = { test: 'eye', answer: 'no' } as const;
const judge = (log: readonly StoredEntry[], entry: Parameters<typeof refusalOf>[2]) =>
  refusalOf(jobSheet(written, log), foldJob(written, log), entry);
const suspects = (log: readonly StoredEntry[]) =>
  assess(jobSheet(written, log), foldJob(written, log)).suspects.map(({ fault }) => fault.id);

test('what hangs on it is refused with the question until somebody has looked', () => {
  const log = provenDead(logWriter(), 2);
  expect(judge(log.entries, log.make('answer', eye))).toMatchObject({
    code: 'variant-owed',
    message: expect.stringContaining('Which plate has it?') as string,
  });
  log.add('variant', { asked: 'age', answer: 'large' });
  expect(judge(log.entries, log.make('answer', eye))).toBeUndefined();
});

test('with the other variant the test is not there, nor is its fault suspected', () => {
  const log = provenDead(logWriter(), 2);
  expect(suspects(log.entries)).toContain('eye-dead');
  log.add('variant', { asked: 'age', answer: 'small' });
  expect(judge(log.entries, log.make('answer', eye))?.code).toBe('unknown-test');
  expect(suspects(log.entries)).not.toContain('eye-dead');
});

test('a wrong answer is corrected: what was found by it stands in the roll and says nothing', () => {
  const log = provenDead(logWriter(), 2);
  log.add('variant', { asked: 'age', answer: 'large' });
  log.add('answer', eye);
  expect(foldJob(written, log.entries).current.has('eye')).toBe(true);
  log.add('variant', { asked: 'age', answer: 'small' });
  const state = foldJob(written, log.entries);
  expect(state.current.has('eye')).toBe(false);
  expect(state.log).toHaveLength(log.entries.length);
  expect(suspects(log.entries)).not.toContain('eye-dead');
});

test('taken back, it is asked again; entry by entry or all at once, the job is the same', () => {
  const log = provenDead(logWriter(), 2);
  const said = log.add('variant', { asked: 'age', answer: 'large' });
  log.add('answer', eye);
  log.add('withdrawn', { entry: said.id, reason: '' });
  expect(judge(log.entries, log.make('answer', eye))?.code).toBe('variant-owed');
  const fold = new JobFold(written);
  for (const entry of log.entries) {
    const mark = fold.mark();
    inOneGo(fold.add(entry));
    fold.backTo(mark);
    inOneGo(fold.add(entry));
  }
  expect({ ...fold.state() }).toEqual(foldJob(written, log.entries));
  expect(fold.sheet).toBe(jobSheet(written, log.entries));
});

test('an answer that is none, and a question that nobody asks, are refused', () => {
  const log = logWriter();
  log.add('opened', { complaint: 'x', meter: smallMeter, rules: 2 });
  const asks = (asked: string, answer: string) =>
    judge(log.entries, log.make('variant', { asked, answer }))?.code;
  expect(asks('age', 'huge')).toBe('unknown-variant');
  expect(asks('colour', 'small')).toBe('unknown-variant');
  expect(asks('age', 'small')).toBeUndefined();
  const entry = log.make('variant', { asked: 'age', answer: 'small' });
  expect(entryWords(entry, jobSheet(written, log.entries))).toBe('Which plate has it? small');
});

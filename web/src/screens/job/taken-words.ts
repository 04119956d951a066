/** A finding and what it is held against, in words: the same wherever they are told. */
import { answerWords, limitsAt, type JobState, type Taken } from '@jeitinho/core/job';
import { type Expectation, expectWords, limitWords, readingWords } from '@jeitinho/core/judge';
import { seriesWords } from '@jeitinho/core';
import { expectOf, type MeasureTest, type Sheet, type TestPoint } from '@jeitinho/core/sheet';

/** `5.02 V`; `12 figures in 30 s, 2.7 to 2.9 V`; `“dirty”`. */
export function takenWords(taken: Taken): string {
  if (taken.kind === 'answer') return `“${answerWords(taken)}”`;
  if (taken.kind === 'series') return seriesWords(taken);
  const { unit } = expectOf(taken.test, taken.point);
  return readingWords(taken.reading, unit, taken.judgement.corrected);
}

/** Where limits come from, where it is not the sheet’s document. */
const SOURCE_WORDS: Readonly<Record<NonNullable<Expectation['from']>, string>> = {
  document: '',
  house: ', house tolerance',
  kind: ', usual for its kind',
  label: ', off this unit’s label',
  twin: ', by a good twin',
};

/** `4.8 to 5.2 V, house tolerance`. */
export function limitWordsAt(
  sheet: Sheet,
  state: Pick<JobState, 'given' | 'compared' | 'twins'>,
  test: MeasureTest,
  point: TestPoint,
): string {
  const plain = limitsAt(sheet, state, test, point);
  if (!plain) return expectWords(expectOf(test, point));
  return limitWords(plain) + (plain.from ? SOURCE_WORDS[plain.from] : '');
}

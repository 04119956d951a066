import { Type } from '@sinclair/typebox';
import { findTest } from '../../sheet/lookup';
import { isMeasured, type Sheet } from '../../sheet/schema';
import { energyRefusal } from '../admission/energy';
import { licenceRefusal } from '../admission/licence';
import { refuse, type Refusal } from '../admission/refusal';
import { variantRefusal } from '../admission/variant';
import { keepTaken } from '../findings/keep-taken';
import { unknownTest } from '../findings/place-of';
import { takenAs } from '../findings/taken-common';
import { Id, strict } from '../log/words';
import type { Draft } from '../state/draft';
import type { TakenAnswer } from '../state/state';
import { defineKind, type EntryIn } from './kind';

const body = strict({ test: Id, answer: Type.String({ minLength: 1, maxLength: 120 }) });

/** What a test without a meter found. */
export const answer = defineKind({
  kind: 'answer',
  body,
  group: 'findings',
  admit({ sheet, state, entry, blind }): Refusal | undefined {
    const test = findTest(sheet, entry.body.test);
    if (!test || isMeasured(test)) return unknownTest(entry.body.test);
    if (!Object.hasOwn(test.answers, entry.body.answer))
      return refuse(
        'unknown-answer',
        `“${entry.body.answer}” is not an answer to “${test.title}”.`,
      );
    return (
      variantRefusal(sheet, test) ??
      licenceRefusal(state, test) ??
      (blind ? undefined : energyRefusal(sheet, state.energy, test))
    );
  },
  apply(draft, entry, sheet) {
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, taken);
  },
  applyWithdrawn(draft, entry, sheet) {
    const taken = take(draft, entry, sheet);
    if (taken) keepTaken(draft, { ...taken, standing: { kind: 'withdrawn' } });
  },
  words: ({ test, answer: said }, sheet) =>
    `${findTest(sheet, test)?.title ?? 'Question'}: ${said}`,
  place: ({ test }) => ({ stage: 'measure', test }),
  columns: ({ test }) => ({ test }),
});

function take(
  draft: Draft,
  entry: EntryIn<'answer', typeof body>,
  sheet: Sheet,
): TakenAnswer | undefined {
  const test = findTest(sheet, entry.body.test);
  if (!test || isMeasured(test)) return undefined;
  const { answer: said } = entry.body;
  const outcome = test.answers[said];
  if (outcome === undefined) return undefined;
  return {
    ...takenAs(draft, sheet, { test, entry }, { bad: outcome !== 'ok' }),
    kind: 'answer',
    observable: test.id,
    test,
    answer: said,
    outcome,
  };
}

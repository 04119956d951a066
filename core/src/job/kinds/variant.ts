import { Type } from '@sinclair/typebox';
import { refuse } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { defineKind } from './kind';

/** Which variant of the machine it is, by what somebody sees there. */
export const variant = defineKind({
  kind: 'variant',
  body: strict({ asked: Id, answer: Type.String({ minLength: 1, maxLength: 120 }) }),
  group: 'notes',
  reshapes: true,
  admit({ sheet, entry: { body } }) {
    const question = sheet.questions?.find(({ id }) => id === body.asked);
    if (!question) return refuse('unknown-variant', `This job’s sheet asks no “${body.asked}”.`);
    return Object.hasOwn(question.answers, body.answer)
      ? undefined
      : refuse(
          'unknown-variant',
          `“${body.answer}” is no answer to “${question.asks}”: ${Object.keys(question.answers).join(', ')}.`,
        );
  },
  apply() {
    // The sheet is written out for it before anything is folded.
  },
  words({ asked, answer }, sheet) {
    const asks = sheet.questions?.find(({ id }) => id === asked)?.asks ?? asked;
    return `${asks} ${answer}`;
  },
  place: () => ({ stage: 'arrive' }),
});

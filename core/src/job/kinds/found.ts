import { Type } from '@sinclair/typebox';
import { findWords } from '../findings/finds';
import { refuse } from '../admission/refusal';
import { standingFinding } from '../admission/standing-finding';
import { strict, Uuid } from '../log/words';
import { defineKind } from './kind';

const find = Type.Object(
  {
    answer: Type.String({ minLength: 1, maxLength: 120 }),
    /** Place or component, as it is printed there: R12, beside the fuse. */
    at: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
  },
  { additionalProperties: false },
);

/** All that one look found, each with its place; in the place of what was said of that look before. */
export const found = defineKind({
  kind: 'found',
  body: strict({ entry: Uuid, finds: Type.Array(find, { minItems: 1, maxItems: 40 }) }),
  group: 'findings',
  admit({ state, entry: { body } }) {
    const target = standingFinding(state, body.entry);
    if ('code' in target) return target;
    if (target.kind !== 'answer')
      return refuse('unknown-answer', 'That was measured: a look finds things, a meter figures.');
    const { test, answer } = target;
    const stranger = body.finds.find((each) => !Object.hasOwn(test.answers, each.answer));
    if (stranger)
      return refuse('unknown-answer', `“${stranger.answer}” is not an answer to “${test.title}”.`);
    const good = body.finds.find((each) => test.answers[each.answer] === 'ok');
    if (good)
      return refuse('unknown-answer', `“${good.answer}” is nothing found: answer so, if it is.`);
    return body.finds.some((each) => each.answer === answer)
      ? undefined
      : refuse('unknown-answer', `It was answered “${answer}”: that is one of the things found.`);
  },
  apply(draft, { body }) {
    draft.finds.set(body.entry, body.finds);
  },
  words: ({ finds }) => `Found: ${findWords(finds)}`,
});

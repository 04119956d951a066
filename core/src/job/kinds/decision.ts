import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { findPart } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { ENDING_WORDS } from '../endings/ending';
import { Id, Note, strict } from '../log/words';
import { reasonOwed } from './decided';
import { defineKind } from './kind';

const ACTIONS = ['replace', 'hand-over', 'cannot-make-safe', 'stop-and-call'] as const;

/** One end of a visit, as it was written before a decision could name several. */
export const decision = defineKind({
  kind: 'decision',
  body: strict({
    action: words(ACTIONS),
    part: Type.Union([Id, Type.Null()]),
    /** The part that led when the technician decided. */
    leading: Type.Union([Id, Type.Null()]),
    /** Probability then of the part chosen. */
    probability: Type.Number({ minimum: 0, maximum: 1 }),
    reason: Note,
  }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    const { action, part, leading, reason } = body;
    if (action === 'replace' && (part === null || !findPart(sheet, part)))
      return refuse('unknown-part', 'Choose a part of this sheet, or hand the job over.');
    if (reason.trim() !== '') return undefined;
    if (action === 'replace') return reasonOwed(part ?? undefined, leading);
    return refuse('reason-owed', 'Say why you stop here: the next person starts from it.');
  },
  apply(draft, entry) {
    const { action, part, leading, probability, reason } = entry.body;
    const ending = { kind: action, ...(action === 'replace' && part !== null && { part }) };
    draft.decision = { ...entry, body: { endings: [ending], leading, probability, reason } };
  },
  words: ({ action, part }, sheet) =>
    action === 'replace'
      ? `Decided: ${(part !== null && findPart(sheet, part)?.name) || part}`
      : `Decided: ${ENDING_WORDS[action].toLowerCase()}`,
  place: () => ({ stage: 'decide' }),
});

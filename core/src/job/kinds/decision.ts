import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { findPart } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { DECISIONS, type DecisionAction } from '../state/facts';
import { defineKind } from './kind';

/** The ends of a visit; three of them name no part. */
export const ENDING_WORDS: Readonly<Record<DecisionAction, string>> = {
  replace: 'Replace',
  'hand-over': 'Stop here and hand over',
  'cannot-make-safe': 'Cannot be made safe here: left closed and marked',
  'stop-and-call': 'Stopped, and somebody else called',
};

export const decision = defineKind({
  kind: 'decision',
  body: strict({
    action: words(DECISIONS),
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
    if (reason.trim() === '' && (action !== 'replace' || part !== leading))
      return refuse(
        'reason-owed',
        action !== 'replace'
          ? 'Say why you stop here: the next person starts from it.'
          : leading === null
            ? 'No finding accuses a part. Say why you choose this one; it goes on the record.'
            : 'Another part leads. Say why you choose this one; it goes on the record.',
      );
    return undefined;
  },
  apply(draft, entry) {
    draft.decision = entry;
  },
  words: ({ action, part }, sheet) =>
    action === 'replace'
      ? `Decided: ${(part !== null && findPart(sheet, part)?.name) || part}`
      : `Decided: ${ENDING_WORDS[action].toLowerCase()}`,
  place: () => ({ stage: 'decide' }),
});

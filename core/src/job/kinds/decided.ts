import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { REPAIR_KINDS, type Sheet } from '../../sheet/schema';
import { refuse, type Refusal } from '../admission/refusal';
import { endingOwes, ENDINGS, endingWords, type Ending } from '../endings/ending';
import { isBad } from '../findings/is-bad';
import { Id, Note, strict } from '../log/words';
import type { JobState } from '../state/state';
import { defineKind } from './kind';

/** How the visit goes on or ends: one or several endings at once. */
export const decided = defineKind({
  kind: 'decided',
  body: strict({
    endings: Type.Array(
      strict({
        kind: words(ENDINGS),
        part: Type.Optional(Id),
        repair: Type.Optional(Id),
        what: Type.Optional(words(REPAIR_KINDS)),
        to: Type.Optional(Type.String({ maxLength: 200 })),
        note: Type.Optional(Note),
      }),
      { minItems: 1, maxItems: 12 },
    ),
    /** The part that led when the technician decided. */
    leading: Type.Union([Id, Type.Null()]),
    /** Probability then of the part chosen; 0 without one. */
    probability: Type.Number({ minimum: 0, maximum: 1 }),
    reason: Note,
    /** The way that was expected to cost least, where another was chosen. */
    against: Type.Optional(
      strict({
        words: Type.String({ maxLength: 1000 }),
        cost: Type.Number({ minimum: -1e9, maximum: 1e9 }),
        chosenCost: Type.Number({ minimum: -1e9, maximum: 1e9 }),
        currency: Type.String({ maxLength: 8 }),
      }),
    ),
  }),
  group: 'findings',
  admit({ sheet, state, entry: { body } }): Refusal | undefined {
    for (const ending of body.endings) {
      const owed = endingOwes(sheet, ending);
      if (owed !== undefined) return refuse('ending-unsaid', owed);
    }
    if (body.reason.trim() !== '') return undefined;
    if (body.against)
      return refuse(
        'reason-owed',
        'Another way is expected to cost less. Say why this one; it goes on the record.',
      );
    return body.endings.map((ending) => unreasoned(state, ending, body.leading)).find(Boolean);
  },
  apply(draft, entry) {
    draft.decision = entry;
  },
  words: ({ endings }, sheet) => `Decided: ${listed(sheet, endings)}`,
  place: () => ({ stage: 'decide' }),
});

const listed = (sheet: Sheet, endings: readonly Ending[]): string =>
  endings.map((ending) => endingWords(sheet, ending)).join('; ');

/** What an ending cannot stand for without a reason. */
function unreasoned(
  state: JobState,
  { kind, part }: Ending,
  leading: string | null,
): Refusal | undefined {
  if (kind === 'replace') return reasonOwed(part, leading);
  if (kind !== 'sound') return undefined;
  const bad = [...state.current.values()].find(
    (taken) => taken.standing.kind === 'counts' && isBad(taken),
  );
  return (
    bad &&
    refuse(
      'reason-owed',
      `“${bad.test.title}” reads bad. Say why the machine is sound all the same; it goes on the record.`,
    )
  );
}

/** Another part than the one that findings put first is chosen only with a reason. */
export function reasonOwed(part: string | undefined, leading: string | null): Refusal | undefined {
  if (part === leading) return undefined;
  return refuse(
    'reason-owed',
    leading === null
      ? 'No finding accuses a part. Say why you choose this one; it goes on the record.'
      : 'Another part leads. Say why you choose this one; it goes on the record.',
  );
}

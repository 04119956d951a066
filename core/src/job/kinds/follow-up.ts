import { Type } from '@sinclair/typebox';
import { words } from '../../schema-words';
import { findPart } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { FOLLOW_UPS } from '../state/facts';
import { defineKind } from './kind';

/** Something that is still to come after this visit, and the day that it is due. */
export const followUp = defineKind({
  kind: 'follow-up',
  body: strict({
    what: words(FOLLOW_UPS),
    /** Day by the calendar of whoever wrote it. */
    on: Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\d$' }),
    part: Type.Optional(Id),
    note: Note,
  }),
  group: 'course',
  whileSigned: true,
  admit({ sheet, entry: { body } }): Refusal | undefined {
    const { on, part, what, note } = body;
    if (!isDay(on)) return refuse('no-such-day', `“${on}” is no day of the calendar.`);
    if (part !== undefined && !findPart(sheet, part))
      return refuse('unknown-part', `This job’s sheet has no part “${part}”.`);
    return what === 'other' && note.trim() === ''
      ? refuse('reason-owed', 'Say what is to be done then.')
      : undefined;
  },
  apply(draft, entry) {
    draft.followUps.push({ ...entry });
  },
  words: ({ what, on, part, note }, sheet) =>
    `${followWords(what, part === undefined ? undefined : (findPart(sheet, part)?.name ?? part), note)}, on ${on}`,
  place: () => ({ stage: 'sign' }),
});

const isDay = (text: string): boolean => {
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
};

export const FOLLOW_WORDS = {
  parts: 'Parts arrive',
  visit: 'Return visit',
  'send-back': 'Send back before',
  prove: 'Prove it',
  other: 'To do',
} as const satisfies Record<(typeof FOLLOW_UPS)[number], string>;

/** `Parts arrive: inverter board`. */
export const followWords = (
  what: (typeof FOLLOW_UPS)[number],
  part: string | undefined,
  note: string,
): string =>
  [FOLLOW_WORDS[what], [part, note.trim()].filter(Boolean).join(', ')].filter(Boolean).join(': ');

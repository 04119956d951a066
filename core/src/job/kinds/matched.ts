import { Type } from '@sinclair/typebox';
import { findPart } from '../../sheet/lookup';
import { matchOf } from '../before-part/match';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Note, strict } from '../log/words';
import { defineKind } from './kind';

const plate = Type.Record(
  Type.String({ minLength: 1, maxLength: 120 }),
  Type.String({ maxLength: 200 }),
  { maxProperties: 60 },
);

/** The part in the hand held against what the sheet asks of it, before it is fitted. */
export const matched = defineKind({
  kind: 'matched',
  body: strict({
    part: Id,
    /** Number printed on it. */
    number: Type.String({ minLength: 1, maxLength: 120 }),
    /** By field, as it is printed on the new part. */
    values: plate,
    /** By field, as it is printed on the old one; only what the sheet asks of both. */
    old: Type.Optional(plate),
    note: Note,
  }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    return findPart(sheet, body.part)
      ? undefined
      : refuse('unknown-part', `This job’s sheet has no part “${body.part}”.`);
  },
  apply(draft, entry) {
    draft.matched.set(entry.body.part, entry);
  },
  words(body, sheet) {
    const part = findPart(sheet, body.part);
    const { verdict } = matchOf(part, body);
    return `${part?.name ?? body.part}, ${body.number} in the hand: ${MATCH_WORDS[verdict]}`;
  },
  place: () => ({ stage: 'mend' }),
});

export const MATCH_WORDS = {
  original: 'the maker’s own',
  fits: 'a substitute that matches',
  unknown: 'not everything that it must have was read',
  forbidden: 'does not match, not to be fitted',
} as const;

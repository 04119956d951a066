/** Schemas of whole entries. */
import { Type, type TSchema } from '@sinclair/typebox';
import { unionOf } from '../../schema-words';
import { MOST_PRESSES } from '../log/entry';
import { Person, Uuid } from '../log/words';
import { ENTRY_KINDS, kindOf, type EntryKind } from './index';

const envelope = {
  id: Uuid,
  at: Type.String({
    pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d\\.\\d{3}Z$',
    description: 'Device time, ISO 8601 in UTC with milliseconds',
  }),
  author: Person,
  /** The browser or program that wrote it. */
  device: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  /** Highest number of this job's log that the device had then: what it had not seen, it crossed. */
  seen: Type.Optional(Type.Integer({ minimum: 0, maximum: 2_147_483_647 })),
  /** Keys and taps on the job's page since the entry before. */
  presses: Type.Optional(Type.Integer({ minimum: 0, maximum: MOST_PRESSES })),
};

/** All of an entry but its body, which is as its kind says. */
export const entryEnvelope = Type.Object(
  {
    ...envelope,
    kind: Type.Union(ENTRY_KINDS.map((kind) => Type.Literal(kind))),
    body: Type.Object({}),
  },
  { $id: 'entry', additionalProperties: false },
);

export function bodySchema(kind: EntryKind): TSchema {
  const known = kindOf({ kind });
  if (!known) throw new TypeError(`no kind of entry is named “${kind}”`);
  return known.body;
}

/** An entry as a device sends it: the envelope with the body of its kind. */
export const entrySchema = unionOf(
  ENTRY_KINDS.map((kind) =>
    Type.Object(
      { ...envelope, kind: Type.Literal(kind), body: bodySchema(kind) },
      { title: `Entry: ${kind}`, additionalProperties: false },
    ),
  ),
);

/** An entry as the log keeps it. Its kind may be newer than this program. */
export const storedEntrySchema = Type.Object({
  ...envelope,
  seq: Type.Integer({ minimum: 1 }),
  offset: Type.Optional(Type.Number()),
  kind: Type.String(),
  body: Type.Object({}),
});

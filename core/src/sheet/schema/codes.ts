/** Fault codes: how the machine shows them and what each makes suspect. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, list, Name, Probability, Text, words } from './common';

export const codeSchemeSchema = Type.Object({
  id: Id,
  shown: words(['digits', 'blinks']),
  pattern: Type.Optional(Type.String({ maxLength: 200 })),
  code: Type.Optional(
    Type.Integer({ minimum: 0, maximum: 9, description: 'Group of the pattern with the code.' }),
  ),
  unit: Type.Optional(
    Type.Integer({
      minimum: 0,
      maximum: 9,
      description: 'Group with the unit or circuit that it is about.',
    }),
  ),
  long: Type.Optional(
    Type.Integer({ minimum: 1, maximum: 100, description: 'What a long blink counts for.' }),
  ),
  short: Type.Optional(Type.Integer({ minimum: 1, maximum: 100 })),
  hint: Type.Optional(Text),
});

export const codeSchema = Type.Object({
  code: Type.String({ minLength: 1, maxLength: 40 }),
  title: Name,
  means: Type.Optional(Text),
  attempts: Type.Optional(
    Type.Integer({ minimum: 1, maximum: 100, description: 'Tries before it is shown.' }),
  ),
  resets: Type.Optional(words(['power', 'key', 'itself', 'service'])),
  suspects: Type.Record(Id, Probability),
  other: Type.Optional(Probability),
  firstLook: list(Text),
});

/** What the machine does or does not do, as its owner says it. */
export const symptomSchema = Type.Object({
  id: Id,
  text: Name,
  suspects: Type.Record(Id, Probability),
  other: Type.Optional(Probability),
});

export type Symptom = Static<typeof symptomSchema>;
export type CodeScheme = Static<typeof codeSchemeSchema>;
export type SheetCode = Static<typeof codeSchema>;

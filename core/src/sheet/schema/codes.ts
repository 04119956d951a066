/** Fault codes: how the machine shows them and what each makes suspect. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, list, Name, Probability, presence, Ref, Text, words } from './common';

export const codeSchemeSchema = Type.Object({
  ...presence,
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
  /** Numbers of bits: the base that the code is written in, 16 where absent, and what each bit means. */
  base: Type.Optional(Type.Integer({ minimum: 2, maximum: 16 })),
  /** By bit, the lowest being 0: the code that it stands for. */
  flags: Type.Optional(
    Type.Record(
      Type.String({ pattern: '^\\d{1,2}$' }),
      Type.String({ minLength: 1, maxLength: 40 }),
    ),
  ),
  hint: Type.Optional(Text),
});

export const codeSchema = Type.Object({
  ...presence,
  code: Type.String({ minLength: 1, maxLength: 40 }),
  /** The unit or circuit that it is about; each copy's own where it stands once for every copy. */
  unit: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  /** That unit in words: Circuit 2. */
  unitName: Type.Optional(Name),
  /** How else it is spelt: by a remote, a service tool, an older display. */
  also: Type.Optional(Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 20 })),
  /** Usual causes in words: shown, and never suspects. */
  causes: list(Text),
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

/** A display that was read and shows no code, where that says something. */
export const noCodeSchema = Type.Object({
  means: Type.Optional(Text),
  suspects: Type.Record(Id, Probability),
  other: Type.Optional(Probability),
});

/** What the machine remembers of its faults, and how long. */
export const historySchema = Type.Object({
  /** Entries that it holds; the oldest is lost with every new one. */
  keeps: Type.Optional(Type.Integer({ minimum: 1, maximum: 100_000 })),
  /** What wipes it. */
  wipedBy: Type.Optional(Type.Array(words(['power', 'key', 'reset', 'service']))),
  /** Minutes within which what comes after a fault is its consequence; 5 where absent. */
  within: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 10_080 })),
  /** How it is read or copied out. */
  say: Type.Optional(Text),
  /** Tests whose command and witnesses stand beside its entries. */
  compare: list(
    Type.Object({
      ...presence,
      /** With a rule of command and witnesses. */
      test: Ref,
      /** The unit or circuit of whose entries it is; of all where absent. */
      unit: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
      /** Heading of a column to the point of the test that it prints. */
      columns: Type.Record(Type.String({ minLength: 1, maxLength: 40 }), Ref),
    }),
  ),
});

/** What the machine does or does not do, as its owner says it. */
export const symptomSchema = Type.Object({
  ...presence,
  id: Id,
  text: Name,
  suspects: Type.Record(Id, Probability),
  other: Type.Optional(Probability),
});

export type Symptom = Static<typeof symptomSchema>;
export type CodeHistory = Static<typeof historySchema>;
export type CodeScheme = Static<typeof codeSchemeSchema>;
export type SheetCode = Static<typeof codeSchema>;

/** The service report as data: what it holds. */
import { Type, type Static } from '@sinclair/typebox';
import { words } from '../schema-words';

const Text = Type.String();
const lines = Type.Array(Text);
const suspects = Type.Array(Type.Object({ name: Text, part: Text, p: Type.Number() }));

const rowSchema = Type.Object({
  entry: Text,
  at: Text,
  title: Text,
  /** `Red on N, black on U`, or the question asked. */
  where: Text,
  state: Text,
  function: Text,
  /** `0.46 V`, `OL`, or the answer given. */
  value: Text,
  /** `± 0.01 V`: the meter's limits of error there; empty where the meter is unknown. */
  uncertainty: Text,
  limit: Text,
  verdict: Text,
  mark: words([
    'in',
    'watch',
    'out',
    'cannot-tell',
    'not-settled',
    'void',
    'waits',
    'one-sided',
    'withdrawn',
    'repeated',
  ]),
  /** Likeliest class, such as `low`; tells to which side an `out` fell. */
  outcome: Text,
  /** `Service data DF-7, p. 12`; the report names the revision once. */
  source: Text,
});
export type ReportRow = Readonly<Static<typeof rowSchema>>;

export const reportSchema = Type.Object(
  {
    complaint: Text,
    codes: Type.Array(Type.Object({ shown: Text, title: Text })),
    noCode: Type.Boolean(),
    observed: lines,
    dead: Type.Array(Type.Object({ at: Text, text: Text })),
    /** How the machine is left: energy, what was put back, what stays open and why. */
    left: lines,
    rows: Type.Array(rowSchema),
    /** Figures of other things than this machine: no evidence about it. */
    compared: lines,
    /** At the moment of decision, likeliest first; those under 5 % left out. */
    suspects,
    other: Type.Number(),
    /** Nothing wrong while it was measured. */
    sound: Type.Number(),
    /** What may still be wrong after the work; absent where nothing was done. */
    remains: Type.Optional(Type.Object({ suspects, other: Type.Number(), sound: Type.Number() })),
    /** Parts that findings speak against, and hardly anything is left for. */
    cleared: lines,
    notProven: lines,
    /** What was fitted, and what was measured again after it. */
    repair: lines,
    skipped: Type.Array(Type.Object({ title: Text, reason: Text })),
    photos: Type.Array(Type.Object({ hash: Text, at: Text, caption: Text, where: Text })),
    meter: Text,
    lead: Text,
    decision: Type.Optional(
      Type.Object({
        text: Text,
        number: Text,
        probability: Type.Number(),
        reason: Text,
        followsEvidence: Type.Boolean(),
        /** Whether findings accused a part when it was made. */
        accused: Type.Boolean(),
        before: lines,
        /** The way that was expected to cost least, where another was chosen. */
        against: Type.Optional(
          Type.Object({
            words: Text,
            cost: Type.Number(),
            chosenCost: Type.Number(),
            currency: Text,
          }),
        ),
      }),
    ),
    /** What the customer said to it before the work. */
    accepted: Type.Optional(
      Type.Object({
        agreed: Type.Boolean(),
        at: Text,
        by: Text,
        how: Text,
        amount: Type.Number(),
        currency: Text,
        note: Text,
        /** Whether what is decided now is what they spoke of. */
        current: Type.Boolean(),
      }),
    ),
    /** What is to come: `3 December 2026` is the screen’s. */
    ahead: Type.Array(Type.Object({ on: Text, text: Text })),
    /** Whether what was done was proven; absent where nothing was done. */
    proven: Type.Optional(Type.Boolean()),
    signed: Type.Optional(
      Type.Object({
        at: Text,
        technician: Text,
        customer: Text,
        note: Text,
        /** Why it was signed with something owed. */
        owed: Type.Optional(Text),
        /** Somebody else who looked it through; null while that is owed; absent where no sheet asks. */
        second: Type.Optional(
          Type.Union([Type.Object({ name: Text, at: Text, note: Text }), Type.Null()]),
        ),
        /** Signatures drawn by hand, by the hash of their picture. */
        drawn: Type.Optional(
          Type.Object({ technician: Type.Optional(Text), customer: Type.Optional(Text) }),
        ),
      }),
    ),
  },
  { $id: 'report' },
);
export type Report = Readonly<Static<typeof reportSchema>>;

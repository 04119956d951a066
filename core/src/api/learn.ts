/** What the shop learns: odds of a sheet, what to tell its author, patterns, and how right it was. */
import { Type, type Static } from '@sinclair/typebox';
import { lessonSchema } from '../learn/lesson';
import { words } from '../schema-words';

const Text = Type.String();
const Count = Type.Integer({ minimum: 0 });
const Share = Type.Number({ minimum: 0, maximum: 1 });
const Moment = Type.String();
const closed = { additionalProperties: false } as const;

const calibrationSchema = Type.Object({
  count: Count,
  /** Mean of what was said, and the share of it that was so. */
  said: Share,
  was: Share,
  brier: Share,
});
const bandSchema = Type.Object({
  from: Share,
  count: Count,
  right: Count,
  sumP: Type.Number(),
  sumSquares: Type.Number(),
});

const revisionSchema = Type.Object({
  revision: Type.Integer({ minimum: 1 }),
  at: Moment,
  author: Text,
  kind: words(['adopted', 'reset']),
  jobs: Count,
  note: Text,
});

export const patternSchema = Type.Object({
  by: words(['site', 'model', 'part', 'batch', 'supplier', 'season']),
  /** “Pousada do Lume, roof”, “NX-7 717”, “June to August”. */
  group: Text,
  sheet: Text,
  sheetTitle: Text,
  what: Text,
  name: Text,
  count: Count,
  expected: Type.Number(),
  p: Share,
  /** Units it happened to, and unit-years looked at. */
  units: Count,
  years: Type.Number(),
  /** What all of them have in common beside that. */
  shared: Type.Array(Text),
  /** Money that the shared cause may cost within a year. */
  worth: Type.Number(),
  events: Type.Array(Type.Object({ job: Text, unit: Text, label: Text, site: Text, at: Moment })),
});
export type PatternResource = Readonly<Static<typeof patternSchema>>;
export const patternsSchema = Type.Object({
  patterns: Type.Array(patternSchema),
  currency: Text,
  /** Repairs that were looked at. */
  repairs: Count,
});

export const learntSchema = Type.Object({
  sheet: Text,
  title: Text,
  maker: Text,
  models: Type.Array(Text),
  units: Count,
  /** Proven jobs that count, those called back within 90 days, and those of faults that the sheet has no more. */
  jobs: Count,
  calledBack: Count,
  gone: Count,
  /** Parts that led in signed jobs and were seldom proven: their faults are set aside. */
  seldom: Type.Array(Type.Object({ part: Text, name: Text, led: Count, proven: Count })),
  faults: Type.Array(
    Type.Object({
      fault: Text,
      name: Text,
      own: Share,
      /** As jobs open with now. */
      inUse: Share,
      count: Type.Number({ minimum: 0 }),
      share: Share,
      interval: Type.Tuple([Share, Share]),
      /** Jobs here cannot speak of it: it has the sheet’s share. */
      aside: Type.Optional(Type.Literal(true)),
    }),
  ),
  /** The newest first; the first is in use. */
  revisions: Type.Array(revisionSchema),
  silent: Type.Array(
    Type.Object({ test: Text, title: Text, taken: Count, minutes: Type.Number() }),
  ),
  failed: Type.Array(
    Type.Object({
      test: Text,
      title: Text,
      observable: Text,
      readings: Type.Array(
        Type.Object({ job: Text, ...lessonSchema.properties.failedGood.items.properties }),
      ),
    }),
  ),
  /** What was done, and how it fared. */
  fared: Type.Array(
    Type.Object({
      kind: words(['part', 'repair', 'other']),
      name: Text,
      number: Text,
      /** Not the maker’s own number. */
      substitute: Type.Boolean(),
      done: Count,
      proven: Count,
      cameBack: Count,
    }),
  ),
  calibration: Type.Optional(calibrationSchema),
  currency: Text,
  patterns: Type.Array(patternSchema),
});
export type LearntResource = Readonly<Static<typeof learntSchema>>;

export const adoptInput = Type.Object(
  {
    /** What the jobs say, or the sheet's own again. */
    take: words(['learnt', 'own']),
    /** Jobs that whoever adopts has seen counted. */
    jobs: Count,
    note: Type.String({ maxLength: 1000 }),
  },
  closed,
);

export const rightSchema = Type.Object({
  bands: Type.Array(bandSchema),
  all: Type.Optional(calibrationSchema),
  /** Signed and decided, and not proven: nobody knows. */
  unproven: Count,
  calledBack: Count,
  sheets: Type.Array(Type.Object({ sheet: Text, title: Text, ...calibrationSchema.properties })),
  /** Jobs in which another part was chosen than the one that led; one’s own, for a lead everybody’s by name. */
  overruled: Type.Array(
    Type.Object({ who: Text, count: Count, theirs: Count, ours: Count, neither: Count }),
  ),
  /** To read again: the likeliest that were not so, what nobody expected, what came back. */
  surprises: Type.Array(
    Type.Object({
      job: Text,
      at: Moment,
      label: Text,
      site: Text,
      said: Text,
      p: Share,
      was: Text,
      why: words(['not-so', 'unexpected', 'came-back']),
    }),
  ),
});
export type RightResource = Readonly<Static<typeof rightSchema>>;

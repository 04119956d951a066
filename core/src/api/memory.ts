/** What the shop remembers: finding, years of a unit, site or model, tables of records, links to reports. */
import { Type, type Static } from '@sinclair/typebox';
import { readingKeptSchema } from '../learn/readings-kept';
import { reportSchema } from '../report/report-schema';
import { words } from '../schema-words';
import { jobListItemSchema, unitFoundSchema } from './resources';

const Text = Type.String();
const Count = Type.Integer({ minimum: 0 });
const Moment = Type.String();
const orNull = <S extends ReturnType<typeof Type.String> | ReturnType<typeof Type.Number>>(s: S) =>
  Type.Union([s, Type.Null()]);
const closed = { additionalProperties: false } as const;

/** Characters of a search, and of a filter. */
export const LONGEST_SEARCH = 200;

export const foundSchema = Type.Object({
  /** The newest first. */
  found: Type.Array(
    Type.Union([
      Type.Object({ kind: Type.Literal('job'), job: jobListItemSchema }),
      Type.Object({ kind: Type.Literal('unit'), unit: unitFoundSchema }),
    ]),
  ),
  /** Typed words that stand nowhere, and what they were read as. */
  readAs: Type.Record(Text, Text),
  /** Words that nothing comes near: with one of them nothing is found. */
  unknown: Type.Array(Text),
  /** There may be more, further back. */
  more: Type.Boolean(),
});
export type FoundResource = Readonly<Static<typeof foundSchema>>;

/** A later visit within 90 days of one after which the machine should have run. */
export const cameBackSchema = Type.Object({
  job: Text,
  at: Moment,
  days: Count,
  complaint: Text,
  /** What was done then; empty while it is open. */
  done: Text,
});

const workDoneSchema = Type.Object({
  kind: words(['part', 'repair', 'other']),
  /** Of the sheet; empty for what it does not name. */
  id: Text,
  name: Text,
  number: orNull(Text),
  batch: orNull(Text),
  supplier: orNull(Text),
});

const visitSchema = Type.Object({
  job: Text,
  unit: Text,
  label: Text,
  at: Moment,
  complaint: Text,
  codes: Type.Array(Text),
  ending: Text,
  technician: Text,
  proven: Type.Boolean(),
  done: Type.Array(workDoneSchema),
  minutes: Type.Number(),
  cameBack: Type.Optional(cameBackSchema),
});

/** Readings of one place over the years. */
const seriesSchema = Type.Object({
  sheet: Text,
  observable: Text,
  title: Text,
  unit: Text,
  /** It moves one way from visit to visit. */
  trend: Type.Optional(words(['falling', 'rising'])),
  points: Type.Array(
    Type.Object({
      job: Text,
      label: Text,
      at: Moment,
      ...Type.Pick(readingKeptSchema, ['value', 'verdict', 'outcome', 'low', 'high', 'after'])
        .properties,
    }),
  ),
});

const stepSchema = Type.Object({
  stage: Text,
  name: Text,
  visits: Count,
  /** Of those that had it: half took less. */
  minutes: Type.Number(),
  /** What was written there, likewise. */
  entries: Type.Number(),
  /** Keys and taps, of the visits in which they were counted. */
  presses: Type.Optional(Type.Number()),
});

export const yearsSchema = Type.Object(
  {
    /** The latest first. */
    visits: Type.Array(visitSchema),
    /** The most often read first. */
    series: Type.Array(seriesSchema),
    steps: Type.Array(stepSchema),
    /** Visits that there are; what stands here is of the newest. */
    of: Count,
  },
  { $id: 'years' },
);
export type YearsResource = Readonly<Static<typeof yearsSchema>>;

export const siteYearsSchema = Type.Object({
  site: Type.Object({ id: Text, name: Text, address: Text, town: Text }),
  customer: Type.Object({ id: Text, name: Text }),
  units: Type.Array(
    Type.Object({ id: Text, label: Text, maker: Text, model: Text, visits: Count }),
  ),
  years: yearsSchema,
});

export const RECORD_TABLES = ['visits', 'parts', 'came-back', 'units'] as const;
export type RecordTable = (typeof RECORD_TABLES)[number];

export const recordsQuery = Type.Object({
  q: Type.Optional(Type.String({ maxLength: LONGEST_SEARCH })),
  sort: Type.Optional(Type.String({ maxLength: 40 })),
  order: Type.Optional(words(['up', 'down'])),
  from: Type.Optional(Type.Integer({ minimum: 0 })),
});

export const recordsSchema = Type.Object({
  columns: Type.Array(
    Type.Object({ id: Text, name: Text, is: words(['text', 'moment', 'day', 'count', 'yes']) }),
  ),
  rows: Type.Array(
    Type.Object({
      /** Where it leads. */
      job: orNull(Text),
      unit: orNull(Text),
      cells: Type.Array(Type.Union([Text, Type.Number(), Type.Boolean(), Type.Null()])),
    }),
  ),
  /** Rows that there are. */
  of: Count,
});
export type RecordsResource = Readonly<Static<typeof recordsSchema>>;

export const reportLinkSchema = Type.Object({
  id: Text,
  madeAt: Moment,
  madeBy: Text,
  until: Moment,
  /** Null while it opens. */
  endedAt: orNull(Text),
  endedBy: orNull(Text),
  /** How often it was looked at. */
  looks: Count,
});
export type ReportLinkResource = Readonly<Static<typeof reportLinkSchema>>;
export const reportLinkInput = Type.Object(
  { days: Type.Integer({ minimum: 1, maximum: 366 }) },
  closed,
);
/** Its path is told once; only what it was made of is kept. */
export const reportLinkMadeSchema = Type.Object({ link: reportLinkSchema, path: Text });

export const sharedInput = Type.Object({ token: Type.String({ maxLength: 100 }) }, closed);
export const sharedReportSchema = Type.Object({
  shop: Type.Object({ name: Text, town: Text }),
  number: Text,
  openedAt: Moment,
  customer: Text,
  address: Text,
  unit: Type.Object({ label: Text, maker: Text, model: Text, serial: Text }),
  report: reportSchema,
  until: Moment,
});

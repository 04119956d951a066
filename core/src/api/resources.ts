/** The resources of the HTTP API under /api/v1: what goes in and what comes out. */
import { USUAL_SHOP } from '../next/prices';
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import type { StoredEntry } from '../job/kinds/index';
import { storedEntrySchema } from '../job/kinds/schemas';
import { Person, Uuid } from '../job/log/words';
import { words } from '../schema-words';
import { priceRowSchema } from '../shop/price-row';
import { jobSummarySchema } from '../job/trail/summary';
import { meterProfileSchema } from '../meter/profile';
import { sheetSchema, type WrittenSheet } from '../sheet/schema';
import { facetsSchema } from '../sheet/search';

export const Name = Type.String({ minLength: 1, maxLength: 200 });
export const Line = Type.String({ maxLength: 200 });
const Day = Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\d$' });
const Instant = Type.String({
  pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$',
});
const strict = { additionalProperties: false } as const;
const Money = Type.Number({ minimum: 0, maximum: 1e9 });
const Covers = words(['parts', 'parts-labour']);

export const customerInput = Type.Object(
  {
    id: Type.Optional(Uuid),
    name: Name,
    phone: Type.Optional(Line),
    outage: Type.Optional(Type.Union([Money, Type.Null()])),
  },
  strict,
);
export const siteInput = Type.Object(
  {
    id: Type.Optional(Uuid),
    customerId: Uuid,
    name: Name,
    address: Type.Optional(Line),
    town: Type.Optional(Line),
  },
  strict,
);
export const unitInput = Type.Object(
  {
    id: Type.Optional(Uuid),
    siteId: Uuid,
    label: Name,
    maker: Name,
    model: Name,
    serial: Type.Optional(Line),
    kind: Name,
    installedOn: Type.Optional(Type.Union([Day, Type.Null()])),
    warrantyUntil: Type.Optional(Type.Union([Day, Type.Null()])),
    warrantyCovers: Type.Optional(Type.Union([Covers, Type.Null()])),
    registered: Type.Optional(Type.Union([Type.Boolean(), Type.Null()])),
    outage: Type.Optional(Type.Union([Money, Type.Null()])),
    sheetId: Type.Optional(Type.Union([Type.String({ minLength: 1, maxLength: 80 }), Type.Null()])),
  },
  strict,
);
export const jobInput = Type.Object(
  {
    id: Type.Optional(Uuid),
    unitId: Uuid,
    complaint: Type.String({ maxLength: 4000 }),
    /** The signed visit to the same unit that this one goes on from; found by itself where absent. */
    continues: Type.Optional(Type.String({ minLength: 1, maxLength: 36 })),
    urgent: Type.Optional(Type.Boolean()),
    visitAt: Type.Optional(Instant),
    /** Opened on a device while it was away: when, and the id of the entry that opened it there. */
    opened: Type.Optional(Type.Object({ id: Uuid, at: Instant }, strict)),
    /** An exercise: a simulated machine behind the job, with a fault drawn by this seed. */
    bench: Type.Optional(
      Type.Object({ seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295 }) }, strict),
    ),
  },
  strict,
);
/** How many lines a price list may have. */
export const MOST_PRICES = 20_000;
export const priceListInput = Type.Object(
  {
    rows: Type.Array(priceRowSchema, { maxItems: MOST_PRICES }),
    /** The whole list: what is not in it is put away. */
    replace: Type.Boolean(),
  },
  strict,
);
export const keptPricesSchema = Type.Object({
  added: Type.Integer({ minimum: 0 }),
  changed: Type.Integer({ minimum: 0 }),
  removed: Type.Integer({ minimum: 0 }),
});
/** When a visit is, and whether somebody waits; what is not named stays. */
export const planInput = Type.Object(
  {
    visitAt: Type.Optional(Type.Union([Instant, Type.Null()])),
    urgent: Type.Optional(Type.Boolean()),
  },
  { ...strict, minProperties: 1 },
);
export const handOverInput = Type.Object(
  { to: Person, note: Type.String({ maxLength: 4000 }) },
  strict,
);
/** How many entries one batch may carry. */
export const MOST_ENTRIES = 500;
export const entriesInput = Type.Object(
  {
    entries: Type.Array(Type.Unknown(), { minItems: 1, maxItems: MOST_ENTRIES }),
    /** The sender's own time as it sends: how far its clock is off is measured by it. */
    sentAt: Type.Optional(
      Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d\\.\\d{3}Z$' }),
    ),
  },
  strict,
);

/** Which sheet a job opened without one is to use. */
export const attachInput = Type.Object(
  { sheetId: Type.String({ minLength: 1, maxLength: 80 }) },
  strict,
);

export type CustomerInput = Static<typeof customerInput>;
export type SiteInput = Static<typeof siteInput>;
export type UnitInput = Static<typeof unitInput>;
export type JobInput = Static<typeof jobInput>;

const Text = Type.String();
const orNull = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);
const Moment = Type.String({ description: 'ISO 8601, UTC' });
const Count = Type.Integer({ minimum: 0 });

export const customerSchema = Type.Object(
  {
    id: Text,
    name: Text,
    phone: Text,
    /** What an hour without a machine costs them. */ outage: Type.Optional(orNull(Money)),
  },
  { $id: 'customer' },
);
export const siteSchema = Type.Object(
  {
    id: Text,
    customerId: Text,
    name: Text,
    address: Text,
    town: Text,
  },
  { $id: 'site' },
);

const unitFields = {
  id: Text,
  siteId: Text,
  label: Text,
  maker: Text,
  model: Text,
  serial: Text,
  kind: Text,
  installedOn: orNull(Day),
  warrantyUntil: orNull(Day),
  /** What the warranty bears; parts alone where nobody said. */
  warrantyCovers: Type.Optional(orNull(Covers)),
  /** Whether it was registered with its maker. */
  registered: Type.Optional(orNull(Type.Boolean())),
  /** What an hour without it costs; the customer’s word where it says none. */
  outage: Type.Optional(orNull(Money)),
  sheetId: orNull(Text),
};
export const unitResourceSchema = Type.Object(unitFields, { $id: 'unit' });
/** A unit found by its words, with where it stands. */
export const unitFoundSchema = Type.Object(
  { ...unitFields, siteName: Text, town: Text },
  { $id: 'unit-found' },
);

/** A past or parallel visit to the same unit. */
const visitSchema = Type.Object(
  {
    id: Text,
    openedAt: Moment,
    complaint: Text,
    summary: orNull(jobSummarySchema),
  },
  { $id: 'visit' },
);
export const unitWithVisitsSchema = Type.Object({
  ...unitFields,
  visits: Type.Array(visitSchema),
});

export const sheetListItemSchema = Type.Object(
  {
    id: Text,
    revision: Type.Integer({ minimum: 1 }),
    title: Text,
    maker: Text,
    savedAt: Moment,
    facets: facetsSchema,
  },
  { $id: 'sheet-in-list' },
);
export const revisionSchema = Type.Object(
  {
    revision: Type.Integer({ minimum: 1 }),
    author: Text,
    savedAt: Moment,
  },
  { $id: 'revision' },
);
export const savedSheetSchema = Type.Object({ id: Text, revision: Type.Integer({ minimum: 1 }) });

/** What work and waiting cost; `currency` is the sign that figures are written with. */
export const shopPricesSchema = Type.Object(
  {
    rate: Money,
    giveUp: Money,
    visit: Money,
    callback: Money,
    downtime: Money,
    /** Hours until somebody else has it running, where it is handed over. */
    handOverHours: Type.Optional(Type.Number({ minimum: 0, maximum: 10_000 })),
    currency: Type.String({ maxLength: 8 }),
    /** Tolerance where no document states one, percent. */
    housePercent: Type.Optional(Type.Number({ minimum: 0.1, maximum: 50 })),
  },
  { additionalProperties: false },
);

export const shopSchema = Type.Object(
  {
    name: Text,
    town: Text,
    /** Who works here, by name. */
    people: Type.Array(Text),
    meter: orNull(meterProfileSchema),
    prices: shopPricesSchema,
  },
  { $id: 'shop' },
);

/** A visit that was handed on: by whom, when, and what it still owed then. */
export const handedSchema = Type.Object({
  from: Text,
  to: Text,
  at: Moment,
  note: Text,
  owed: Type.Array(Text),
});

const jobFields = {
  id: Text,
  complaint: Text,
  urgent: Type.Boolean(),
  visitAt: orNull(Moment),
  openedAt: Moment,
  /** Whose visit it is; null for whoever comes to it. */
  technician: orNull(Text),
  handed: orNull(handedSchema),
  sheetId: orNull(Text),
  sheetRevision: orNull(Type.Integer({ minimum: 1 })),
  /** Null for a job without a sheet. */
  summary: orNull(jobSummarySchema),
  unit: unitResourceSchema,
  site: siteSchema,
  customer: customerSchema,
};
export const jobListItemSchema = Type.Object(jobFields, { $id: 'job-in-list' });
export const jobSchema = Type.Object(
  {
    ...jobFields,
    /** The revision frozen when the job was opened. */
    sheet: orNull(Type.Unsafe<WrittenSheet>(sheetSchema)),
    shop: shopSchema,
    /** What the shop’s price list says of the sheet’s parts. */
    prices: Type.Optional(Type.Array(priceRowSchema)),
    /** Parts that were decided on at other units of this site lately, the newest first. */
    pattern: Type.Optional(
      Type.Array(
        Type.Object({
          job: Text,
          unit: Text,
          at: Moment,
          sheetId: Text,
          part: Text,
          partName: Text,
        }),
      ),
    ),
    /** Whether a simulated machine stands behind it. What is wrong with it is never said. */
    bench: Type.Boolean(),
    /** The latest other visits to the unit. */
    history: Type.Array(visitSchema),
    /** How many other visits there are in all. */
    visits: Count,
  },
  { $id: 'job' },
);

/** A part of a log: a long one takes several, each after the last entry of the one before. */
export const entriesSchema = Type.Object(
  {
    entries: Type.Unsafe<readonly (StoredEntry & { readonly seq: number })[]>(
      Type.Array(storedEntrySchema),
    ),
    /** Sequence number of the newest entry of the job; 0 for none. */
    last: Count,
  },
  { $id: 'entries' },
);
export const appendedSchema = Type.Object(
  {
    accepted: Type.Array(Type.Object({ id: Text, seq: Count })),
    last: Count,
    /** Milliseconds from the sender's clock to the server's; 0 where they agree. */
    offset: Type.Number(),
  },
  { $id: 'appended' },
);

export type CustomerResource = Readonly<Static<typeof customerSchema>>;
export type SiteResource = Readonly<Static<typeof siteSchema>>;
export type UnitResource = Readonly<Static<typeof unitResourceSchema>>;
export type UnitFound = Readonly<Static<typeof unitFoundSchema>>;
export type VisitResource = Readonly<Static<typeof visitSchema>>;
export type SheetListItem = Readonly<Static<typeof sheetListItemSchema>>;
export type RevisionResource = Readonly<Static<typeof revisionSchema>>;
export type ShopResource = Readonly<Static<typeof shopSchema>>;
export type Handed = Static<typeof handedSchema>;
/** A shop whose settings nobody made yet. */
export const NAMELESS_SHOP: ShopResource = {
  name: 'Jeitinho',
  town: '',
  people: [],
  meter: null,
  // No sum stands bare: the sign of whatever money it is, until the shop says which.
  prices: { ...USUAL_SHOP, currency: '¤' },
};
export type JobListItem = Readonly<Static<typeof jobListItemSchema>>;
export type JobResource = Readonly<Static<typeof jobSchema>>;
export type EntriesResource = Readonly<Static<typeof entriesSchema>>;
export type AppendedResource = Readonly<Static<typeof appendedSchema>>;

/** `application/problem+json`, RFC 9457, with our stable code. */
export const problemSchema = Type.Object(
  {
    type: Text,
    title: Text,
    status: Type.Integer({ minimum: 400, maximum: 599 }),
    code: Text,
    /** What happened, what was kept, what to do. */
    detail: Text,
    errors: Type.Optional(Type.Array(Type.Object({ path: Text, message: Text }))),
    /** For a batch: which entry stands in the way. */
    entry: Type.Optional(Type.Object({ index: Count, id: Type.Optional(Text) })),
  },
  { $id: 'problem' },
);

/** `application/problem+json`, RFC 9457, with our stable code. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: string;
  /** What happened, what was kept, what to do. */
  readonly detail: string;
  readonly errors?: readonly { readonly path: string; readonly message: string }[];
  /** For a batch: which entry stands in the way. */
  readonly entry?: { readonly index: number; readonly id?: string };
}

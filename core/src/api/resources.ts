/** The resources of the HTTP API under /api/v1: what goes in and what comes out. */
import { Type, type Static } from '@sinclair/typebox';
import type { StoredEntry } from '../job/kinds/index';
import type { JobSummary } from '../job/trail/summary';
import type { MeterProfile } from '../meter/profile';
import type { Sheet } from '../sheet/schema';
import type { SheetFacets } from '../sheet/search';

const Uuid = Type.String({
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[1-9a-f][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
});
const Name = Type.String({ minLength: 1, maxLength: 200 });
const Line = Type.String({ maxLength: 200 });
const Day = Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\d$' });
const strict = { additionalProperties: false } as const;

export const customerInput = Type.Object(
  { id: Type.Optional(Uuid), name: Name, phone: Type.Optional(Line) },
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
    sheetId: Type.Optional(Type.Union([Type.String({ minLength: 1, maxLength: 80 }), Type.Null()])),
  },
  strict,
);
export const jobInput = Type.Object(
  {
    id: Type.Optional(Uuid),
    unitId: Uuid,
    complaint: Type.String({ maxLength: 4000 }),
    urgent: Type.Optional(Type.Boolean()),
    visitAt: Type.Optional(
      Type.String({ pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$' }),
    ),
    /** An exercise: a simulated machine behind the job, with a fault drawn by this seed. */
    bench: Type.Optional(
      Type.Object({ seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295 }) }, strict),
    ),
  },
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

export interface CustomerResource {
  readonly id: string;
  readonly name: string;
  readonly phone: string;
}
export interface SiteResource {
  readonly id: string;
  readonly customerId: string;
  readonly name: string;
  readonly address: string;
  readonly town: string;
}
export interface UnitResource {
  readonly id: string;
  readonly siteId: string;
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly kind: string;
  /** `YYYY-MM-DD` */
  readonly installedOn: string | null;
  readonly warrantyUntil: string | null;
  readonly sheetId: string | null;
}
/** A unit found by its words, with where it stands. */
export interface UnitFound extends UnitResource {
  readonly siteName: string;
  readonly town: string;
}
export interface SheetListItem {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly maker: string;
  readonly savedAt: string;
  readonly facets: SheetFacets;
}
export interface RevisionResource {
  readonly revision: number;
  readonly author: string;
  readonly savedAt: string;
}
export interface ShopResource {
  readonly name: string;
  readonly town: string;
  readonly technician: string;
  readonly meter: MeterProfile | null;
}

export interface JobListItem {
  readonly id: string;
  readonly complaint: string;
  readonly urgent: boolean;
  readonly visitAt: string | null;
  readonly openedAt: string;
  readonly sheetId: string | null;
  readonly sheetRevision: number | null;
  /** Null for a job without a sheet. */
  readonly summary: JobSummary | null;
  readonly unit: UnitResource;
  readonly site: SiteResource;
  readonly customer: CustomerResource;
}

/** A past or parallel visit to the same unit. */
export interface VisitResource {
  readonly id: string;
  readonly openedAt: string;
  readonly complaint: string;
  readonly summary: JobSummary | null;
}

export interface JobResource extends JobListItem {
  /** The revision frozen when the job was opened. */
  readonly sheet: Sheet | null;
  readonly shop: ShopResource;
  /** Whether a simulated machine stands behind it. What is wrong with it is never said. */
  readonly bench: boolean;
  /** The latest other visits to the unit. */
  readonly history: readonly VisitResource[];
  /** How many other visits there are in all. */
  readonly visits: number;
}

/** A part of a log: a long one takes several, each after the last entry of the one before. */
export interface EntriesResource {
  readonly entries: readonly (StoredEntry & { readonly seq: number })[];
  /** Sequence number of the newest entry of the job; 0 for none. */
  readonly last: number;
}
export interface AppendedResource {
  readonly accepted: readonly { readonly id: string; readonly seq: number }[];
  readonly last: number;
  /** Milliseconds from the sender's clock to the server's; 0 where they agree. */
  readonly offset: number;
}

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

import type { LicenceHeld, MeterProfile, PriceRow, Role, ShopResource } from '@jeitinho/core';
import type { BodyOf, LogEntry } from '@jeitinho/core/job';
import type { WrittenSheet } from '@jeitinho/core/sheet';

export interface DemoAhead {
  readonly id: string;
  readonly what: BodyOf<'follow-up'>['what'];
  readonly inDays: number;
  readonly part?: string;
  readonly note: string;
}

export interface DemoJob {
  readonly id: string;
  readonly unitId: string;
  readonly complaint: string;
  readonly urgent: boolean;
  /** Local time on the day of seeding, `HH:MM`, for open visits; absent for past ones. */
  readonly visitAt?: string;
  /** Days from the day of seeding; 0 where absent. */
  readonly visitInDays?: number;
  /** For past visits, the moment they were opened. */
  readonly openedAt?: string;
  /** Open visits: faults that fit the complaint; one of them is drawn, and nobody is told. */
  readonly hidden?: readonly string[];
  /** What is to come after a past visit: so many days from the day of seeding. */
  readonly ahead?: readonly DemoAhead[];
  /** Everything after `opened`. */
  readonly entries: readonly LogEntry[];
}

export interface DemoWorld {
  readonly shop: {
    readonly name: string;
    readonly town: string;
    readonly meter: MeterProfile;
    readonly prices: ShopResource['prices'];
  };
  /** The first is whoever opened and signed the past visits. */
  readonly people: readonly {
    readonly name: string;
    readonly roles: readonly Role[];
    readonly licences: readonly LicenceHeld[];
  }[];
  readonly prices: readonly PriceRow[];
  readonly meters: readonly MeterProfile[];
  readonly customers: readonly { id: string; name: string; phone: string }[];
  readonly sites: readonly {
    id: string;
    customerId: string;
    name: string;
    address: string;
    town: string;
  }[];
  readonly units: readonly {
    id: string;
    siteId: string;
    label: string;
    maker: string;
    model: string;
    serial: string;
    kind: string;
    installedOn: string;
    warrantyUntil: string;
    sheetId: string | null;
  }[];
  readonly sheets: readonly WrittenSheet[];
  readonly jobs: readonly DemoJob[];
  /** Finished visits of many years, their repairs proven; written when they are asked for. */
  readonly past: () => readonly DemoJob[];
}

/** From rows to the resources of the API. */
import {
  NAMELESS_SHOP,
  type CustomerResource,
  type JobListItem,
  type ShopResource,
  type SiteResource,
  type UnitResource,
  type VisitResource,
} from '@jeitinho/core';
import type { Customer } from './models/customer';
import type { Store } from './models/index';
import type { Job } from './models/job';
import type { Site } from './models/site';
import type { Unit } from './models/unit';
import { livingPeople } from './people';

export const customerResource = ({ id, name, phone, outage }: Customer): CustomerResource => ({
  id,
  name,
  phone,
  outage: outage ?? null,
});

export const siteResource = ({ id, customerId, name, address, town }: Site): SiteResource => ({
  id,
  customerId,
  name,
  address,
  town,
});

export const unitResource = (unit: Unit): UnitResource => ({
  id: unit.id,
  siteId: unit.siteId,
  label: unit.label,
  maker: unit.maker,
  model: unit.model,
  serial: unit.serial,
  kind: unit.kind,
  installedOn: unit.installedOn,
  warrantyUntil: unit.warrantyUntil,
  warrantyCovers: unit.warrantyCovers ?? null,
  registered: unit.registered ?? null,
  outage: unit.outage ?? null,
  sheetId: unit.sheetId,
});

/** @param job - With its unit, site and customer joined. */
export function jobListItem(job: Job): JobListItem {
  const unit = job.unit!;
  const site = unit.site!;
  return {
    id: job.id,
    complaint: job.complaint,
    urgent: job.urgent,
    visitAt: job.visitAt?.toISOString() ?? null,
    openedAt: job.openedAt.toISOString(),
    technician: job.technician,
    handed: job.handed,
    sheetId: job.sheetId,
    sheetRevision: job.sheetRevision,
    summary: job.summary,
    unit: unitResource(unit),
    site: siteResource(site),
    customer: customerResource(site.customer!),
  };
}

export const visitResource = (job: Job): VisitResource => ({
  id: job.id,
  openedAt: job.openedAt.toISOString(),
  complaint: job.complaint,
  summary: job.summary,
});

/** The shop's own settings, a nameless one until they are set; and those who work in it. */
export async function shopOf(store: Store): Promise<ShopResource> {
  const [row, people] = await Promise.all([store.settings.findByPk('shop'), livingPeople(store)]);
  const kept = row?.value as Partial<ShopResource> | undefined;
  return {
    ...NAMELESS_SHOP,
    ...(kept && { name: kept.name, town: kept.town, meter: kept.meter, prices: kept.prices }),
    people: people.map(({ name }) => name),
  };
}

/** A visit made of what this device keeps: its unit, the sheet, the shop and the meter in hand. */
import { NAMELESS_SHOP, type JobResource, type ShopResource, type UnitFound } from '@jeitinho/core';
import { foldJob, jobSheet, summarise, type StoredEntry } from '@jeitinho/core/job';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { pathAsked } from './api';
import { deviceName } from './device';
import type { LocalEntry, LocalStore, Opening } from './local-store';

export async function openHere(
  unit: UnitFound,
  opening: Opening,
  store: LocalStore,
): Promise<JobResource> {
  const { siteName, town, ...plain } = unit;
  const shop = (await kept<ShopResource>(store, pathAsked('shop', {}))) ?? NAMELESS_SHOP;
  const sheet = await keptSheet(store, unit.sheetId);
  const { id, body } = opening;
  const entry = {
    id: body.opened!.id,
    kind: 'opened',
    at: body.opened!.at,
    author: opening.author ?? 'technician',
    device: deviceName(),
    body: { complaint: body.complaint, meter: shop.meter, rules: 2 },
  } satisfies StoredEntry;
  const seen = await store.jobs.filter((each) => each.unit.id === unit.id).first();
  const job: JobResource = {
    id,
    complaint: body.complaint,
    urgent: body.urgent ?? false,
    visitAt: body.visitAt ?? null,
    openedAt: entry.at,
    technician: null,
    handed: null,
    sheetId: sheet?.id ?? null,
    sheetRevision: sheet?.revision ?? null,
    summary: sheet ? summarise(jobSheet(sheet, [entry]), foldJob(sheet, [entry])) : null,
    unit: plain,
    // Who owns it is known where a visit to the unit is kept here.
    site: seen?.site ?? { id: unit.siteId, customerId: '', name: siteName, address: '', town },
    customer: seen?.customer ?? { id: '', name: siteName, phone: '' },
    sheet: sheet ?? null,
    shop,
    bench: false,
    history: [],
    visits: 0,
  };
  await store.transaction('rw', store.openings, store.jobs, store.entries, async () => {
    await store.openings.put(opening);
    await store.jobs.put(job);
    // The server makes it of the opening; it is never sent by itself.
    await store.entries.put({ ...entry, jobId: id, sendState: 'sent' } as LocalEntry);
  });
  return job;
}

async function kept<T>(store: LocalStore, path: string): Promise<T | undefined> {
  // Kept under the path of just this question: it is what that route answered.
  return (await store.documents.get(path))?.value as T | undefined;
}

/** The newest that is kept: by itself, or frozen into a visit. */
async function keptSheet(store: LocalStore, id: string | null): Promise<WrittenSheet | undefined> {
  if (id === null) return undefined;
  const alone = await kept<WrittenSheet>(store, pathAsked('sheet', { params: { id } }));
  const frozen = await store.jobs.filter(({ sheetId }) => sheetId === id).toArray();
  return [alone, ...frozen.map(({ sheet }) => sheet ?? undefined)]
    .filter((sheet) => sheet !== undefined)
    .sort((a, b) => b.revision - a.revision)[0];
}

/** Failures of the shop that come together more often than chance explains. */
import type { PatternResource } from '@jeitinho/core';
import {
  type Failure,
  type Fitting,
  type PatternFound,
  patternsIn,
  type PlacedUnit,
} from '@jeitinho/core/diagnose';
import { findPart, plainSheet, type Sheet, withOdds } from '@jeitinho/core/sheet';
import type { Patterns } from '../store/memory';
import type { Store } from '../store/models/index';
import { newestSheet } from '../store/open-job';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';
import { shopOf } from '../store/resources';
import { oddsInUse } from './odds-in-use';

interface WorkRow {
  readonly jobId: string;
  readonly unitId: string;
  readonly sheetId: string;
  readonly siteId: string;
  readonly label: string;
  readonly site: string;
  readonly what: string;
  readonly name: string;
  readonly number: string | null;
  readonly batch: string | null;
  readonly supplier: string | null;
  readonly signedAt: Date;
  readonly technician: string;
  readonly minutes: number;
  readonly codes: string;
  readonly back: number;
}

/** Repairs looked at: the newest. More within two years, no shop has. */
const MOST_REPAIRS = 50_000;
/** What was found holds so long, unless something is proven or adopted before. */
const HOLDS_MS = 60_000;

export function patternsOf(store: Store, now = Date.now()): Promise<Patterns> {
  const { memory } = store;
  if (memory.patterns && now - memory.patterns.at < HOLDS_MS) return memory.patterns.found;
  const found = reckoned(store, now);
  memory.patterns = { at: now, found };
  // What failed is asked again.
  found.catch(() => (memory.patterns = undefined));
  return found;
}

async function reckoned(store: Store, now: number): Promise<Patterns> {
  await projectNow(store);
  const rows = await raw<WorkRow[]>(
    store.sequelize,
    `SELECT l.jobId, l.unitId, l.sheetId, u.siteId, u.label, s.name AS site, l.what, l.name, l.number, l.batch,
            l.supplier, l.signedAt, t.technician, t.minutes, CONCAT(JSON_EXTRACT(b.body, '$.codes'), '') AS codes, t.backWith IS NOT NULL AS back
       FROM work_done l JOIN lessons t ON t.jobId = l.jobId JOIN lesson_bodies b ON b.jobId = l.jobId
       JOIN units u ON u.id = l.unitId JOIN sites s ON s.id = u.siteId
      WHERE l.proven AND l.what <> '' ORDER BY l.signedAt DESC LIMIT ${MOST_REPAIRS}`,
  );
  const { prices } = await shopOf(store);
  const sheets = new Map<string, Sheet>();
  for (const id of new Set(rows.map(({ sheetId }) => sheetId))) {
    const written = await newestSheet(store, id);
    const odds = await oddsInUse(store, id);
    if (!written) continue;
    const sheet = plainSheet(written);
    sheets.set(id, odds ? withOdds(sheet, odds) : sheet);
  }
  const minutes = new Map(rows.map((row) => [row.jobId, row.minutes]));
  // What came back was not what was wrong, and the part went in all the same.
  const standing = rows.filter(({ back }) => !back);
  const failures = standing.map(failureOf);
  const found = patternsIn({
    failures,
    units: await placedUnits(store),
    fittings: fittingsOf(rows, failures),
    shareOf: (sheet, what) => shareOf(sheets.get(sheet), what),
    costOf: ({ job, sheet, what }) =>
      prices.visit +
      (prices.rate * (minutes.get(job) ?? 0)) / 60 +
      (findPart(sheets.get(sheet) ?? NO_PARTS, what)?.price ?? 0),
    now,
  });
  const byJob = new Map(rows.map((row) => [row.jobId, row]));
  return {
    patterns: found.map((each) => resourceOf(each, sheets, byJob)),
    currency: prices.currency,
    repairs: standing.length,
  };
}

const NO_PARTS = { parts: [] } as unknown as Sheet;

const failureOf = (row: WorkRow): Failure => ({
  ...{ job: row.jobId, unit: row.unitId, site: row.siteId, sheet: row.sheetId },
  ...{ what: row.what, name: row.name, technician: row.technician },
  ...(row.number !== null && { number: row.number }),
  at: row.signedAt.getTime(),
  codes: JSON.parse(row.codes) as string[],
});

/** A part is in until the same one of the unit goes in again; it failed where that proved to be what was wrong. */
function fittingsOf(rows: readonly WorkRow[], failures: readonly Failure[]): Fitting[] {
  const failing = new Map(failures.map((each) => [`${each.job}\n${each.what}`, each]));
  const later = new Map<string, WorkRow>();
  // The newest first, so that the one before is what came after.
  return rows.map((row) => {
    const { unitId, sheetId, what, name, batch, supplier, signedAt } = row;
    const place = `${unitId}\n${what}`;
    const next = later.get(place);
    later.set(place, row);
    const failed = next && failing.get(`${next.jobId}\n${what}`);
    return {
      ...{ unit: unitId, sheet: sheetId, what, name, at: signedAt.getTime() },
      ...(batch !== null && { batch }),
      ...(supplier !== null && { supplier }),
      ...(next && { until: next.signedAt.getTime() }),
      ...(failed && { failed }),
    };
  });
}

/** Units that a sheet speaks of, and since when they run: the plate's word, or the first visit. */
async function placedUnits(store: Store): Promise<PlacedUnit[]> {
  const rows = await raw<
    {
      id: string;
      siteId: string;
      sheetId: string;
      installedOn: string | null;
      first: Date | null;
    }[]
  >(
    store.sequelize,
    `SELECT u.id, u.siteId, u.sheetId, CAST(u.installedOn AS CHAR) AS installedOn,
            (SELECT MIN(j.openedAt) FROM jobs j WHERE j.unitId = u.id) AS first
       FROM units u WHERE u.sheetId IS NOT NULL`,
  );
  return rows.map(({ id, siteId, sheetId, installedOn, first }) => ({
    ...{ unit: id, site: siteId, sheet: sheetId },
    since: installedOn !== null ? Date.parse(installedOn) : (first?.getTime() ?? Infinity),
  }));
}

/** Among all faults of the sheet, those of a part, or that a repair mends. */
function shareOf(sheet: Sheet | undefined, what: string): number {
  if (!sheet) return 0;
  const all = sheet.faults.reduce((sum, { prior }) => sum + prior, 0);
  const fixes = sheet.repairs?.find(({ id }) => id === what)?.fixes;
  const own = sheet.faults.filter(({ id, part }) => (fixes ? fixes.includes(id) : part === what));
  return own.reduce((sum, { prior }) => sum + prior, 0) / all;
}

const SEASONS: Readonly<Record<string, string>> = {
  12: 'December to February',
  3: 'March to May',
  6: 'June to August',
  9: 'September to November',
};

function resourceOf(
  { by, group, events, worthAsking: _asked, ...rest }: PatternFound,
  sheets: ReadonlyMap<string, Sheet>,
  rows: ReadonlyMap<string, WorkRow>,
): PatternResource {
  const sheet = sheets.get(rest.sheet);
  const site = rows.get(events[0]!.job)?.site ?? group;
  const groups = { site, model: sheet?.title ?? group, season: SEASONS[group] ?? group };
  return {
    ...rest,
    by,
    group: by === 'site' || by === 'model' || by === 'season' ? groups[by] : group,
    sheetTitle: sheet?.title ?? rest.sheet,
    shared: [...rest.shared],
    events: events.map(({ job, unit, at }) => ({
      ...{ job, unit, at: new Date(at).toISOString() },
      label: rows.get(job)?.label ?? '',
      site: rows.get(job)?.site ?? '',
    })),
  };
}

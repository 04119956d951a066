/** Which failures of a shop come together by site, model, part, batch, supplier or season, and what they share. */
import { chanceOfSoMany, WORTH_ASKING } from './coincidence';
import { coincidence, LEAST, worthOfLooking, type Coincidence } from './pattern';
import { sharedBy } from './shared-by';

/** A part or repair that proved to be what was wanted. */
export interface Failure {
  readonly job: string;
  readonly unit: string;
  readonly site: string;
  readonly sheet: string;
  /** Of the sheet: the part or repair. */
  readonly what: string;
  readonly name: string;
  readonly number?: string;
  /** Moments, ms. */
  readonly at: number;
  readonly technician: string;
  readonly codes: readonly string[];
}

export interface PlacedUnit {
  readonly unit: string;
  readonly site: string;
  readonly sheet: string;
  /** Since when it is known to run, ms. */
  readonly since: number;
}

/** A part that went in, with where it came from, and when it had to go again. */
export interface Fitting {
  readonly unit: string;
  readonly sheet: string;
  readonly what: string;
  readonly name: string;
  readonly batch?: string;
  readonly supplier?: string;
  readonly at: number;
  /** When it went out again, ms; absent while it is in. */
  readonly until?: number;
  /** The failure that took it out, where its own failing did. */
  readonly failed?: Failure;
}

export interface PatternInput {
  readonly failures: readonly Failure[];
  readonly units: readonly PlacedUnit[];
  readonly fittings: readonly Fitting[];
  /** Share of a part among the failures of its sheet, by the odds. */
  readonly shareOf: (sheet: string, what: string) => number;
  /** What one such repair costs, money. */
  readonly costOf: (failure: Failure) => number;
  readonly now: number;
}

export type PatternBy = 'site' | 'model' | 'part' | 'batch' | 'supplier' | 'season';

export interface PatternFound extends Coincidence {
  readonly by: PatternBy;
  /** Id of the site or sheet, a number, a batch, a supplier, or a season by its first month. */
  readonly group: string;
  readonly sheet: string;
  readonly what: string;
  readonly name: string;
  readonly count: number;
  readonly years: number;
  readonly units: number;
  readonly events: readonly Failure[];
  readonly shared: readonly string[];
  readonly worth: number;
}

const YEAR_MS = 365.25 * 86_400_000;
/** What is older has another cause. */
export const WINDOW_YEARS = 2;
/** A season is told from so many failures on. */
const SEASON_LEAST = 3;

/** The likeliest to mean something first. Of several that are the same failures, the narrowest. */
export function patternsIn(input: PatternInput): PatternFound[] {
  const { now, units } = input;
  const from = now - WINDOW_YEARS * YEAR_MS;
  const failures = input.failures.filter(({ at }) => at >= from && at <= now);
  const yearsOf = (list: readonly PlacedUnit[]) =>
    list.reduce((sum, { since }) => sum + Math.max(0, now - Math.max(since, from)), 0) / YEAR_MS;
  const allYears = yearsOf(units);
  const shopRate = allYears > 0 ? failures.length / allYears : 0;
  const usual = ({ sheet, what }: { sheet: string; what: string }) =>
    shopRate * input.shareOf(sheet, what);
  const unitsOf = grouped(units, ({ sheet }) => sheet);
  const cost = (events: readonly Failure[]) =>
    events.reduce((sum, each) => sum + input.costOf(each), 0) / events.length;
  const found: PatternFound[] = [];
  /** Only a site’s may be all of one machine. */
  const tell = (
    by: PatternBy,
    group: string,
    events: readonly Failure[],
    years: number,
    chance: Coincidence,
  ) => {
    const [first] = events;
    const machines = new Set(events.map(({ unit }) => unit)).size;
    if (!first || !chance.worthAsking || (by !== 'site' && machines < 2)) return;
    const count = events.length;
    const perYear = by === 'season' ? 1 : years / WINDOW_YEARS;
    found.push({
      ...{ by, group, sheet: first.sheet, what: first.what, name: first.name, ...chance },
      ...{ count, years, units: machines, events },
      shared: sharedBy(events),
      worth: worthOfLooking({ count, years }, chance, perYear, cost(events)),
    });
  };

  for (const by of ['batch', 'supplier'] as const)
    for (const pattern of originsOf(input, by, usual))
      tell(by, pattern.group, pattern.events, pattern.years, pattern.chance);

  for (const [, same] of grouped(failures, ({ sheet, what }) => `${sheet}\n${what}`)) {
    const family = unitsOf.get(same[0]!.sheet) ?? [];
    const all = { allCount: same.length, allYears: yearsOf(family), usual: usual(same[0]!) };
    for (const [site, events] of grouped(same, (each) => each.site)) {
      const years = yearsOf(family.filter((each) => each.site === site));
      tell('site', site, events, years, coincidence({ count: events.length, years, ...all }));
    }
    const own = { count: same.length, years: all.allYears };
    tell('model', same[0]!.sheet, same, own.years, coincidence({ ...own, ...all }));
    for (const [season, events] of grouped(same, seasonOf)) {
      const expected = same.length / 4;
      const p = chanceOfSoMany(events.length, expected);
      const worthAsking = events.length >= SEASON_LEAST && p < WORTH_ASKING;
      tell('season', season, events, WINDOW_YEARS / 4, { expected, p, worthAsking });
    }
  }

  for (const [number, same] of grouped(failures, ({ number: each }) => each)) {
    const sheets = [...new Set(same.map(({ sheet }) => sheet))];
    if (sheets.length < 2) continue;
    const years = sheets.reduce((sum, sheet) => sum + yearsOf(unitsOf.get(sheet) ?? []), 0);
    const rates = same.map(usual);
    const mean = rates.reduce((sum, each) => sum + each, 0) / rates.length;
    const own = { count: same.length, years };
    const all = { allCount: own.count, allYears: years, usual: mean };
    tell('part', number, same, years, coincidence({ ...own, ...all }));
  }
  return narrowest(found).sort((a, b) => a.p - b.p);
}

/** Parts by where they came from: those that failed again, over the years that they were in. */
function originsOf(
  { fittings, now }: PatternInput,
  by: 'batch' | 'supplier',
  usual: (of: Fitting) => number,
) {
  const from = now - WINDOW_YEARS * YEAR_MS;
  const years = (list: readonly Fitting[]) =>
    list.reduce((sum, { at, until }) => sum + Math.max(0, (until ?? now) - Math.max(at, from)), 0) /
    YEAR_MS;
  const failed = (list: readonly Fitting[]) =>
    list.flatMap((each) => (each.failed && each.failed.at >= from ? [each.failed] : []));
  return [...grouped(fittings, ({ what }) => what)].flatMap(([, same]) =>
    [...grouped(same, (each) => each[by])].map(([group, own]) => {
      const rates = own.map(usual);
      const reckoned = coincidence({
        ...{ count: failed(own).length, years: years(own) },
        ...{ allCount: failed(same).length, allYears: years(same) },
        usual: rates.reduce((sum, each) => sum + each, 0) / rates.length,
      });
      // Where all come from there, it is no news that those that failed do.
      const chance = own.length < same.length ? reckoned : { ...reckoned, worthAsking: false };
      return { group, events: failed(own), years: years(own), chance };
    }),
  );
}

/** By its first month: December, March, June, September. */
const seasonOf = ({ at }: Failure): string => {
  const month = new Date(at).getUTCMonth() + 1;
  return String(Math.floor((month % 12) / 3) * 3 || 12);
};

function narrowest(found: readonly PatternFound[]): PatternFound[] {
  const seen = new Set<string>();
  return found.filter(({ events }) => {
    const key = events
      .map(({ job, what }) => `${job} ${what}`)
      .sort()
      .join('\n');
    if (events.length < LEAST || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** What has no key is in no group. */
function grouped<T>(list: readonly T[], key: (each: T) => string | undefined): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const each of list) {
    const of = key(each);
    if (of === undefined) continue;
    const group = groups.get(of);
    if (group) group.push(each);
    else groups.set(of, [each]);
  }
  return groups;
}

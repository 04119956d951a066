/** A unit, a site or a model over the years: its visits, what was read against which limits, what was done. */
import { median, type YearsResource } from '@jeitinho/core';
import { type Lesson, type ReadingKept, trendOf } from '@jeitinho/core/diagnose';
import { TRAIL } from '@jeitinho/core/job';
import type { Store } from '../store/models/index';
import { projectNow } from '../store/projections';
import { raw } from '../store/raw';
import { laterVisits } from './came-back';

/** The newest visits of what is asked for; older ones are in the tables of records. */
const MOST_VISITS = 400;
/** Places read that are drawn. */
const MOST_SERIES = 60;
const DAY_MS = 86_400_000;

interface Row {
  readonly jobId: string;
  readonly unitId: string;
  readonly sheetId: string;
  readonly label: string;
  readonly signedAt: Date;
  readonly complaint: string;
  readonly ending: string;
  readonly technician: string;
  readonly proven: number;
  readonly minutes: number;
  readonly body: string;
  readonly readings: string;
  readonly codes: string;
  readonly back: string | null;
}

export type Whose =
  | { readonly unit: string }
  | { readonly site: string }
  | { readonly sheet: string };

export async function yearsOf(store: Store, whose: Whose): Promise<YearsResource> {
  await projectNow(store);
  const [column, id] =
    'unit' in whose
      ? ['l.unitId', whose.unit]
      : 'site' in whose
        ? ['u.siteId', whose.site]
        : ['l.sheetId', whose.sheet];
  const from = `FROM lessons l JOIN units u ON u.id = l.unitId JOIN lesson_bodies b ON b.jobId = l.jobId WHERE ${column} = ?`;
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT l.jobId, l.unitId, l.sheetId, u.label, l.signedAt, l.complaint, l.ending, l.technician, l.proven, l.minutes,
            CONCAT(b.body, '') AS body, CONCAT(b.readings, '') AS readings, l.codes, l.backWith AS back
       ${from} ORDER BY l.signedAt DESC, l.jobId LIMIT ${MOST_VISITS}`,
    [id],
  );
  const [all] = await raw<{ count: number | bigint }[]>(
    store.sequelize,
    `SELECT COUNT(*) AS count ${from}`,
    [id],
  );
  const later = await laterVisits(
    store,
    rows.map(({ back }) => back),
  );
  const lessons = rows.map((row) => JSON.parse(row.body) as Lesson);
  return {
    visits: rows.map((row, i) => {
      const back = row.back === null ? undefined : later.get(row.back);
      return {
        ...{ job: row.jobId, unit: row.unitId, label: row.label, complaint: row.complaint },
        ...{ technician: row.technician, minutes: row.minutes, proven: row.proven === 1 },
        at: row.signedAt.toISOString(),
        codes: row.codes === '' ? [] : row.codes.split(', '),
        ending: row.ending,
        done: lessons[i]!.done.map(({ number, batch, supplier, ...done }) => ({
          ...done,
          number: number ?? null,
          batch: batch ?? null,
          supplier: supplier ?? null,
        })),
        ...(back && {
          cameBack: {
            ...{ job: back.id, at: back.openedAt.toISOString() },
            days: Math.floor((back.openedAt.getTime() - row.signedAt.getTime()) / DAY_MS),
            ...{ complaint: back.complaint, done: back.done },
          },
        }),
      };
    }),
    series: seriesOf(rows),
    steps: stepsOf(lessons),
    of: Number(all!.count),
  };
}

/** By place of the sheet, whatever its title became since; the newest title is shown. */
function seriesOf(rows: readonly Row[]): YearsResource['series'] {
  const series = new Map<string, YearsResource['series'][number]>();
  for (const { jobId, label, sheetId, signedAt, readings } of rows)
    for (const reading of JSON.parse(readings) as ReadingKept[]) {
      const { observable, title, unit, ...rest } = reading;
      const key = `${sheetId}\n${observable}`;
      const own = series.get(key) ?? { sheet: sheetId, observable, title, unit, points: [] };
      own.points.push({ job: jobId, label, at: signedAt.toISOString(), ...rest });
      series.set(key, own);
    }
  return [...series.values()]
    .map(inTime)
    .sort(
      (a, b) =>
        Number(b.trend !== undefined) - Number(a.trend !== undefined) ||
        b.points.length - a.points.length ||
        a.title.localeCompare(b.title),
    )
    .slice(0, MOST_SERIES);
}

function inTime(series: YearsResource['series'][number]): YearsResource['series'][number] {
  // As it was found stands before how it was left, in the order of each visit.
  const points = [...series.points].sort(
    (a, b) => a.at.localeCompare(b.at) || Number(a.after ?? false) - Number(b.after ?? false),
  );
  // Of several machines it is no trend of any.
  const one = new Set(points.map(({ label }) => label)).size === 1;
  const found = points.flatMap(({ value, after }) => (value === null || after ? [] : [value]));
  const trend = one ? trendOf(found) : undefined;
  return { ...series, ...(trend && { trend }), points };
}

function stepsOf(lessons: readonly Lesson[]): YearsResource['steps'] {
  return TRAIL.flatMap(({ stage, name }) => {
    const having = lessons.filter(({ entries }) => (entries[stage] ?? 0) > 0);
    if (having.length === 0) return [];
    const half = (of: (lesson: Lesson) => number) => median(having.map(of));
    const pressed = having.flatMap(({ presses }) => presses?.[stage] ?? []);
    return [
      {
        ...{ stage, name, visits: having.length },
        minutes: half(({ minutes }) => minutes[stage] ?? 0),
        entries: half(({ entries }) => entries[stage] ?? 0),
        ...(pressed.length > 0 && { presses: median(pressed) }),
      },
    ];
  });
}

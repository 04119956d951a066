/** Links that show a signed report to whoever has them, until they are over or somebody ends them. */
import { buildReport, type Report, reportNumber, type ReportLinkResource } from '@jeitinho/core';
import { assess } from '@jeitinho/core/diagnose';
import { v7 as uuidv7 } from 'uuid';
import { digest, newToken } from '../auth/secrets';
import { notFound, ProblemError } from '../problem';
import { audit } from './audit';
import { withJobState } from './hot-jobs';
import { withUnit } from './joins';
import type { Store } from './models/index';
import { raw, toColumn, type Written } from './raw';
import { shopOf } from './resources';

const DAY_MS = 86_400_000;
/** Of one report, that open something. */
const MOST_OPEN = 20;

interface Row {
  readonly id: string;
  readonly jobId: string;
  readonly madeAt: Date;
  readonly madeBy: string;
  readonly until: Date;
  readonly endedAt: Date | null;
  readonly endedBy: string | null;
  readonly looks: number;
}

const COLUMNS = 'id, jobId, madeAt, madeBy, until, endedAt, endedBy, looks';

const resourceOf = ({ jobId: _job, ...row }: Row): ReportLinkResource => ({
  ...row,
  madeAt: row.madeAt.toISOString(),
  until: row.until.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
});

export async function reportLinks(store: Store, jobId: string): Promise<ReportLinkResource[]> {
  const rows = await raw<Row[]>(
    store.sequelize,
    `SELECT ${COLUMNS} FROM report_links WHERE jobId = ? ORDER BY madeAt DESC, id DESC`,
    [jobId],
  );
  return rows.map(resourceOf);
}

/** @throws {ProblemError} 404 without the job; 409 while it is not signed. */
export async function makeReportLink(
  store: Store,
  jobId: string,
  days: number,
  who: string,
): Promise<{ readonly link: ReportLinkResource; readonly path: string }> {
  const signed = await withJobState(store, jobId, (state) => state.signed !== undefined);
  if (!signed)
    throw new ProblemError(
      409,
      'not-signed',
      'Nothing was made: a report is shown once it is signed.',
    );
  const now = new Date();
  const open = (await reportLinks(store, jobId)).filter(
    ({ endedAt, until }) => endedAt === null && until > now.toISOString(),
  );
  if (open.length >= MOST_OPEN)
    throw new ProblemError(
      409,
      'too-many',
      'Twenty links to this report are open already. End some.',
    );
  const token = newToken();
  const id = uuidv7();
  const until = new Date(now.getTime() + days * DAY_MS);
  await raw(
    store.sequelize,
    'INSERT INTO report_links (id, token, jobId, madeAt, madeBy, until) VALUES (?, ?, ?, ?, ?, ?)',
    [
      ...[id, digest(token), jobId],
      ...[toColumn(now.toISOString()), who, toColumn(until.toISOString())],
    ],
  );
  await audit(store, who, 'report-link-made', { job: jobId, days });
  const link = (await reportLinks(store, jobId)).find((each) => each.id === id)!;
  // Behind the mark: a browser sends that to nobody, so it stands in no log.
  return { link, path: `/shared#${token}` };
}

/** @throws {ProblemError} 404 for a link that is not there, or opens nothing any more. */
export async function endReportLink(store: Store, id: string, who: string): Promise<void> {
  const { affectedRows } = await raw<Written>(
    store.sequelize,
    'UPDATE report_links SET endedAt = ?, endedBy = ? WHERE id = ? AND endedAt IS NULL',
    [toColumn(new Date().toISOString()), who, id],
  );
  if (affectedRows === 0) throw notFound('such link that is open');
  await audit(store, who, 'report-link-ended', { link: id });
}

/** @throws {ProblemError} 404 for a link that never was, is over or was ended: which, nobody is told. */
export async function sharedReport(store: Store, token: string) {
  const over = () =>
    new ProblemError(
      404,
      'link-over',
      'This link shows nothing, or nothing any more. Ask whoever sent it for another.',
    );
  const [link] = await raw<Row[]>(
    store.sequelize,
    `SELECT ${COLUMNS} FROM report_links WHERE token = ? AND endedAt IS NULL AND until > ?`,
    [digest(token), toColumn(new Date().toISOString())],
  );
  if (!link) throw over();
  const job = await store.jobs.findByPk(link.jobId, { include: [withUnit] });
  if (!job?.unit) throw over();
  const report = await withJobState(store, job.id, (state, { fold: { sheet } }) =>
    // Signed anew it shows again; until then there is no report.
    state.signed ? buildReport(sheet, state, assess(sheet, state)) : undefined,
  );
  if (!report) throw over();
  await raw(store.sequelize, 'UPDATE report_links SET looks = looks + 1 WHERE id = ?', [link.id]);
  const { name, town } = await shopOf(store);
  const { label, maker, model, serial, site } = job.unit;
  return {
    shop: { name, town },
    number: reportNumber(job.id, job.openedAt.toISOString()),
    openedAt: job.openedAt.toISOString(),
    customer: site?.customer?.name ?? '',
    address: [site?.address, site?.town].filter(Boolean).join(', '),
    unit: { label, maker, model, serial },
    report: withoutPictures(report),
    until: link.until.toISOString(),
  };
}

/** Whatever was shown of these jobs is shown no more. */
export async function endLinksOf(
  store: Store,
  jobs: readonly string[],
  who: string,
): Promise<void> {
  if (jobs.length === 0) return;
  await raw(
    store.sequelize,
    `UPDATE report_links SET endedAt = ?, endedBy = ? WHERE endedAt IS NULL AND jobId IN (${jobs.map(() => '?').join(', ')})`,
    [toColumn(new Date().toISOString()), who, ...jobs],
  );
}

/** Pictures stay with the shop, and so do signatures drawn by hand. */
function withoutPictures({ signed, ...report }: Report): Report {
  const { drawn: _drawn, ...names } = signed!;
  return { ...report, photos: [], signed: names };
}

/** The report, set for paper: every reading against its limit and source, and what was not proven. */
import { sourceWords, type Report, type ReportRow } from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import type { Verdict } from '@jeitinho/core/judge';
import type { ReactNode } from 'react';
import { clockTime, longDay } from '../../data/now';
import { behind, openPoints, provenWords, takenWords } from '../../papers/report-document';
import { money, moneyExact } from '../../parts/money';
import { percent } from '../../parts/percent';
import { Photo } from '../../parts/photo';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';

/** Whose report it is, and of what. */
export interface ReportHead {
  readonly shop: { readonly name: string; readonly town: string };
  readonly openedAt: string;
  readonly number: string;
  readonly customer: string;
  readonly address: string;
  readonly unit: {
    readonly label: string;
    readonly maker: string;
    readonly model: string;
    readonly serial: string;
  };
}

export interface ReportPaperProps {
  readonly report: Report;
  readonly head: ReportHead;
  /** With its sheet all of it, for the file; without, what is for the customer. */
  readonly sheet?: Sheet | undefined;
}

export function ReportPaper({ report, head, sheet }: ReportPaperProps) {
  return (
    <article
      aria-label="Service report"
      className="border border-hair bg-card p-7 max-lg:p-4 print:border-0 print:p-0"
    >
      <header className="flex justify-between gap-4 border-b-2 border-ink pb-3">
        <div>
          <h1 className="m-0 text-[25px] font-bold">Service report</h1>
          <p className="m-0 text-soft">
            {head.shop.name}, {head.shop.town}
          </p>
        </div>
        <p className="m-0 text-right text-[15px]">
          {longDay(head.openedAt)}
          <span className="figure block">No. {head.number}</span>
        </p>
      </header>
      <dl className="m-0 mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
        <Field name="Customer">{[head.customer, head.address].filter(Boolean).join(' · ')}</Field>
        <Field name="Unit">
          {head.unit.label}, {head.unit.maker} {head.unit.model}, serial{' '}
          {head.unit.serial || 'not noted'}
        </Field>
        <Field name="Complaint">{report.complaint}</Field>
        <Field name="Codes">
          {report.codes.length > 0
            ? report.codes.map((code) => `${code.shown}, ${code.title}`).join('; ')
            : report.noCode
              ? 'none shown'
              : 'not read'}
        </Field>
        {sheet && report.observed.length > 0 && (
          <Field name="Seen, heard">{report.observed.join(' ')}</Field>
        )}
      </dl>
      {sheet ? <ForFile report={report} sheet={sheet} /> : <ForCustomer report={report} />}
      <Agreed report={report} />
      <Section title="How the machine was left">
        <ul className="m-0 list-none p-0">
          {report.left.map((line, i) => (
            <li key={i}>{line}</li>
          ))}
        </ul>
      </Section>
      {report.ahead.length > 0 && (
        <Section title="What is to come">
          <ul className="m-0 list-none p-0">
            {report.ahead.map(({ on, text }, i) => (
              <li key={i}>
                {longDay(`${on}T12:00:00`)}: {text}
              </li>
            ))}
          </ul>
        </Section>
      )}
      {report.photos.length > 0 && (
        <section className="mt-6">
          <h2 className="m-0 mb-2 text-[17px] font-bold">Pictures</h2>
          <ul className="m-0 grid list-none grid-cols-3 gap-3 p-0 max-lg:grid-cols-2">
            {report.photos.map(({ hash, at, caption, where }, i) => (
              <li key={i} className="break-inside-avoid text-[14px]">
                <Photo hash={hash} words={caption || 'Picture'} className="w-full" />
                <span className="figure">{clockTime(at)}</span>{' '}
                {[where, caption].filter(Boolean).join(': ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      <footer className="mt-8 grid grid-cols-2 gap-8 text-[14px]">
        <SignLine
          role="Technician"
          name={report.signed?.technician}
          at={report.signed?.at}
          drawn={report.signed?.drawn?.technician}
        />
        <SignLine
          role="Customer"
          name={report.signed?.customer}
          at={undefined}
          drawn={report.signed?.drawn?.customer}
        />
        {report.signed?.second !== undefined && (
          <SignLine
            role={
              report.signed.second ? 'Looked through' : 'To be looked through by a second person'
            }
            name={report.signed.second?.name}
            at={report.signed.second?.at}
            drawn={undefined}
          />
        )}
      </footer>
    </article>
  );
}

interface ForFileProps {
  readonly report: Report;
  readonly sheet: Sheet;
}

/** Every figure against its limit, with what was not proven. */
function ForFile({ report, sheet }: ForFileProps) {
  return (
    <>
      <Found report={report} />
      <Readings rows={report.rows} />
      <p className="m-0 mt-2 text-[14px] text-soft">
        Figures less the leads ({report.lead}); ± is the meter’s own limit of error. Meter:{' '}
        {report.meter}. Limits from {sourceWords(sheet)}, sheet revision {sheet.revision}.
      </p>
      <div className="mt-4 grid gap-6 sm:grid-cols-2">
        <Section title="Made safe">
          {report.dead.length === 0 && <p className="m-0">Not recorded.</p>}
          <ul className="m-0 list-none p-0">
            {report.dead.map((line, i) => (
              <li key={i}>
                <span className="figure mr-2 text-[14px]">{clockTime(line.at)}</span>
                {line.text}
              </li>
            ))}
          </ul>
        </Section>
        <Section title="Not proven">
          <ul className="m-0 list-none p-0">
            {report.notProven.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
            {report.skipped.map((line, i) => (
              <li key={`s${i}`}>
                Skipped: {line.title}, {line.reason}.
              </li>
            ))}
          </ul>
        </Section>
      </div>
      {report.repair.length > 0 && (
        <Section title="Repair">
          <ul className="m-0 list-none p-0">
            {report.repair.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </ul>
        </Section>
      )}
      {report.compared.length > 0 && (
        <Section title="Compared, and no evidence about this machine">
          <ul className="m-0 list-none p-0">
            {report.compared.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </ul>
        </Section>
      )}
      {report.signed?.owed && (
        <Section title="Signed with something owed">{report.signed.owed}</Section>
      )}
    </>
  );
}

/** What was wrong, what was done, and whether it works: in words that need no meter. */
function ForCustomer({ report }: { readonly report: Report }) {
  const { decision, repair, notProven, rows } = report;
  const first = behind(report);
  return (
    <>
      <section aria-label="Decision" className="mt-4 border-l-4 border-ink pl-4">
        <h2 className="m-0 text-[22px] font-bold">{decision?.text ?? 'Not decided yet'}</h2>
        {first && (
          <p className="m-0">
            Behind it, as far as was measured: {first.name} ({first.part}).
          </p>
        )}
        {report.cleared.length > 0 && (
          <p className="m-0">Looked at and sound: {report.cleared.join(', ')}.</p>
        )}
        {rows.length > 0 && <p className="m-0 text-soft">{takenWords(report)}</p>}
      </section>
      {repair.length > 0 && <Lines title="What was done" lines={repair} />}
      <Section title="Does it work">{provenWords(report)}</Section>
      {report.proven !== true && notProven.length > 0 && (
        <Lines title="Not proven" lines={openPoints(notProven)} />
      )}
      {report.signed?.note && <Section title="What was said">{report.signed.note}</Section>}
    </>
  );
}

const Lines = ({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) => (
  <Section title={title}>
    <ul className="m-0 list-none p-0">
      {lines.map((line, i) => (
        <li key={i}>{line}</li>
      ))}
    </ul>
  </Section>
);

function Agreed({ report: { accepted } }: { readonly report: Report }) {
  if (!accepted) return null;
  const { agreed, by, how, amount, currency, at, note, current } = accepted;
  return (
    <Section title="What the customer said to it">
      {by} {agreed ? 'agreed to' : 'did not agree to'} {moneyExact(amount, currency)}, {how}, on{' '}
      {longDay(at)} at {clockTime(at)}. {note}
      {!current && ' What is to be done was decided anew since.'}
    </Section>
  );
}

function Field({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="m-0">{children}</dd>
    </>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-4">
      <h2 className="m-0 mb-1 text-[17px] font-bold">{title}</h2>
      <div className="text-[15px]">{children}</div>
    </section>
  );
}

function Found({ report }: { report: Report }) {
  const { decision } = report;
  return (
    <section aria-label="Decision" className="mt-4 border-l-4 border-ink pl-4">
      {decision ? (
        <>
          <h2 className="m-0 text-[22px] font-bold">
            {decision.text}{' '}
            {decision.number && (
              <span className="figure text-[16px] font-normal">{decision.number}</span>
            )}
          </h2>
          <p className="m-0">
            {decision.text.startsWith('Replace') &&
              `Likelihood when decided: ${percent(decision.probability)}. `}
            {decision.text.startsWith('Replace') &&
              !decision.followsEvidence &&
              (decision.accused ? 'Not the first suspect; ' : 'No finding accuses a part; ')}
            {decision.reason && `reason given: ${decision.reason}`}
            {decision.against &&
              ` Expected to cost ${money(decision.against.chosenCost, decision.against.currency)}; “${decision.against.words}” was expected to cost ${money(decision.against.cost, decision.against.currency)}.`}
          </p>
        </>
      ) : (
        <h2 className="m-0 text-[22px] font-bold">Not decided yet</h2>
      )}
      <Believed
        title={report.remains ? 'When decided: ' : ''}
        {...report}
        soundWords="nothing wrong while measured"
      />
      {report.remains && (
        <Believed title="After the work: " {...report.remains} soundWords="nothing is left" />
      )}
      {report.cleared.length > 0 && (
        <p className="m-0 mt-1">Cleared: {report.cleared.join(', ')}.</p>
      )}
      {report.signed?.note && <p className="m-0 mt-1">Told: {report.signed.note}</p>}
    </section>
  );
}

interface BelievedProps extends Pick<Report, 'suspects' | 'sound' | 'other'> {
  readonly title: string;
  readonly soundWords: string;
}

function Believed({ title, suspects, sound, other, soundWords }: BelievedProps) {
  return (
    <p className="m-0 mt-1 text-[15px] text-soft">
      {title && <strong>{title}</strong>}
      {suspects.map((s) => `${s.name} (${s.part}) ${percent(s.p)}`).join(' · ')}
      {suspects.length > 0 && ' · '}
      {soundWords} {percent(sound)} · something not on this sheet {percent(other)}
    </p>
  );
}

const HEAD = 'border-b border-ink px-2 py-1 text-left text-[14px] font-normal text-soft';
const CELL = 'border-b border-hair px-2 py-1.5 align-top';

function Readings({ rows }: { rows: readonly ReportRow[] }) {
  return (
    <div className="relative mt-5 overflow-x-auto" tabIndex={0} role="region" aria-label="Readings">
      <table className="w-full border-collapse text-[15px]">
        <caption className="sr-only">Readings against their limits</caption>
        <thead>
          <tr>
            {['Time', 'Test', 'Reading', 'Limit', 'Verdict', 'Source'].map((head) => (
              <th key={head} scope="col" className={HEAD}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <Row key={row.entry} row={row} again={rows[i - 1]?.title === row.title} />
          ))}
          {rows.length === 0 && (
            <tr>
              <td colSpan={6} className={CELL}>
                No readings were taken.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

const MARKS: Readonly<Record<ReportRow['mark'], Verdict | 'void'>> = {
  in: 'in',
  watch: 'watch',
  out: 'out',
  'cannot-tell': 'cannot-tell',
  'not-settled': 'not-settled',
  void: 'void',
  waits: 'void',
  'one-sided': 'cannot-tell',
  withdrawn: 'void',
  repeated: 'void',
};

/** @param again - The row above is of the same test: its title need not be said twice. */
function Row({ row, again }: { row: ReportRow; again: boolean }) {
  const gone = row.mark === 'withdrawn' || row.mark === 'repeated';
  const mark = MARKS[row.mark];
  return (
    <tr className={gone ? 'text-soft' : ''}>
      <td className={`${CELL} figure text-[14px]`}>{clockTime(row.at)}</td>
      <td className={`${CELL} min-w-36`}>
        <span className={again ? 'sr-only' : ''}>{gone ? <s>{row.title}</s> : row.title}</span>
        <span className="block text-[13px] text-soft">
          {row.where} · {row.function}, {row.state}
        </span>
      </td>
      <td className={`${CELL} figure whitespace-nowrap`}>
        {gone ? <s>{row.value}</s> : row.value}
        <span className="block text-[13px] text-soft">{row.uncertainty}</span>
      </td>
      <td className={`${CELL} figure ${row.limit.length < 24 ? 'whitespace-nowrap' : ''}`}>
        {row.limit}
      </td>
      <td className={`${CELL} ${VERDICT_TEXT[mark]}`}>
        <span className="flex items-center gap-2">
          <VerdictMark size={24} verdict={mark} outcome={row.outcome} />
          {row.verdict}
        </span>
      </td>
      <td className={`${CELL} min-w-32 text-[13px] text-soft`}>{row.source}</td>
    </tr>
  );
}

interface SignLineProps {
  readonly role: string;
  readonly name: string | undefined;
  readonly at: string | undefined;
  readonly drawn: string | undefined;
}

function SignLine({ role, name, at, drawn }: SignLineProps) {
  return (
    <div>
      {drawn && (
        <Photo
          hash={drawn}
          words={`Signature of ${name || role}`}
          className="h-14 border-0 bg-white"
        />
      )}
      <p className="m-0 min-h-8 border-b border-ink text-[18px]">{name}</p>
      <p className="m-0 text-soft">
        {role}
        {at && `, ${longDay(at)} ${clockTime(at)}`}
      </p>
    </div>
  );
}

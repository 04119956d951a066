/** Sign: the report as it will be printed, and two names under it. */
import { useMyName } from '../../data/me';
import { buildReport, type JobResource, reportNumber } from '@jeitinho/core';
import { aheadOf, guardOf, mendedOf } from '@jeitinho/core/job';
import { useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { useDraft } from '../../data/draft';
import { clockTime, localDay, longDay } from '../../data/now';
import { ActionBar } from '../../parts/action-bar';
import { useArmed } from '../../parts/armed';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { useAssessment, useJob } from '../job/job-context';
import { FollowUps } from './follow-ups';
import { keepSignatures } from './keep-signatures';
import { LeftPanel, useLeft } from './left-panel';
import { OwedPanel, useOwed } from './owed-panel';
import { PaperButtons } from './papers';
import { ReportLinks } from './report-links';
import { type ReportHead, ReportPaper } from './report-paper';
import { SecondSignature } from './second-signature';
import { SignPad } from './sign-pad';
import { VersionSwitch } from './version-switch';
import { stagePath } from '../job/paths';

export function Sign() {
  const { job, sheet, state, record } = useJob();
  const assessment = useAssessment();
  const report = useMemo(() => buildReport(sheet, state, assessment), [sheet, state, assessment]);
  const [technician, setTechnician] = useDraft(`technician.${job.id}`);
  const [customer, setCustomer] = useDraft(`customer.${job.id}`);
  const [note, setNote] = useDraft(`note.${job.id}`);
  const mine = useMyName();
  const name = technician;
  const armed = useArmed('sign');
  const left = useLeft();
  const owed = useOwed();
  const [version, setVersion] = useDraft(`version.${job.id}`);
  const drawn = useRef<Partial<Record<'technician' | 'customer', HTMLCanvasElement>>>({});
  const ready =
    armed &&
    state.decision !== undefined &&
    !state.signed &&
    name.trim() !== '' &&
    left.said !== undefined &&
    !owed.unsaid;
  const sign = async () => {
    if (!ready) return;
    const hands = await keepSignatures(job.id, drawn.current);
    if (
      await record('signed', {
        technician: name.trim(),
        customer: customer.trim(),
        note: note.trim(),
        left: left.said!,
        ...(owed.lines.length > 0 && { owed: owed.reason.trim() }),
        ...(Object.keys(hands).length > 0 && { drawn: hands }),
      })
    ) {
      [setTechnician, setCustomer, setNote].forEach((clear) => clear(''));
      left.drop();
      await comeUpAgain();
      owed.setReason('');
    }
  };
  /** What was signed unproven comes up again by itself. */
  const comeUpAgain = async () => {
    const unproven = mendedOf(sheet, state)?.proven === false;
    if (!unproven || aheadOf(sheet, state).some(({ what }) => what === 'prove')) return;
    const on = localDay(Date.now() + 7 * 24 * 3_600_000);
    await record('follow-up', { what: 'prove', on, note: '' });
  };
  const shown = version === 'customer' ? 'customer' : 'file';
  const keepDrawn = (who: 'technician' | 'customer', picture: HTMLCanvasElement | undefined) => {
    if (picture) drawn.current[who] = picture;
    else delete drawn.current[who];
  };
  const owedFirst = guardOf(sheet, state, 'sign');
  // A signature is no key that one runs through on: it takes the name, and a press on its own button.
  useKeys({ Enter: () => state.signed && window.print() });
  return (
    <>
      <div className="print-flow relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-3.5">
        {owedFirst && (
          <p className="no-print m-0 mb-4 border-l-4 border-marigold bg-marigold-tint px-4 py-3">
            Nothing is decided yet.{' '}
            <Link to={stagePath(job.id, owedFirst)} className="text-ink">
              Decide first
            </Link>
            , if only to hand over.
          </p>
        )}
        <SecondSignature />
        {!state.signed && state.decision && <LeftPanel left={left} />}
        {!state.signed && <OwedPanel owed={owed} />}
        {state.decision && <FollowUps />}
        <VersionSwitch version={shown} onVersion={setVersion} />
        <div className="mt-2">
          <ReportPaper
            report={report}
            head={headOf(job)}
            sheet={shown === 'file' ? sheet : undefined}
          />
        </div>
        {!state.signed && state.decision && (
          <section
            aria-label="Sign"
            className="no-print mt-5 grid gap-4 border border-ink bg-card p-5 sm:grid-cols-2"
          >
            <Line label="Technician" value={name} onChange={setTechnician} offered={mine} />
            <Line label="Customer" value={customer} onChange={setCustomer} />
            <SignPad
              label="By hand, who did the work"
              onDrawn={(picture) => keepDrawn('technician', picture)}
            />
            <SignPad
              label="By hand, who receives it"
              onDrawn={(picture) => keepDrawn('customer', picture)}
            />
            <label className="block text-[14px] text-soft sm:col-span-2">
              What the customer was told
              <textarea
                rows={2}
                value={note}
                maxLength={4000}
                onChange={(event) => setNote(event.target.value)}
                className="mt-1 block w-full border border-soft bg-paper px-3 py-2 text-[16px] text-ink"
              />
            </label>
          </section>
        )}
        <PaperButtons report={report} version={shown} />
        {state.signed && <ReportLinks jobId={job.id} />}
      </div>
      <ActionBar
        title={
          state.signed
            ? `Signed ${longDay(state.signed.at)}, ${clockTime(state.signed.at)}`
            : 'Read it through, then sign'
        }
        detail={
          state.signed
            ? 'withdraw the signature in the roll to go on with the job'
            : (left.unsaid ??
              (owed.unsaid ? 'say why it is signed with something owed' : undefined) ??
              (name.trim() === '' ? 'who signs?' : 'a signed job takes no more readings'))
        }
      >
        <Button
          kind={state.signed ? 'go' : 'plain'}
          hint={state.signed ? 'Enter' : undefined}
          onClick={() => window.print()}
        >
          Print
        </Button>
        {!state.signed && (
          <Button kind="go" onClick={() => void sign()} disabled={!ready}>
            Sign and close
          </Button>
        )}
      </ActionBar>
    </>
  );
}

const headOf = (job: JobResource): ReportHead => ({
  ...{ shop: job.shop, openedAt: job.openedAt, unit: job.unit },
  number: reportNumber(job.id, job.openedAt),
  customer: job.customer.name,
  address: [job.site.address, job.site.town].filter(Boolean).join(', '),
});

function Line({
  label,
  value,
  onChange,
  offered = '',
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  /** A name that one press puts there. */
  offered?: string;
}) {
  return (
    <div>
      <label className="block text-[14px] text-soft">
        {label}
        <input
          value={value}
          maxLength={120}
          onChange={(event) => onChange(event.target.value)}
          className="mt-1 block min-h-11 w-full border border-soft bg-paper px-3 text-[16px] text-ink"
        />
      </label>
      {value === '' && offered !== '' && (
        <Button className="mt-2" onClick={() => onChange(offered)}>
          I am {offered}
        </Button>
      )}
    </div>
  );
}

/** Prove: what was bad is read again, good, in the state that showed it; or the complaint is looked for. */
import { mendedOf, staleOf, trialsIn, type Mended, type Taken } from '@jeitinho/core/job';
import { isMeasured, stateName } from '@jeitinho/core/sheet';
import { Link, useNavigate } from 'react-router';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';
import { percent } from '../../parts/percent';
import { VERDICT_TEXT, VerdictMark } from '../../parts/verdict-mark';
import { LookedAsk } from '../decide/looked-ask';
import { useJob } from '../job/job-context';
import { placePath, stagePath, useGoOn } from '../job/paths';
import { limitWordsAt, takenWords } from '../job/taken-words';
import { PutBack } from '../mend/put-back';
import { WorkDone } from '../mend/work-done';
import { ProvingSteps, toStep } from './proving-steps';

export function Prove() {
  const { job, sheet, state } = useJob();
  const mended = mendedOf(sheet, state);
  const proof = mended?.proof;
  const goOn = useGoOn('prove');
  const navigate = useNavigate();
  const first = proof?.owed[0];
  const proven = mended?.proven === true;
  const failed = mended?.bad === true;
  const step = mended?.steps.find(({ is }) => is === 'owed' || is === 'unfinished');
  const primary = () => {
    if (proven) goOn();
    else if (first)
      void navigate(placePath(job.id, { stage: 'measure', observable: first.observable }));
    else if (failed) void navigate(stagePath(job.id, 'decide'));
    else if (step) toStep(step);
  };
  useKeys({ Enter: primary });
  return (
    <>
      <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <h1 className="m-0 text-[25px] font-bold">
          {mended ? titleOf(mended) : 'Nothing was done yet'}
        </h1>
        {mended && <Detail mended={mended} />}
        {proof && <Lines proof={proof} />}
        {mended && !proven && !failed && state.energy.kind === 'dead' && <RunsFirst />}
        <LookedAsk running={mended !== undefined && state.energy.kind === 'live'} />
        {mended?.looks && <Looks {...mended.looks} />}
        {mended && <ProvingSteps steps={mended.steps} />}
        <Stale />
        <PutBack />
        <WorkDone />
      </div>
      <ActionBar
        title={proven ? 'Proven' : first ? `Again: ${nameOf(first)}` : 'Not proven yet'}
        detail={
          proven
            ? 'next: the report'
            : first
              ? 'it was bad before the work'
              : failed
                ? 'decide anew, with what is known now'
                : step
                  ? (step.procedure.title ?? 'the sheet’s own proof')
                  : 'look for the complaint, in the state that showed it'
        }
      >
        {!proven && (
          <Button kind="quiet" onClick={() => void navigate(stagePath(job.id, 'sign'))}>
            Leave it unproven
          </Button>
        )}
        <Button
          kind="go"
          hint="Enter"
          disabled={!proven && !first && !failed && !step}
          onClick={primary}
        >
          {proven
            ? 'To Sign'
            : first
              ? 'Measure it again'
              : failed
                ? 'Decide anew'
                : step
                  ? 'To its next step'
                  : 'Measure it again'}
        </Button>
      </ActionBar>
    </>
  );
}

const titleOf = ({ proof, proven, bad }: Mended): string =>
  proven
    ? 'The repair is proven'
    : bad
      ? proof.work.body.what === 'fitted'
        ? 'The new part did not help'
        : 'It is not mended'
      : 'Not proven yet';

/** Nothing is proven on a machine that stands still. */
function RunsFirst() {
  const { job } = useJob();
  return (
    <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
      <strong>It is isolated.</strong> To be proven it must run: put back what is out, clear hands
      and tools, then{' '}
      <Link to={stagePath(job.id, 'safe')} className="text-ink underline">
        give it its supply
      </Link>
      .
    </p>
  );
}

/** What comes and goes is looked for more than once, some time apart. */
const Looks = ({ wanted, had, rest }: NonNullable<Mended['looks']>) => (
  <p role="status" className="m-0 mt-2 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
    <strong>It comes and goes:</strong> at rest in about {percent(rest)} of the time. Look for it{' '}
    {wanted} times, ten minutes apart, and it is gone in 95 of 100 cases.{' '}
    <strong>
      {had} of {wanted} so far.
    </strong>
  </p>
);

function Detail({ mended: { proof, proven, bad } }: { readonly mended: Mended }) {
  const { job, state } = useJob();
  if (proven)
    return (
      <p role="status" className="m-0 text-soft">
        {proof.good.length > 0
          ? 'Everything that was bad is good now, in the state that showed it.'
          : 'Nothing had read bad; the complaint was looked for, and not seen.'}
      </p>
    );
  if (!bad)
    return (
      <p role="status" className="m-0 text-soft">
        {proof.owed.length > 0
          ? 'Read again what was bad, in the state that showed it.'
          : proof.proven
            ? 'What was bad reads good. Not proven until what stands below is done.'
            : 'Nothing had read bad before. The proof is the complaint: look for it, in the state that showed it.'}
      </p>
    );
  const trial = trialsIn(state.works).length > 0;
  return (
    <p role="status" className="m-0">
      Before anything else is changed: read its feed and its load.{' '}
      {trial && (
        <>
          The part is in on trial:{' '}
          <Link to={stagePath(job.id, 'mend')} className="text-ink underline">
            put the old one back
          </Link>
          .{' '}
        </>
      )}
      <Link to={stagePath(job.id, 'decide')} className="text-ink underline">
        Decide anew
      </Link>{' '}
      with what is known now.
    </p>
  );
}

function Lines({ proof }: Pick<Mended, 'proof'>) {
  const rows = [
    ...proof.bad.map((taken) => ({ taken, words: 'still bad', mark: 'out' as const })),
    ...proof.owed.map((taken) => ({ taken, words: 'to read again', mark: 'void' as const })),
    ...proof.good.map((taken) => ({ taken, words: 'good now', mark: 'in' as const })),
  ];
  return (
    <ul aria-label="What was bad" className="m-0 mt-4 list-none p-0">
      {rows.map(({ taken, words, mark }) => (
        <Line key={`${words} ${taken.observable}`} taken={taken} words={words} mark={mark} />
      ))}
    </ul>
  );
}

interface LineProps {
  readonly taken: Taken;
  readonly words: string;
  readonly mark: 'in' | 'out' | 'void';
}

function Line({ taken, words, mark }: LineProps) {
  const { job, sheet, state } = useJob();
  const shown = sheet.states.find(({ id }) => id === taken.situation.state);
  const details = [
    `read ${takenWords(taken)}`,
    taken.kind !== 'answer' && `limit ${limitWordsAt(sheet, state, taken.test, taken.point)}`,
    shown && `in: ${stateName(shown)}`,
  ];
  return (
    <li className="flex items-center gap-3 border-b border-hair py-2">
      <VerdictMark verdict={mark} />
      <span className="min-w-0 flex-1">
        <Link
          className="inline-flex min-h-11 items-center text-[18px] text-ink"
          to={placePath(job.id, { stage: 'measure', observable: taken.observable })}
        >
          {nameOf(taken)}
        </Link>
        <span className="block text-[15px] text-soft">{details.filter(Boolean).join(' · ')}</span>
      </span>
      <span className={`font-semibold ${VERDICT_TEXT[mark]}`}>{words}</span>
    </li>
  );
}

/** Good figures of the machine as it was: the work may have changed them. */
function Stale() {
  const { job, sheet, state } = useJob();
  const proof = mendedOf(sheet, state)?.proof;
  const owed = new Set(proof?.owed.map(({ observable }) => observable));
  const stale = staleOf(state).filter(({ observable }) => !owed.has(observable));
  if (stale.length === 0) return null;
  return (
    <section aria-labelledby="stale" className="mt-5">
      <h2 id="stale" className="m-0 text-[17px] font-bold">
        Read before the work, and touched by it
      </h2>
      <ul className="m-0 flex list-none flex-wrap gap-x-5 p-0">
        {stale.map((taken) => (
          <li key={taken.observable}>
            <Link
              className="inline-flex min-h-11 items-center"
              to={placePath(job.id, { stage: 'measure', observable: taken.observable })}
            >
              {nameOf(taken)}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const nameOf = (taken: Taken): string =>
  taken.kind !== 'answer' && isMeasured(taken.test) && taken.test.points.length > 1
    ? `${taken.test.title}, ${taken.point.name ?? taken.point.id}`
    : taken.test.title;

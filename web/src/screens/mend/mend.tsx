/** Mend: what was decided is done, each as an entry; from then on it is another machine. */
import {
  endingWords,
  mendsOf,
  trialsIn,
  workOf,
  workOwed,
  type Ending,
  type Work,
} from '@jeitinho/core/job';
import { useState } from 'react';
import { Link } from 'react-router';
import { ActionBar } from '../../parts/action-bar';
import { Button } from '../../parts/button';
import { useLoneDigit } from '../../parts/lone-digit';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import { stagePath, useGoOn } from '../job/paths';
import { LicenceAsk } from '../make-safe/licence-ask';
import { BeforePart } from '../decide/before-part';
import { NotAgreed } from './not-agreed';
import { OldSettings } from './old-settings';
import { OtherWork } from './other-work';
import { PartOrigin, useOrigins } from './part-origin';
import { FittingOf } from './procedure';
import { PutBack } from './put-back';
import { WorkDone } from './work-done';

export function Mend() {
  const { job, sheet, state, record } = useJob();
  const goOn = useGoOn('mend');
  const mends = mendsOf(state);
  const owed = workOwed(state);
  const [trial, setTrial] = useState(false);
  const origins = useOrigins(job.id);
  const trials = trialsIn(state.works);
  const dead = state.energy.kind === 'dead';
  const wantsLicence = (part?: string, repair?: string) =>
    [...sheet.parts, ...(sheet.repairs ?? [])].some(
      ({ id, licence }) => licence !== undefined && (id === part || id === repair),
    );
  const done = async (ending: Ending) => {
    const work = workOf(sheet, ending);
    const fitted = work.what === 'fitted';
    const kept = await record('work', {
      ...work,
      ...(trial && fitted && { trial: true }),
      ...(fitted && origins.of(work.part)),
    });
    if (kept && work.part !== undefined) origins.drop(work.part);
  };
  useLoneDigit((digit) => {
    const ending = owed[digit - 1];
    if (ending) void done(ending);
  });
  const ready = owed.length === 0 && state.works.length > 0;
  useKeys({ Enter: () => ready && goOn() });
  return (
    <>
      <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
        <h1 className="m-0 text-[25px] font-bold">
          {owed.length > 0
            ? 'Mend it'
            : mends.length > 0
              ? 'All of it is done'
              : 'Nothing was decided to be mended'}
        </h1>
        <p className="m-0 text-soft">
          As the maker describes it and local rules allow. After it, old figures accuse no new part:
          what the work touched is read again.
        </p>
        {!dead && owed.length > 0 && (
          <p className="m-0 mt-3 border-l-4 border-brick bg-brick-tint px-4 py-3">
            <strong>Hands in the machine want it proven dead.</strong>{' '}
            <Link to={stagePath(job.id, 'safe')} className="text-ink">
              To Make safe
            </Link>
          </p>
        )}
        {owed.length > 0 && <NotAgreed />}
        {owed.some(({ part, repair }) => wantsLicence(part, repair)) && <LicenceAsk />}
        <ul aria-label="To do" className="m-0 mt-4 list-none p-0">
          {owed.map((ending, i) => (
            <Owed
              key={endingWords(sheet, ending)}
              ending={ending}
              number={i + 1}
              origins={origins}
              onDone={(each) => void done(each)}
            />
          ))}
        </ul>
        {owed.some(({ kind }) => kind === 'replace') && (
          <label className="mt-2 flex min-h-11 cursor-pointer items-center gap-3">
            <input
              type="checkbox"
              checked={trial}
              onChange={(event) => setTrial(event.target.checked)}
              className="h-6 w-6 accent-[var(--jade)]"
            />
            <span>
              <strong>On trial</strong>{' '}
              <span className="text-soft">
                A known-good part, to see whether it helps. If not, the old one goes back.
              </span>
            </span>
          </label>
        )}
        {trials.map(({ id, body }) => (
          <Trial key={id} work={body} />
        ))}
        <PutBack />
        <WorkDone />
        <OtherWork />
      </div>
      <ActionBar
        title={ready ? 'Next: prove it' : owed.length > 0 ? `${owed.length} to do` : 'Decide first'}
        detail={
          ready
            ? 'what was bad is read again, in the state that showed it'
            : 'each is written down as it is done'
        }
      >
        <Button kind="go" hint="Enter" disabled={!ready} onClick={goOn}>
          To Prove
        </Button>
      </ActionBar>
    </>
  );
}

function Owed({
  ending,
  number,
  origins,
  onDone,
}: {
  readonly ending: Ending;
  readonly number: number;
  readonly origins: ReturnType<typeof useOrigins>;
  readonly onDone: (ending: Ending) => void;
}) {
  const { sheet } = useJob();
  const part = sheet.parts.find(({ id }) => id === ending.part);
  const repair = sheet.repairs?.find(({ id }) => id === ending.repair);
  const attempt = sheet.tries?.find(({ id }) => id === ending.repair);
  const wanted = repair?.wanted;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair py-3">
      <span className="min-w-0 flex-1">
        <strong className="text-[20px]">{endingWords(sheet, ending)}</strong>
        <span className="block text-[15px] text-soft">
          {[part?.number, part?.minutes && `${part.minutes} min`, wanted && `to ${wanted}`]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {[...(part?.before ?? []), ...(attempt?.steps ?? [])].map((line) => (
          <span key={line} className="block text-[15px] text-marigold">
            {part ? 'Before it goes on: ' : ''}
            {line}
          </span>
        ))}
      </span>
      <Button kind="go" hint={String(number)} onClick={() => onDone(ending)}>
        {ending.kind === 'replace' ? 'It is in' : 'Done'}
      </Button>
      {ending.kind === 'replace' && ending.part !== undefined && (
        <>
          <PartOrigin part={ending.part} origins={origins} />
          <BeforePart part={ending.part} />
          <OldSettings part={ending.part} />
        </>
      )}
      {(ending.part ?? ending.repair) !== undefined && (
        <FittingOf of={(ending.part ?? ending.repair)!} />
      )}
    </li>
  );
}

/** A trial part that does not help comes out again. */
function Trial({ work }: { readonly work: Work }) {
  const { sheet, record } = useJob();
  const part = sheet.parts.find(({ id }) => id === work.part);
  return (
    <section
      aria-label="On trial"
      className="mt-3 flex flex-wrap items-center gap-4 border-l-4 border-marigold bg-marigold-tint px-4 py-2"
    >
      <p className="m-0 min-w-0 flex-1">
        <strong>{part?.name ?? work.part} is in on trial.</strong> If it helps, it stays; if not,
        put the old one back: the evidence then judges what else it is.
      </p>
      <Button onClick={() => void record('work', { what: 'put-back', part: work.part!, note: '' })}>
        The old one is back in
      </Button>
    </section>
  );
}

/** The stop in hand: what the customer says, the plate, and the one thing to press. */
import type { Handed, JobListItem } from '@jeitinho/core';
import { Link, useNavigate } from 'react-router';
import { clockTime, longDay, useNow } from '../../data/now';
import { useKeys } from '../../parts/keys';
import { Plate, PlateField } from '../../parts/plate';
import { warrantyOver, warrantyWords } from '../../parts/warranty';
import { stageWords } from './stage-words';

export function StopInHand({ job }: { readonly job: JobListItem }) {
  const { unit, site, summary } = job;
  const begun = summary !== null && summary.stage !== 'arrive';
  const navigate = useNavigate();
  useKeys({ Enter: () => void navigate(`/jobs/${job.id}`) });
  return (
    <section aria-label="Next visit">
      <p className="m-0 text-soft">
        {job.visitAt && <span className="figure mr-2 text-[20px]">{clockTime(job.visitAt)}</span>}
        {site.name} · {site.address}
      </p>
      <h2 className="m-0 mt-2 text-[31px] leading-tight font-bold max-lg:text-[25px]">
        “{job.complaint}”
      </h2>
      <div className="mt-4">
        <Plate columns="lg:grid-cols-4">
          <PlateField name="Machine">{unit.label}</PlateField>
          <PlateField name="Maker, model">
            {unit.maker} {unit.model}
          </PlateField>
          <PlateField name="Serial">{unit.serial || 'not noted'}</PlateField>
          <PlateField name="Warranty">
            <Warranty until={unit.warrantyUntil} />
          </PlateField>
        </Plate>
      </div>
      <p
        className={`m-0 mt-4 border-l-4 py-0.5 pl-3 ${job.urgent ? 'border-marigold' : 'border-hair'}`}
      >
        {job.urgent && <strong className="block text-marigold">▲ unit down, waiting</strong>}
        {stageWords(job)}
      </p>
      {job.handed && <HandedOn handed={job.handed} />}
      <Link
        to={`/jobs/${job.id}`}
        className="mt-5 inline-flex min-h-[52px] items-center bg-jade px-7 text-[18px] font-semibold text-on-jade no-underline max-lg:flex max-lg:justify-center"
      >
        {begun ? 'Go on with this visit' : 'Start this visit'}
        <kbd aria-hidden="true" className="figure ml-3 text-[14px] opacity-80 max-lg:hidden">
          Enter
        </kbd>
      </Link>
    </section>
  );
}

/** What whoever had it before leaves to do. */
const HandedOn = ({ handed }: { readonly handed: Handed }) => (
  <div className="mt-3 border-l-4 border-jade bg-jade-tint px-4 py-2">
    <strong>
      {handed.from} handed it to {handed.to}, {longDay(handed.at)}
    </strong>
    {handed.note && <p className="m-0">“{handed.note}”</p>}
    {handed.owed.length > 0 && <p className="m-0 text-[15px]">Owed: {handed.owed.join(' · ')}</p>}
  </div>
);

function Warranty({ until }: { readonly until: string | null }) {
  const now = useNow(60_000);
  const holds = until !== null && !warrantyOver(until, now);
  return <span className={holds ? 'text-jade' : ''}>{warrantyWords(until, now)}</span>;
}

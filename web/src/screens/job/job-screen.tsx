/** One job: loads it, then the frame around its cards. */
import { liftSheet, type WrittenSheet } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ApiProblem } from '../../data/api';
import { jobOptions } from '../../data/queries';
import { NotHere } from '../not-here';
import { JobFrame } from './job-frame';
import { JobProvider } from './job-context';

export function JobScreen() {
  const { jobId = '' } = useParams();
  const query = useQuery(jobOptions(jobId));
  if (query.isPending) return <p className="p-6 text-soft">Opening the job …</p>;
  if (!query.data) {
    const gone = query.error instanceof ApiProblem && query.error.problem.status === 404;
    return gone ? (
      <NotHere
        what="There is no such job"
        detail="It may be mistyped, or belong to another shop."
      />
    ) : (
      <NotHere
        what="This job cannot be opened now"
        detail="The server does not answer, and this device has not seen the job before. Nothing is lost; try again when it is back."
      />
    );
  }
  const job = query.data;
  if (!job.sheet) {
    return (
      <main className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-3 p-6">
        <h1 className="m-0 text-[25px] font-bold">{job.unit.label}</h1>
        <p className="m-0 text-soft">
          {job.unit.maker} {job.unit.model} · {job.site.name}
        </p>
        <p className="m-0 border-l-4 border-marigold bg-marigold-tint px-4 py-3">{job.complaint}</p>
        <p className="m-0">
          No service sheet for this model is in the library yet, and measuring needs one: the limits
          stand in it. A pin table from the manual or the door is enough to begin.
        </p>
        <p className="m-0 flex flex-wrap gap-3">
          <Link
            to={`/sheets/quick?job=${job.id}`}
            className="inline-flex min-h-11 items-center bg-jade px-5 font-semibold text-on-jade no-underline"
          >
            Make a quick sheet
          </Link>
          <Link to="/" className="inline-flex min-h-11 items-center px-3 text-ink">
            Back to Today
          </Link>
        </p>
      </main>
    );
  }
  return (
    <JobProvider key={job.id} job={job} written={presentEdition(job.sheet)}>
      <JobFrame />
    </JobProvider>
  );
}

const lifted = new WeakMap<WrittenSheet, WrittenSheet>();

/** What this device kept from before may be a sheet of an earlier edition. */
function presentEdition(sheet: WrittenSheet): WrittenSheet {
  const known = lifted.get(sheet) ?? (liftSheet(sheet).value as WrittenSheet);
  lifted.set(sheet, known);
  return known;
}

/** The part decided on: said to be in, and then what was bad is measured again. */
import { proofOf, type Taken } from '@jeitinho/core/job';
import { isMeasured } from '@jeitinho/core/sheet';
import { Link } from 'react-router';
import { clockTime } from '../../data/now';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';
import { placePath } from '../job/paths';

export function FittedPanel({ part }: { part: string }) {
  const { job, sheet, state, record } = useJob();
  const name = sheet.parts.find(({ id }) => id === part)?.name ?? part;
  const proof = proofOf(state);
  const isIn = proof?.fitted.body.part === part;
  return (
    <section aria-labelledby="fitted" className="mt-5 border border-hair bg-card px-4 py-3">
      <h2 id="fitted" className="m-0 text-[17px] font-bold">
        {isIn
          ? `${name} fitted at ${clockTime(proof.fitted.at)}`
          : `When ${name.toLowerCase()} is in`}
      </h2>
      {!isIn && (
        <>
          <p className="m-0 text-[15px] text-soft">
            Fit it as the maker describes, on the machine proven dead; then measure again what was
            bad.
          </p>
          <p className="m-0 mt-2">
            <Button onClick={() => void record('fitted', { part, note: '' })}>
              Fitted: {name.toLowerCase()}
            </Button>
          </p>
        </>
      )}
      {isIn && (
        <>
          <p role="status" className="m-0 font-semibold">
            {proof.proven
              ? 'Everything that was bad is good now: the repair is proven.'
              : proof.bad.length > 0
                ? 'Not mended: what was measured since is still bad.'
                : 'Not proven yet. Measure again:'}
          </p>
          <ul className="m-0 list-none p-0">
            {proof.owed.map((taken) => (
              <Line key={taken.observable} job={job.id} taken={taken} words="to measure again" />
            ))}
            {proof.bad.map((taken) => (
              <Line key={taken.observable} job={job.id} taken={taken} words="still bad" />
            ))}
            {proof.good.map((taken) => (
              <Line key={taken.observable} job={job.id} taken={taken} words="good now" />
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Line({ job, taken, words }: { job: string; taken: Taken; words: string }) {
  const point =
    taken.kind !== 'answer' && isMeasured(taken.test) && taken.test.points.length > 1
      ? `, ${taken.point.name ?? taken.point.id}`
      : '';
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <Link
        className="inline-flex min-h-11 items-center"
        to={placePath(job, { stage: 'measure', observable: taken.observable })}
      >
        {taken.test.title}
        {point}
      </Link>
      <span className="text-[15px] text-soft">{words}</span>
    </li>
  );
}

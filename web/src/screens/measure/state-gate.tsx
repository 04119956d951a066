/** Why this test cannot be done in the machine's present state, and the way to the one it needs. */
import type { Refusal, SheetState } from '@jeitinho/core';
import { Link } from 'react-router';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export interface StateGateProps {
  readonly refusal: Refusal;
  readonly state: SheetState;
  readonly onLive: () => void;
}

export function StateGate({ refusal, state, onLive }: StateGateProps) {
  const { job, sheet } = useJob();
  if (refusal.code === 'dead-not-proven') {
    return (
      <div role="alert" className="mb-4 border-l-4 border-brick bg-brick-tint px-4 py-3">
        <p className="m-0 text-[18px] font-semibold">{refusal.message}</p>
        <p className="m-0 mt-2">
          <Link
            to={`/jobs/${job.id}/safe`}
            className="inline-flex min-h-11 items-center bg-jade px-5 font-semibold text-on-jade no-underline"
          >
            To Make safe
          </Link>
        </p>
      </div>
    );
  }
  return (
    <section
      aria-label="Live work"
      className="mb-4 border-l-4 border-brick bg-brick-tint px-4 py-3"
    >
      <p role="alert" className="m-0 text-[18px] font-semibold">
        {refusal.message}
      </p>
      <ul className="m-0 mt-1 list-none p-0">
        {sheet.safety.liveCautions?.map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>
          Up to {sheet.safety.volts} V on this unit. The maker’s instructions and local rules come
          first.
        </li>
      </ul>
      {state.enter && <p className="m-0 mt-2 font-semibold">{state.enter.join(' ')}</p>}
      <Button kind="danger" className="mt-3" hint="Enter" onClick={onLive}>
        {refusal.code === 'not-live'
          ? 'Precautions taken: unit is live again'
          : 'Precautions taken: work live'}
      </Button>
    </section>
  );
}

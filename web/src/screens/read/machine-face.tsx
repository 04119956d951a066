/** The face of the simulated machine: its display, and what is seen and heard standing before it. */
import type { Face } from '@jeitinho/core/bench';
import { connectMeter, handOn, useMeterFeed } from '../../data/meter/feed';
import { simulatedPort } from '../../data/meter/simulated-port';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export function MachineFace() {
  const { job } = useJob();
  const { kind, job: own, status, face } = useMeterFeed();
  if (!job.bench) return null;
  const connected = kind === 'simulated' && own === job.id && status === 'on';
  const look = async () => {
    if (!connected) await connectMeter(simulatedPort(job.id), job.id);
    handOn({ do: 'face' });
  };
  return (
    <section aria-label="The simulated machine" className="mt-5 border border-hair bg-card p-4">
      <div className="flex flex-wrap items-center gap-4">
        <Button onClick={() => void look()}>
          {face ? 'Look again' : 'Look at the simulated machine'}
        </Button>
        <div role="status" className="min-w-0 flex-1">
          {connected && face && <Drawn face={face} />}
        </div>
      </div>
    </section>
  );
}

function Drawn({ face }: { readonly face: Face | 'dark' }) {
  if (face === 'dark')
    return <p className="m-0">It has no power: its face is dark. Read it before it is isolated.</p>;
  return (
    <div className="flex flex-wrap items-center gap-5">
      <Display {...face} />
      {face.signs.length > 0 && (
        <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-3 text-[15px]">
          {face.signs.map(({ asks, answer }) => (
            <div key={asks} className="contents">
              <dt className="text-soft">{asks}</dt>
              <dd className="m-0 font-semibold">{answer}</dd>
            </div>
          ))}
        </dl>
      )}
    </div>
  );
}

/** Digits in their window; where a lamp says it, the lamp and its count. */
function Display({ code, shown }: Face) {
  if (code === undefined) return <p className="m-0">It shows no code.</p>;
  const lamp = shown === 'blinks' || shown === 'light';
  return (
    <p className="m-0 flex items-center gap-3">
      {lamp && (
        <span aria-hidden="true" className="h-6 w-6 rounded-full border-2 border-ink bg-marigold" />
      )}
      <span className="text-[14px] text-soft">
        {lamp ? 'Its lamp blinks' : 'Its display shows'}
      </span>
      <span className="figure border-4 border-ink bg-ink px-4 py-1 text-[34px] leading-tight font-bold text-paper">
        {code}
      </span>
    </p>
  );
}

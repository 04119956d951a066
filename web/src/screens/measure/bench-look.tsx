/** What the simulated machine shows to eyes, ears and hands: the technician still answers. */
import { handOn, useMeterFeed } from '../../data/meter/feed';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export function BenchLook({ test }: { test: string }) {
  const { job } = useJob();
  const feed = useMeterFeed();
  if (feed.kind !== 'simulated' || feed.job !== job.id || feed.status !== 'on') return null;
  const found = feed.looks[test];
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <Button onClick={() => handOn({ do: 'look', test })}>Look at the simulated machine</Button>
      <p role="status" className="m-0 text-[16px]">
        {found && (
          <>
            You find: <strong>{found}</strong>
          </>
        )}
      </p>
    </div>
  );
}

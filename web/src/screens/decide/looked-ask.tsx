/** Whether the complaint was seen on site: asked once an epoch, after a state that could show it. */
import { inShowingState, lookSince } from '@jeitinho/core/job';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export interface LookedAskProps {
  /** Before any state was entered that could show it: seeing it counts, not seeing it says nothing yet. */
  readonly early?: boolean;
  /** It runs to be proven: not seeing it says something, whatever state it is in. */
  readonly running?: boolean;
}

export function LookedAsk({ early = false, running = false }: LookedAskProps) {
  const { state, record } = useJob();
  const answered = lookSince(state);
  const entered =
    running || state.entered !== undefined || state.taken.some(({ situation }) => situation.state);
  if (!answered && !entered && !early) return null;
  return (
    <section
      aria-label="The complaint"
      className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border border-hair bg-card px-4 py-2"
    >
      <p className="m-0 min-w-0 flex-1">
        <strong>{state.complaint || 'The complaint'}</strong>{' '}
        <span className="text-soft">
          {answered
            ? answered.body.seen
              ? 'was seen here.'
              : inShowingState(state.looked, answered)
                ? 'was looked for, and not seen.'
                : 'was not seen, in another state than the one that had shown it. Look for it there.'
            : entered
              ? 'Was it seen here?'
              : 'Do you see it yourself? It decides much.'}
        </span>
      </p>
      <span className="flex gap-2">
        <Button
          aria-pressed={answered?.body.seen === true}
          onClick={() => void record('looked', { seen: true })}
        >
          Seen
        </Button>
        {(entered || answered) && (
          <Button
            aria-pressed={answered?.body.seen === false}
            onClick={() => void record('looked', { seen: false })}
          >
            Not seen
          </Button>
        )}
      </span>
    </section>
  );
}

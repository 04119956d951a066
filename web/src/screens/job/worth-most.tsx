/** What is worth most to do next, why, what it takes, and what comes after it; or that it is time to decide. */
import type { Advice } from '@jeitinho/core/diagnose';
import { Link, useLocation } from 'react-router';
import { useGoingOn } from '../../data/going-on';
import { useOwnWay } from '../../data/own-way';
import { LINK } from '../../parts/link';
import { useWriting } from './job-context';
import { SCHOOL_WORDS } from './school-words';
import { placePath, stagePath } from './paths';
import { useLastAdvice } from './advice';

/** Where one thinks about what to find out; making safe, mending and signing have their own next. */
const THINKING = new Set(['arrive', 'read', 'measure', 'decide', 'prove']);

export function WorthMost() {
  const stage = useLocation().pathname.split('/').at(-1) ?? '';
  return THINKING.has(stage) ? <Said stage={stage} /> : null;
}

function Said({ stage }: { readonly stage: string }) {
  const { job } = useWriting();
  const { advised, fresh = false } = useLastAdvice() ?? {};
  const [first, second] = advised?.tests ?? [];
  const { turn } = useOwnWay(job.id);
  const by = SCHOOL_WORDS[useGoingOn()].over;
  const over = first && advised?.pinned === first.test.id ? 'You want it next' : by;
  return (
    <section
      aria-label={by}
      aria-busy={!fresh}
      className="mt-3 border-l-4 border-jade bg-jade-tint px-3 py-2 text-[15px]"
    >
      {!advised ? (
        <p className="m-0 text-soft">Reckoning what is worth most …</p>
      ) : advised.stop || !first ? (
        <>
          <strong>Measuring more is not worth it.</strong>{' '}
          {first
            ? 'It would cost more than it could save.'
            : advised.putOff.length > 0
              ? 'What is left you put off.'
              : 'Nothing is left to take.'}{' '}
          {stage !== 'decide' && (
            <Link to={stagePath(job.id, 'decide')} className={LINK}>
              Time to decide
            </Link>
          )}
        </>
      ) : (
        <>
          <p className="m-0 flex items-center justify-between gap-3 text-soft">
            {over}
            <button
              type="button"
              aria-label={`Not now: ${first.test.title}`}
              onClick={() => turn('put-off', first.test.id)}
              className="min-h-11 min-w-11 cursor-pointer text-[14px] text-soft underline decoration-hair underline-offset-4"
            >
              Not now
            </button>
          </p>
          <GoTo advice={first} big />
          <p className="m-0">{reasonOf(first)}</p>
          {second && (
            <p className="m-0 mt-1 text-soft">
              Next best: <GoTo advice={second} />
            </p>
          )}
        </>
      )}
      {advised && advised.putOff.length > 0 && (
        <p className="m-0 mt-1 text-soft">
          Later:{' '}
          {advised.putOff.map(({ test }, i) => (
            <span key={test.id}>
              {i > 0 && ', '}
              <button
                type="button"
                aria-label={`Take up again: ${test.title}`}
                onClick={() => turn('put-off', test.id)}
                className="min-h-11 cursor-pointer text-ink underline decoration-hair underline-offset-4"
              >
                {test.title}
              </button>
            </span>
          ))}
        </p>
      )}
    </section>
  );
}

function GoTo({ advice, big = false }: { readonly advice: Advice; readonly big?: boolean }) {
  const { job } = useWriting();
  const to = placePath(job.id, { stage: 'measure', observable: advice.step.observable });
  return (
    <Link to={to} className={`${LINK} ${big ? 'text-[17px] font-semibold' : ''}`}>
      {advice.test.title}, {minutesWords(advice.effort.minutes)}
    </Link>
  );
}

const minutesWords = (minutes: number): string =>
  minutes < 1 ? 'under a minute' : `${Math.round(minutes)} min`;

/** One sentence or two: what it tells, what comes before it, what it takes beside the measuring. */
function reasonOf({ tells, before, effort }: Advice): string {
  const [one, other] = tells;
  const said = [
    one &&
      (other ? `It tells “${one.name}” from “${other.name}”.` : `It speaks about “${one.name}”.`),
    before.length > 0 && `First ${before.map(({ title }) => title).join(', ')}.`,
    effort.also.length > 0 && `It takes: ${effort.also.join(', ')}.`,
  ];
  return said.filter(Boolean).join(' ');
}

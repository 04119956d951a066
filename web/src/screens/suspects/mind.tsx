/** What would change my mind: what is still to come and could turn it, and what it all hangs on. */
import { whatWouldChange, type InFull } from '@jeitinho/core/diagnose';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { percent } from '../../parts/percent';
import { LINK } from '../../parts/link';
import { evidenceWords } from '../job/evidence-words';
import { useJob, useSettled } from '../job/job-context';
import { placePath } from '../job/paths';
import { observableSaid, outcomeSaid } from './outcome-said';
import { whoWords } from './who-words';

const SHOWN = 4;

export function Mind({ full }: { readonly full: InFull }) {
  const { job } = useJob();
  const { sheet, state } = useSettled();
  const turns = useMemo(() => whatWouldChange(sheet, state).slice(0, SHOWN), [sheet, state]);
  const [first] = full.suspects;
  if (!first) return null;
  return (
    <section aria-labelledby="mind-title" className="mt-6">
      <h2 id="mind-title" className="m-0 text-[19px] font-bold">
        What would change my mind
      </h2>
      {turns.length === 0 ? (
        <p className="m-0 mt-1">
          No single test that is left would put somebody else before “{whoWords(first)}”.
        </p>
      ) : (
        <ul className="m-0 mt-1 list-none p-0">
          {turns.map(({ test, before, step, observable, outcome, chance, then, left }) => (
            <li key={observable} className="border-b border-hair py-1.5">
              <Link
                to={placePath(job.id, { stage: 'measure', observable: step.observable })}
                className={`${LINK} font-semibold`}
              >
                {observableSaid(test, observable)}
              </Link>{' '}
              {before.length > 0 && `(after ${before.map(({ title }) => title).join(', ')}) `}
              <strong>{outcomeSaid(test, outcome)}</strong>: then <strong>{whoWords(then)}</strong>{' '}
              stands first with <span className="figure">{percent(then.p)}</span>, and{' '}
              <span className="figure">{percent(left)}</span> is left of “{whoWords(first)}”.{' '}
              <span className="text-soft">
                Chance of it: <span className="figure">{percent(chance)}</span>.
              </span>
            </li>
          ))}
        </ul>
      )}
      {full.hangsOn.length > 0 && (
        <div className="mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
          <p className="m-0">
            <strong>
              It hangs on {full.hangsOn.length === 1 ? 'one finding' : 'each of these'}.
            </strong>{' '}
            Were it wrong, somebody else would stand first: repeat it before a part is condemned.
          </p>
          <ul className="m-0 mt-1 pl-5">
            {full.hangsOn.map(({ item, instead }, i) => (
              <li key={i}>
                Without {evidenceWords(item)}: {whoWords(instead)},{' '}
                <span className="figure">{percent(instead.p)}</span>.
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

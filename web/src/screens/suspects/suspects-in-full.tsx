/** Suspects in full: every finding against everyone, how belief moved, what would change it, two side by side. */
import { headlineOf, inFull, whoKey } from '@jeitinho/core/diagnose';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { percent } from '../../parts/percent';
import { headlineWords } from '../decide/headline-words';
import { LINK } from '../../parts/link';
import { useAssessment, useJob, useSettled } from '../job/job-context';
import { stagePath } from '../job/paths';
import { BeliefChart } from './belief-chart';
import { CompareTwo } from './compare-two';
import { EvidenceTable } from './evidence-table';
import { Mind } from './mind';
import { whoWords } from './who-words';

/** Columns that a tablet shows side by side. */
const SHOWN = 5;

export function SuspectsInFull() {
  const { job } = useJob();
  const { sheet, state } = useSettled();
  const assessment = useAssessment();
  const full = useMemo(() => inFull(sheet, state), [sheet, state]);
  const [all, setAll] = useState(false);
  const shown = all ? full.suspects : full.suspects.slice(0, SHOWN);
  const [first] = full.suspects;
  return (
    <div className="relative min-h-0 flex-1 overflow-y-auto px-6 py-5 max-lg:px-4">
      <p className="m-0">
        <Link to={stagePath(job.id, 'measure')} className={LINK}>
          ‹ Back to measuring
        </Link>
      </p>
      <h1 className="m-0 text-[25px] font-bold">{headlineWords(headlineOf(assessment))}</h1>
      {first && (
        <p className="m-0 mt-1 text-[17px]">
          Likeliest: <strong>{whoWords(first)}</strong>,{' '}
          <span className="figure">{percent(first.p)}</span>.
        </p>
      )}
      {full.rows.length === 0 ? (
        <p className="m-0 mt-4 border-l-4 border-hair bg-card px-4 py-3">
          Nothing has been found yet. What stands here comes from the sheet: how often each was to
          blame. Every reading, code and answer will get a row of its own, with what it says about
          each suspect.
        </p>
      ) : (
        <>
          <EvidenceTable full={full} shown={shown} />
          {full.suspects.length > SHOWN && (
            <label className="mt-1 flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                checked={all}
                onChange={(event) => setAll(event.target.checked)}
                className="size-5 accent-jade"
              />
              All {full.suspects.length} suspects
            </label>
          )}
          <BeliefChart full={full} shown={full.suspects.slice(0, SHOWN)} />
        </>
      )}
      <Mind full={full} />
      <CompareTwo key={full.suspects.slice(0, 2).map(whoKey).join()} full={full} />
    </div>
  );
}

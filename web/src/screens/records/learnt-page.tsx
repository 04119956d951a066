/** A model, as the shop knows it: odds old and new, what to tell the sheet's author, parts, readings over the years. */
import type { LearntResource } from '@jeitinho/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ApiProblem, ask } from '../../data/api';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { percent } from '../../parts/percent';
import { NotHere } from '../not-here';
import { AdoptOdds } from './adopt-odds';
import { OddsRows } from './odds-rows';
import { PatternCard } from './pattern-card';
import { Part } from './part';
import { SmallTable } from './small-table';
import { NOTHING } from './table-rows';
import { ToAuthor } from './to-author';
import { Years } from './years';

export function LearntPage() {
  const { sheetId = '' } = useParams();
  const learnt = useQuery({
    queryKey: ['sheets', sheetId, 'learnt'],
    queryFn: () => ask('learnt', { params: { id: sheetId } }),
    retry: false,
  });
  if (learnt.isPending)
    return (
      <DeskFrame wide>
        <p className="text-soft">Reckoning …</p>
      </DeskFrame>
    );
  if (!learnt.data)
    return learnt.error instanceof ApiProblem ? (
      <NotHere
        what="There is no such sheet"
        detail="It may be mistyped, or belong to another shop."
      />
    ) : (
      <NotHere what="This cannot be shown now" detail="The server does not answer." />
    );
  return <Learnt learnt={learnt.data} />;
}

function Learnt({ learnt }: { readonly learnt: LearntResource }) {
  const { sheet, title, maker, models, units, jobs, calledBack, gone, seldom, faults, patterns } =
    learnt;
  const path = `/sheets/${encodeURIComponent(sheet)}`;
  const years = useQuery({
    queryKey: ['sheets', sheet, 'years'],
    queryFn: () => ask('modelYears', { params: { id: sheet } }),
  });
  return (
    <DeskFrame wide>
      <p className="m-0 text-[14px]">
        <Link to="/sheets" className="text-soft">
          Sheets
        </Link>{' '}
        ·{' '}
        <Link to={path} className="text-soft">
          {title}
        </Link>
      </p>
      <h1 className="m-0 text-[25px] leading-tight font-bold">What we learnt: {title}</h1>
      <p className="m-0 text-soft">
        {maker} {models.join(', ')} · {many(units, 'unit', 'units')} here
      </p>
      <Part title="Odds">
        <p className="m-0 max-w-prose">
          {jobs === 0
            ? 'No job was proven yet: the sheet’s own odds stand alone.'
            : `${jobs === 1 ? 'One proven job counts' : `${jobs} proven jobs count`}; the sheet’s own odds weigh as much as twenty.`}{' '}
          {calledBack > 0 &&
            `${many(calledBack, 'job', 'jobs')} came back within 90 days and ${calledBack === 1 ? 'counts' : 'count'} for nothing. `}
          {gone > 0 &&
            `${many(gone, 'job', 'jobs')} had a fault that this revision of the sheet does not know.`}
        </p>
        <p className="m-0 text-[14px] text-soft">
          Odds: of a hundred failures, how many are this one. Copper: by the sheet. Green: by what
          was learnt; the line is where it lies with 90 % certainty.
        </p>
        {seldom.map(({ part, name, led, proven }) => (
          <p key={part} className="m-0 mt-2 max-w-prose border-l-4 border-marigold pl-3">
            Set aside: {name} led in {many(led, 'job', 'jobs')} and was proven in{' '}
            {proven === 0 ? 'none' : proven}. What is handed over proves nothing, so its faults keep
            the sheet’s share.
          </p>
        ))}
        <OddsRows faults={faults} />
        <AdoptOdds learnt={learnt} />
      </Part>
      {patterns.length > 0 && (
        <Part title="What comes together">
          {patterns.map((each) => (
            <PatternCard
              key={`${each.by} ${each.group} ${each.what}`}
              pattern={each}
              currency={learnt.currency}
            />
          ))}
        </Part>
      )}
      <Part title="For the author of the sheet">
        <ToAuthor learnt={learnt} />
      </Part>
      <Part title="How parts and repairs fared">
        <Fared learnt={learnt} />
      </Part>
      {learnt.calibration && (
        <Part title="How right were we">
          <p className="m-0">
            Called {percent(learnt.calibration.said)} on average, so in{' '}
            {percent(learnt.calibration.was)} of {many(learnt.calibration.count, 'job', 'jobs')};
            Brier score <span className="figure">{learnt.calibration.brier.toFixed(3)}</span> (0 is
            always right, 0.250 what half and half gets).{' '}
            <Link to="/records/right" className="text-ink">
              All sheets
            </Link>
          </p>
        </Part>
      )}
      {years.data && <Years years={years.data} whose="model" />}
    </DeskFrame>
  );
}

function Fared({ learnt: { fared } }: { readonly learnt: LearntResource }) {
  if (fared.length === 0)
    return <p className="m-0 text-soft">Nothing was fitted or repaired yet.</p>;
  return (
    <SmallTable
      label="How parts and repairs fared"
      heads={['Part or repair', 'Number', 'Done', 'Proven', 'Came back']}
      rows={fared.map(({ name, number, substitute, done, proven, cameBack }) => [
        name,
        {
          is: [number, substitute && 'substitute'].filter(Boolean).join(', ') || NOTHING,
          shown: (
            <span className="figure">
              {number || NOTHING}
              {substitute && <span className="ml-2 font-sans text-marigold">substitute</span>}
            </span>
          ),
        },
        done,
        proven,
        cameBack,
      ])}
    />
  );
}

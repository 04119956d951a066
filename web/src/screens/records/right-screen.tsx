/** How right were we: what was said against what was proven, by sheet, where somebody chose otherwise, and surprises. */
import type { RightResource } from '@jeitinho/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { ask } from '../../data/api';
import { longDay } from '../../data/now';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';
import { percent } from '../../parts/percent';
import { CalibrationPicture } from './calibration-picture';
import { CellLink } from './cell-link';
import { Part } from './part';
import { SmallTable } from './small-table';
import { SHARE, type Cell } from './table-rows';
import { RecordRooms } from './record-rooms';

export function RightScreen() {
  const right = useQuery({ queryKey: ['right'], queryFn: () => ask('right', {}) });
  return (
    <DeskFrame>
      <RecordRooms />
      <h1 className="m-0 text-[25px] font-bold">How right were we</h1>
      <p className="m-0 max-w-prose text-soft">
        Before hands went in, one part led and was called so likely. Here is how often it had the
        fault, in jobs whose repair was proven.
      </p>
      <Notice
        text={right.isError ? 'This cannot be fetched: the server does not answer.' : undefined}
      />
      {right.data &&
        (right.data.all ? <Told right={right.data} all={right.data.all} /> : <Nothing />)}
      {right.data && <Surprises right={right.data} />}
    </DeskFrame>
  );
}

const share = (is: number): Cell => ({ is, shown: percent(is) });

const Nothing = () => (
  <p className="mt-4 border-l-4 border-jade bg-jade-tint px-4 py-3">
    No job was decided and proven yet. What is signed unproven says nothing: nobody knows.
  </p>
);

function Told({
  right: { bands, unproven, calledBack, sheets, overruled },
  all,
}: {
  readonly right: RightResource;
  readonly all: NonNullable<RightResource['all']>;
}) {
  return (
    <>
      <div className="mt-4 grid gap-6 lg:grid-cols-[minmax(0,460px)_1fr]">
        <CalibrationPicture bands={bands} />
        <div>
          <p className="m-0 text-[20px] leading-snug">
            Called <strong>{percent(all.said)}</strong> on average, so in{' '}
            <strong>{percent(all.was)}</strong> of {many(all.count, 'job', 'jobs')}.
          </p>
          <p className="m-0 mt-1">
            Brier score <strong className="figure">{all.brier.toFixed(3)}</strong>: 0 is always
            right, 0.250 is what half and half gets.
          </p>
          <p className="m-0 mt-1 text-[15px] text-soft">
            Not counted: {many(unproven, 'job', 'jobs')} signed unproven,{' '}
            {many(calledBack, 'job', 'jobs')} that came back within 90 days.
          </p>
          <SmallTable
            label="By how likely it was called"
            heads={['Called', 'Jobs', 'Was so', { name: 'Share', unit: SHARE }]}
            rows={bands.map(({ from, count, right }) => [
              `${Math.round(from * 100)} to ${Math.round(from * 100) + 10}\u2009%`,
              count,
              right,
              share(right / count),
            ])}
          />
        </div>
      </div>
      <Part title="By sheet">
        <SmallTable
          label="By sheet"
          heads={[
            'Sheet',
            'Jobs',
            { name: 'Called', unit: SHARE },
            { name: 'Was so', unit: SHARE },
            'Brier',
          ]}
          rows={sheets.map(({ sheet, title, count, said, was, brier }) => [
            {
              is: title,
              shown: (
                <CellLink to={`/sheets/${encodeURIComponent(sheet)}/learnt`}>{title}</CellLink>
              ),
            },
            count,
            share(said),
            share(was),
            { is: brier, shown: brier.toFixed(3) },
          ])}
        />
      </Part>
      <Part title="Where somebody chose otherwise">
        {overruled.length === 0 ? (
          <p className="m-0 text-soft">Nobody chose another part than the one that led.</p>
        ) : (
          <>
            <p className="m-0 text-soft">
              No ranking: few jobs, and the hard ones are chosen over most. Everybody sees their
              own; a lead sees all, by name.
            </p>
            <SmallTable
              label="Where somebody chose otherwise"
              heads={['Who', 'Jobs', 'Theirs had it', 'Ours had it', 'Neither']}
              rows={overruled.map((each) => [
                each.who,
                each.count,
                each.theirs,
                each.ours,
                each.neither,
              ])}
            />
          </>
        )}
      </Part>
    </>
  );
}

const WHY: Readonly<Record<RightResource['surprises'][number]['why'], string>> = {
  'not-so': 'was sure, and was not so',
  unexpected: 'nobody expected it',
  'came-back': 'came back',
};

function Surprises({ right: { surprises } }: { readonly right: RightResource }) {
  return (
    <Part title="To read again">
      {surprises.length === 0 && <p className="m-0 text-soft">No outcome surprised.</p>}
      <ol className="m-0 list-none p-0">
        {surprises.map(({ job, at, label, site, said, p, was, why }) => (
          <li key={job} className="border-b border-hair">
            <Link
              to={`/jobs/${job}/suspects`}
              className="grid min-h-12 grid-cols-[9.5rem_minmax(0,1fr)_minmax(0,1.4fr)] items-center gap-x-4 py-2 text-ink no-underline max-lg:grid-cols-1"
            >
              <span className="text-[14px] text-soft">{longDay(at)}</span>
              <span>
                {label}, {site}
              </span>
              <span>
                <strong>{WHY[why]}</strong>: said {said} {percent(p)}, done {was || 'nothing'}
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </Part>
  );
}

/** Visits over the years: readings against their limits, codes and parts by time, what came back, how long steps took. */
import type { YearsResource } from '@jeitinho/core';
import { formatQuantity } from '@jeitinho/core';
import { bandWords, verdictWords } from '@jeitinho/core/judge';
import { useState } from 'react';
import { Link } from 'react-router';
import { download } from '../../data/files';
import { longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { many } from '../../parts/many';
import { csvOf } from '../../papers/csv';
import { CellLink } from './cell-link';
import { Part } from './part';
import { SmallTable } from './small-table';
import { NOTHING, type Cell } from './table-rows';
import { ReadingsPicture } from './readings-picture';

type Visit = YearsResource['visits'][number];

export function Years({
  years,
  whose,
}: {
  readonly years: YearsResource;
  readonly whose: 'unit' | 'site' | 'model';
}) {
  const { visits, series, steps, of } = years;
  if (visits.length === 0) return null;
  return (
    <>
      {series.length > 0 && <Readings years={years} whose={whose} />}
      <CodesAndParts visits={visits} whose={whose} />
      <CameBack visits={visits} whose={whose} />
      {steps.length > 0 && (
        <Part title="Time and presses of each step">
          <SmallTable
            label="Time and presses of each step"
            heads={[
              'Step',
              'Visits',
              'Minutes (half took less)',
              'Entries (half had fewer)',
              'Presses (half took fewer)',
            ]}
            rows={steps.map(({ name, visits: count, minutes, entries, presses }) => [
              name,
              count,
              Number(minutes.toFixed(1)),
              Number(entries.toFixed(1)),
              presses === undefined ? NOTHING : Number(presses.toFixed(1)),
            ])}
          />
        </Part>
      )}
      {of > visits.length && (
        <p className="text-soft">
          The newest {visits.length} of {of} visits; older ones are in the{' '}
          <Link to="/records" className="text-soft">
            records
          </Link>
          .
        </p>
      )}
    </>
  );
}

/** Sorted by its moment, read as a day, leading to the visit. */
const dayOfVisit = (job: string, at: string): Cell => ({
  is: at,
  shown: <CellLink to={`/jobs/${job}/sign`}>{longDay(at)}</CellLink>,
  words: longDay(at),
});

function Readings({ years, whose }: { readonly years: YearsResource; readonly whose: string }) {
  const [chosen, setChosen] = useState(0);
  const series = years.series[chosen] ?? years.series[0]!;
  const takeOut = () => {
    const rows = years.series.flatMap(({ title, unit, points }) =>
      points.map(({ at, label, value, verdict, low, high, after }) => [
        ...[at, label, title, after ? 'left' : 'found', value ?? 'OL', unit],
        ...[verdict, low ?? '', high ?? ''],
      ]),
    );
    const fields = ['at', 'machine', 'test', 'as', 'value', 'unit', 'verdict', 'low', 'high'];
    download('readings.csv', csvOf([fields, ...rows]), 'text/csv');
  };
  return (
    <Part title="Readings over the years">
      <div className="flex flex-wrap items-end gap-3">
        <label className="block w-full max-w-[460px] text-[14px] text-soft">
          What was read
          <select
            value={chosen}
            onChange={(event) => setChosen(Number(event.target.value))}
            className={FIELD}
          >
            {years.series.map(({ sheet, observable, title, points, trend }, i) => (
              <option key={`${sheet} ${observable}`} value={i}>
                {title} ({[points.length, trend].filter(Boolean).join(', ')})
              </option>
            ))}
          </select>
        </label>
        <Button onClick={takeOut}>Take them out as CSV</Button>
      </div>
      {series.trend && (
        <p className="m-0 mt-2 border-l-4 border-marigold pl-3">
          It is {series.trend} from visit to visit.
        </p>
      )}
      <ReadingsPicture series={series} />
      <details className="mt-1">
        <summary className="min-h-11 cursor-pointer py-2 text-soft">The same as a table</summary>
        <SmallTable
          label="Readings as a table"
          heads={[
            'When',
            ...(whose === 'unit' ? [] : ['Machine']),
            { name: 'Read', unit: series.unit },
            'Limit then',
            'Verdict',
          ]}
          rows={[...series.points].reverse().map((point) => {
            const { job, at, label, value, low, high, verdict, outcome, after } = point;
            const how = verdictWords({ verdict, outcome, edge: false });
            return [
              dayOfVisit(job, at),
              ...(whose === 'unit' ? [] : [label]),
              value === null
                ? 'OL'
                : { is: value, shown: formatQuantity(value, series.unit as 'V') },
              bandWords(low, high, series.unit as 'V') || '–',
              after ? `${how}, as it was left` : how,
            ];
          })}
        />
      </details>
    </Part>
  );
}

function CodesAndParts({
  visits,
  whose,
}: {
  readonly visits: readonly Visit[];
  readonly whose: string;
}) {
  return (
    <Part title="Codes and parts">
      <SmallTable
        label="Codes and parts"
        wide
        heads={[
          'When',
          ...(whose === 'unit' ? [] : ['Machine']),
          'Codes',
          'Done',
          'Number, batch, from',
          'Proven',
        ]}
        rows={visits.map(({ job, at, label, codes, done, proven, ending }) => [
          dayOfVisit(job, at),
          ...(whose === 'unit' ? [] : [label]),
          codes.join(', ') || '–',
          done.map(({ name }) => name).join(', ') || ending || '–',
          done
            .map(({ number, batch, supplier }) =>
              [number, batch && `batch ${batch}`, supplier].filter(Boolean).join(', '),
            )
            .filter(Boolean)
            .join('; ') || '–',
          proven ? 'yes' : 'no',
        ])}
      />
    </Part>
  );
}

/** The same again is another matter than something else. */
function whyWords({ done, cameBack }: Visit): string {
  const [first] = done;
  if (!cameBack) return '';
  if (cameBack.done === '') return 'still open';
  return first && cameBack.done.toLowerCase().includes(first.name.toLowerCase())
    ? `the same again: ${cameBack.done}`
    : cameBack.done;
}

function CameBack({
  visits,
  whose,
}: {
  readonly visits: readonly Visit[];
  readonly whose: string;
}) {
  const back = visits.filter(({ cameBack }) => cameBack);
  return (
    <Part title="Came back within 90 days">
      {back.length === 0 ? (
        <p className="m-0 text-soft">Nothing did, of {many(visits.length, 'visit', 'visits')}.</p>
      ) : (
        <ol className="m-0 list-none p-0">
          {back.map((visit) => (
            <li key={visit.job} className="border-b border-hair py-2">
              <p className="m-0">
                <Link to={`/jobs/${visit.cameBack!.job}/sign`} className="text-ink">
                  {longDay(visit.cameBack!.at)}, after {many(visit.cameBack!.days, 'day', 'days')}
                </Link>
                {whose !== 'unit' && `, ${visit.label}`}: “{visit.cameBack!.complaint}” Before it:{' '}
                {visit.done.map(({ name }) => name).join(', ')}. Then: {whyWords(visit)}.
              </p>
            </li>
          ))}
        </ol>
      )}
    </Part>
  );
}

/** Tables of everything that was done: filtered by words, sorted by a press on a heading, taken out as CSV. */
import {
  LONGEST_SEARCH,
  pathOf,
  RECORD_TABLES,
  type RecordsResource,
  type RecordTable,
} from '@jeitinho/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ask } from '../../data/api';
import { longDay, momentWords } from '../../data/now';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { FIELD } from '../../parts/field';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';
import { CellLink } from './cell-link';
import { RecordRooms } from './record-rooms';
import { SortHead } from './sort-head';

const NAMES: Readonly<Record<RecordTable, string>> = {
  visits: 'Visits',
  parts: 'Parts and work',
  'came-back': 'Came back within 90 days',
  units: 'Units',
};
const PAGE = 100;
/** Never broken: a serial number in two lines is two numbers. */
const SHORT: ReadonlySet<string> = new Set(['model', 'serial', 'number', 'batch', 'technician']);

export function RecordsScreen() {
  const [params, setParams] = useSearchParams();
  const table = RECORD_TABLES.find((each) => each === params.get('table')) ?? 'visits';
  const [words, setWords] = useState(params.get('q') ?? '');
  const q = useDeferredValue(words.trim());
  const sort = params.get('sort') ?? undefined;
  const order = params.get('order') === 'down' ? ('down' as const) : ('up' as const);
  const from = Number(params.get('from') ?? 0) || 0;
  const change = (next: Readonly<Record<string, string | undefined>>) =>
    setParams(
      (before) => {
        for (const [name, value] of Object.entries(next))
          if (value === undefined) before.delete(name);
          else before.set(name, value);
        return before;
      },
      { replace: true },
    );
  // Only what was typed since goes into the address, so that it can be shown to somebody.
  useEffect(() => {
    if (q !== (params.get('q') ?? '')) change({ q: q || undefined, from: undefined });
  });
  const query = { ...(q && { q }), ...(sort && { sort, order }), ...(from && { from }) };
  const records = useQuery({
    queryKey: ['records', table, query],
    queryFn: () => ask('records', { params: { table }, query }),
    placeholderData: keepPreviousData,
  });
  const { data } = records;
  return (
    <DeskFrame wide>
      <RecordRooms />
      <h1 className="m-0 text-[25px] font-bold">Records</h1>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <fieldset className="m-0 flex flex-wrap gap-2 border-0 p-0">
          <legend className="text-[14px] text-soft">Table</legend>
          {RECORD_TABLES.map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={each === table}
              onClick={() =>
                change({
                  ...{ table: each, sort: undefined, order: undefined, from: undefined },
                })
              }
              className="min-h-12 cursor-pointer border border-soft bg-card px-4 aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint aria-pressed:font-semibold"
            >
              {NAMES[each]}
            </button>
          ))}
        </fieldset>
        <label className="block w-full max-w-[340px] text-[14px] text-soft">
          Only rows with
          <input
            type="search"
            value={words}
            maxLength={LONGEST_SEARCH}
            onChange={(event) => setWords(event.target.value)}
            className={FIELD}
          />
        </label>
        <a
          href={`/api/v1${pathOf('recordsCsv', { table }, { ...(q && { q }), ...(sort && { sort, order }) })}`}
          download={`${table}.csv`}
          className="inline-flex min-h-12 items-center border border-soft bg-card px-4 text-ink no-underline"
        >
          Take it out as CSV
        </a>
      </div>
      <Notice
        text={
          records.isError ? 'The records cannot be fetched: the server does not answer.' : undefined
        }
      />
      {data && (
        <>
          <Rows
            data={data}
            sort={sort}
            order={order}
            onSort={(id) =>
              change({
                ...{ sort: id, from: undefined },
                order: sort === id && order === 'up' ? 'down' : 'up',
              })
            }
          />
          <Pages
            of={data.of}
            from={from}
            onFrom={(next) => change({ from: next ? String(next) : undefined })}
          />
        </>
      )}
    </DeskFrame>
  );
}

type Column = RecordsResource['columns'][number];
type Cell = RecordsResource['rows'][number]['cells'][number];

function Rows({
  data: { columns, rows },
  sort,
  order,
  onSort,
}: {
  readonly data: RecordsResource;
  readonly sort: string | undefined;
  readonly order: 'up' | 'down';
  readonly onSort: (column: string) => void;
}) {
  return (
    <div
      className="relative mt-3 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Rows of the table"
    >
      <table className="w-full min-w-[1120px] border-collapse text-[15px]">
        <thead>
          <tr className="border-b border-ink text-left">
            {columns.map(({ id, name }) => (
              <SortHead
                key={id}
                name={name}
                sorted={sort === id ? order : undefined}
                onPress={() => onSort(id)}
                nowrap
              />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ job, unit, cells }, i) => (
            <tr key={`${job ?? ''} ${unit ?? ''} ${i}`} className="border-b border-hair align-top">
              {columns.map((column, k) => (
                <td
                  key={column.id}
                  className={`py-2 pr-4 ${column.is === 'text' ? (SHORT.has(column.id) ? 'whitespace-nowrap' : '') : 'figure whitespace-nowrap'}`}
                >
                  <CellOf
                    column={column}
                    cell={cells[k] ?? null}
                    job={job}
                    unit={unit}
                    first={k === 0}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The first leads to the visit, the unit's name to its page. */
function CellOf({
  column,
  cell,
  job,
  unit,
  first,
}: {
  readonly column: Column;
  readonly cell: Cell;
  readonly job: string | null;
  readonly unit: string | null;
  readonly first: boolean;
}) {
  const words = wordsOf(column, cell);
  if (column.id === 'label' && unit !== null)
    return <CellLink to={`/units/${unit}`}>{words}</CellLink>;
  if (first && job !== null) return <CellLink to={`/jobs/${job}/sign`}>{words}</CellLink>;
  return <>{words}</>;
}

function wordsOf({ is }: Column, cell: Cell): string {
  if (cell === null || cell === '') return '–';
  if (is === 'yes') return cell === true ? 'yes' : 'no';
  if (is === 'moment') return momentWords(String(cell));
  return is === 'day' ? longDay(String(cell)) : String(cell);
}

function Pages({
  of,
  from,
  onFrom,
}: {
  readonly of: number;
  readonly from: number;
  readonly onFrom: (from: number) => void;
}) {
  const last = Math.min(of, from + PAGE);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <p role="status" className="m-0 text-soft">
        {of <= PAGE
          ? `${many(of, 'row', 'rows')}.`
          : `Rows ${from + 1} to ${last} of ${of.toLocaleString('en-GB')}.`}
      </p>
      {from > 0 && <Button onClick={() => onFrom(Math.max(0, from - PAGE))}>Before</Button>}
      {last < of && <Button onClick={() => onFrom(from + PAGE)}>Further</Button>}
    </div>
  );
}

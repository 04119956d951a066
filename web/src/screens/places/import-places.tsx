/** A list of customers and units brought in: pasted or opened, every row shown before anything goes in. */
import {
  MOST_PLACE_ROWS,
  PLACE_COLUMNS,
  readPlaces,
  type ImportedPlaces,
  type PlaceColumn,
  type PlaceList,
  type PlaceRow,
} from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { ask } from '../../data/api';
import { useDraft } from '../../data/draft';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';
import { TablePaste } from '../../parts/table-paste';
import { readTable } from '../sheets/quick/table-text';

const HEADINGS: Record<PlaceColumn, string> = {
  customer: 'Customer',
  phone: 'Phone',
  site: 'Place',
  address: 'Street',
  town: 'Town',
  label: 'Unit',
  maker: 'Maker',
  model: 'Model',
  serial: 'Serial',
  kind: 'Kind',
  installed: 'Installed',
  warranty: 'Warranty',
};

export function ImportPlaces() {
  const [text, setText] = useDraft('places-list');
  const table = readTable(useDeferredValue(text));
  const list = readPlaces(table.rows);
  const queries = useQueryClient();
  const bringing = useMutation({
    networkMode: 'always',
    mutationFn: () => bringIn(list.rows),
    onSuccess: async () => {
      setText('');
      await queries.invalidateQueries({ queryKey: ['places'] });
      await queries.invalidateQueries({ queryKey: ['units'] });
    },
  });
  const empty = text.trim() === '';
  return (
    <DeskFrame wide>
      <p className="m-0 text-[14px]">
        <Link to="/customers" className="text-soft">
          Customers
        </Link>
      </p>
      <h1 className="m-0 text-[25px] font-bold">Bring in a list</h1>
      <p className="m-0 max-w-prose text-soft">
        One row a unit, with a heading of these: {Object.values(HEADINGS).join(', ')}. Only the
        customer is needed; other columns are left aside.
      </p>
      {bringing.isSuccess && <Brought done={bringing.data} />}
      <Notice
        text={
          bringing.isError
            ? `Not all was brought in; the list is kept here, and what is in already is not brought in twice. ${bringing.error.message}`
            : undefined
        }
      />
      {table.cut > 0 && (
        <Notice
          text={`${table.cut} rows at the end were not read: ${MOST_PLACE_ROWS} are the most at once. Bring them in next.`}
        />
      )}
      <section aria-label="The list" className="mt-4">
        <TablePaste
          text={text}
          onText={setText}
          rows={empty ? 8 : 4}
          open="Open a CSV file"
          file="CSV file"
          clear="Clear the list"
        />
      </section>
      {!empty && (
        <>
          <ListFound list={list} />
          <div className="sticky bottom-0 mt-5 flex flex-wrap items-center justify-between gap-3 border-t border-ink bg-paper py-3">
            <p role="status" className="m-0 text-soft">
              {outcomeWords(list)}
            </p>
            <Button
              kind="go"
              disabled={list.rows.length === 0 || bringing.isPending}
              onClick={() => bringing.mutate()}
            >
              {list.problems.length > 0 ? 'Bring in the others' : 'Bring them in'}
            </Button>
          </div>
        </>
      )}
    </DeskFrame>
  );
}

/** As many as a screen shows; all go in. */
const SHOWN = 100;

/** The server takes half a megabyte at once. */
const AT_ONCE = 500;

/** Piece by piece; a piece that was brought in before is known, and changes nothing. */
async function bringIn(rows: readonly PlaceRow[]): Promise<ImportedPlaces> {
  const sum = { customers: 0, sites: 0, units: 0, known: 0 };
  for (let from = 0; from < rows.length; from += AT_ONCE) {
    const done = await ask('importPlaces', { body: { rows: rows.slice(from, from + AT_ONCE) } });
    sum.customers += done.customers;
    sum.sites += done.sites;
    sum.units += done.units;
    sum.known += done.known;
  }
  return sum;
}

function ListFound({ list: { columns, rows, problems } }: { readonly list: PlaceList }) {
  const used = PLACE_COLUMNS.filter(
    (column) => columns[column] !== undefined || rows.some((row) => row[column] !== ''),
  );
  return (
    <section aria-label="What was read" className="mt-5">
      {problems.length > 0 && (
        <ul className="m-0 mb-3 list-none border-l-4 border-brick bg-brick-tint p-0 px-4 py-2">
          {problems.slice(0, 20).map(({ row, column, message }) => (
            <li key={`${row} ${column}`}>
              Row {row}, {HEADINGS[column].toLowerCase()}: {message}
            </li>
          ))}
          {problems.length > 20 && <li>… and {problems.length - 20} more.</li>}
        </ul>
      )}
      {rows.length > 0 && (
        <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Rows">
          <table className="w-full border-collapse text-[15px]">
            <thead>
              <tr className="border-b border-ink text-left">
                {used.map((column) => (
                  <th key={column} scope="col" className="py-1 pr-4 font-semibold">
                    {HEADINGS[column]}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, SHOWN).map((row, i) => (
                // Rows have no name of their own, and do not move.
                <tr key={i} className="border-b border-hair">
                  {used.map((column) => (
                    <td key={column} className="py-1 pr-4">
                      {row[column]}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function outcomeWords({ rows, problems, repeated, columns }: PlaceList): string {
  if (columns.customer === undefined)
    return 'No column is headed “Customer”: the first row must name the columns.';
  const bad = new Set(problems.map(({ row }) => row)).size;
  return [
    rows.length === 1 ? 'One row can go in' : `${rows.length} rows can go in`,
    bad > 0 && `${bad} cannot`,
    repeated > 0 && `${repeated} said the same twice`,
  ]
    .filter(Boolean)
    .join(', ');
}

const Brought = ({ done }: { readonly done: ImportedPlaces }) => (
  <p role="status" className="mt-3 border-l-4 border-jade bg-jade-tint px-4 py-3">
    Brought in: {many(done.customers, 'customer', 'customers')},{' '}
    {many(done.sites, 'place', 'places')}, {many(done.units, 'unit', 'units')}.
    {done.known > 0 && ` Known, and left as they are: ${many(done.known, 'unit', 'units')}.`}{' '}
    <Link to="/customers">See them</Link>
  </p>
);

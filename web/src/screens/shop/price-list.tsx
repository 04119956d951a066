/** The shop's price list: looked through, brought in and taken out as CSV. What stands in it goes before a sheet's word. */
import { priceTable, readPrices, type PriceRow, type PriceTable } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { ask, askAll } from '../../data/api';
import { useDraft } from '../../data/draft';
import { download } from '../../data/files';
import { useMay } from '../../data/me';
import { priceListOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { hoursWords } from '../../parts/hours';
import { csvOf } from '../../papers/csv';
import { many } from '../../parts/many';
import { money } from '../../parts/money';
import { Notice } from '../../parts/notice';
import { TablePaste } from '../../parts/table-paste';
import { TickLine } from '../../parts/tick-line';
import { readTable } from '../sheets/quick/table-text';

/** Rows that a screen shows; all are there, and found by their words. */
const SHOWN = 40;
const MOST_ROWS = 20_000;

export function PriceList({ currency }: { readonly currency: string }) {
  const mayChange = useMay('setPriceList');
  const [words, setWords] = useState('');
  const wanted = useDeferredValue(words).trim();
  const list = useQuery(priceListOptions(wanted, SHOWN + 1));
  const found = list.data ?? [];
  const [problem, setProblem] = useState<string>();
  const takeOut = async () => {
    try {
      const all = await askAll('priceList', { query: { limit: 200 } });
      setProblem(undefined);
      download('price-list.csv', csvOf(priceTable(all)), 'text/csv');
    } catch {
      setProblem('It could not be taken out: the server does not answer.');
    }
  };
  return (
    <section aria-labelledby="price-list" className="mt-9">
      <h2 id="price-list" className="m-0 text-[20px] font-bold">
        Price list
      </h2>
      <p className="m-0 max-w-prose text-soft">
        Parts by their number: price, stock, lead time, terms. It goes before what a sheet says;
        what lies here needs no order.
      </p>
      <Notice
        text={
          list.isError ? 'The price list cannot be fetched: the server does not answer.' : undefined
        }
      />
      {(found.length > 0 || wanted !== '') && (
        <>
          {/* Above the rows: a press is not lost when they become fewer in that very moment. */}
          <div className="mt-2 flex flex-wrap items-end gap-3">
            <label className="block w-full max-w-[420px] text-[14px] text-soft">
              Find a part
              <input
                type="search"
                value={words}
                onChange={(event) => setWords(event.target.value)}
                className={FIELD}
              />
            </label>
            <Button onClick={() => void takeOut()}>Take it out as CSV</Button>
          </div>
          <Notice text={problem} />
          <Rows rows={found.slice(0, SHOWN)} currency={currency} />
          <p role="status" className="m-0 text-[14px] text-soft">
            {found.length > SHOWN
              ? `${SHOWN} are shown, more are there: say more of it.`
              : `${many(found.length, 'part', 'parts')}.`}
          </p>
        </>
      )}
      {list.isSuccess && found.length === 0 && wanted === '' && (
        <p className="border-l-4 border-jade bg-jade-tint px-4 py-3">
          Nothing is in it yet. Bring in a list of your supplier, or only the parts you often fit: a
          column “number” and a column “price” are enough.
        </p>
      )}
      {mayChange && <BringIn />}
    </section>
  );
}

function Rows({
  rows,
  currency,
}: {
  readonly rows: readonly PriceRow[];
  readonly currency: string;
}) {
  return (
    <div
      className="relative overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Rows of the list"
    >
      <table className="mt-2 w-full border-collapse text-[15px]">
        <thead>
          <tr className="border-b border-ink text-left">
            {['Number', 'Name', 'Price', 'Here', 'Terms'].map((head) => (
              <th key={head} scope="col" className="py-1 pr-4 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.number} className="border-b border-hair">
              <td className="figure py-1.5 pr-4">{row.number}</td>
              <td className="py-1.5 pr-4">{row.name}</td>
              <td className="figure py-1.5 pr-4 whitespace-nowrap">
                {row.price === undefined ? '–' : money(row.price, currency)}
              </td>
              <td className="figure py-1.5 pr-4">{row.stock ?? '–'}</td>
              <td className="py-1.5 text-[14px] text-soft">{termsWords(row)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const termsWords = (row: PriceRow): string =>
  [
    row.leadHours !== undefined && hoursWords(row.leadHours),
    row.returnable === true &&
      `can go back${row.restock === undefined ? '' : `, ${Math.round(row.restock * 100)}% kept`}`,
    row.returnable === false && 'cannot go back',
    row.sendBackDays !== undefined && `send back within ${row.sendBackDays} days`,
    row.partsMonths !== undefined && `${row.partsMonths} months’ warranty`,
    row.labourMonths !== undefined && `${row.labourMonths} months on the work`,
    row.supersededBy && `now ${row.supersededBy}`,
  ]
    .filter(Boolean)
    .join(' · ');

function BringIn() {
  const queries = useQueryClient();
  const [text, setText] = useDraft('price-list');
  const [replace, setReplace] = useState(false);
  const table = readTable(useDeferredValue(text), MOST_ROWS);
  const found = readPrices(table.rows);
  const bringing = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('setPriceList', { body: { rows: [...found.rows], replace } }),
    onSuccess: async () => {
      setText('');
      await queries.invalidateQueries();
    },
  });
  const empty = text.trim() === '';
  return (
    <>
      <details className="mt-3 border border-hair bg-card px-4 py-2" open={!empty || undefined}>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Bring in a list</summary>
        <TablePaste
          text={text}
          onText={setText}
          rows={empty ? 5 : 3}
          open="Open a CSV file"
          file="Price list as CSV"
          clear="Clear the list"
        />
        {!empty && (
          <>
            <Problems found={found} />
            {table.cut > 0 && <Notice text={`${table.cut} rows at the end were not read.`} />}
            <TickLine checked={replace} onChange={setReplace}>
              It is the whole list: what is not in it is put away
            </TickLine>
            <p role="status" className="m-0">
              {readWords(found)}
            </p>
            <Button
              kind="go"
              className="my-2"
              disabled={found.rows.length === 0 || bringing.isPending}
              onClick={() => bringing.mutate()}
            >
              {found.problems.length > 0 ? 'Bring in the others' : 'Bring it in'}
            </Button>
          </>
        )}
        <Notice
          text={
            bringing.isError
              ? `Nothing was brought in; the list is kept here. ${bringing.error.message}`
              : undefined
          }
        />
      </details>
      {bringing.isSuccess && (
        <p role="status" className="border-l-4 border-jade bg-jade-tint px-4 py-3">
          Brought in: {bringing.data.added} new, {bringing.data.changed} changed
          {bringing.data.removed > 0 && `, ${bringing.data.removed} put away`}.
        </p>
      )}
    </>
  );
}

function Problems({ found }: { readonly found: PriceTable }) {
  if (found.problems.length === 0) return null;
  return (
    <ul className="m-0 my-2 list-none border-l-4 border-brick bg-brick-tint px-4 py-2">
      {found.problems.slice(0, 20).map(({ row, column, message }) => (
        <li key={`${row} ${column}`}>
          Row {row}, {column}: {message}
        </li>
      ))}
      {found.problems.length > 20 && <li>… and {found.problems.length - 20} more.</li>}
    </ul>
  );
}

function readWords({ columns, rows, problems, repeated }: PriceTable): string {
  if (!columns.includes('number'))
    return 'No column is headed “number”: the first row must name the columns.';
  const bad = new Set(problems.map(({ row }) => row)).size;
  return [
    `${many(rows.length, 'row', 'rows')} can go in`,
    bad > 0 && `${bad} cannot`,
    repeated.length > 0 && `${repeated.join(', ')} stands more than once: the last holds`,
  ]
    .filter(Boolean)
    .join(', ');
}

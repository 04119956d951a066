/** A small table on a page: sorted by a press on a head, kept by words where it is long, taken out as CSV. */
import { useState } from 'react';
import { download } from '../../data/files';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { many } from '../../parts/many';
import { csvOf } from '../../papers/csv';
import { SortHead } from './sort-head';
import {
  fileRows,
  rowsWith,
  sortedRows,
  type Cell,
  type Head,
  type Rows,
  type Sorting,
} from './table-rows';

/** Fewer are seen at a glance. */
const LONG = 12;

export interface SmallTableProps {
  readonly label: string;
  readonly heads: readonly (string | Head)[];
  readonly rows: Rows;
  /** Long words in many columns: rather sideways than one word a line. */
  readonly wide?: boolean;
  /** Already sorted so. */
  readonly first?: Sorting;
}

export function SmallTable({ label, heads, rows, wide = false, first }: SmallTableProps) {
  const [sorting, setSorting] = useState(first);
  const [words, setWords] = useState('');
  const columns = heads.map((head) => (typeof head === 'string' ? { name: head } : head));
  const kept = rowsWith(rows, words);
  const shown = sorting ? sortedRows(kept, sorting) : kept;
  const press = (column: number) =>
    setSorting({ column, down: sorting?.column === column && !sorting.down });
  const takeOut = () => {
    const name = `${label.toLowerCase().replaceAll(' ', '-')}.csv`;
    download(name, csvOf(fileRows(columns, shown)), 'text/csv');
  };
  return (
    <>
      {rows.length > LONG && (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <label className="flex items-center gap-2 text-[14px] text-soft">
            Only rows with
            <input
              type="search"
              value={words}
              maxLength={100}
              onChange={(event) => setWords(event.target.value)}
              className={`${FIELD} mt-0 max-w-[240px]`}
            />
          </label>
          {words.trim() !== '' && (
            <p role="status" className="m-0 text-[14px] text-soft">
              {many(shown.length, 'row', 'rows')} of {rows.length}.
            </p>
          )}
        </div>
      )}
      <div
        className="relative mt-2 overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label={`${label}: rows`}
      >
        <table className={`w-full border-collapse text-[15px] ${wide ? 'min-w-[640px]' : ''}`}>
          <thead>
            <tr className="border-b border-ink text-left">
              {columns.map(({ name, right = false, drawn }, column) =>
                drawn ? (
                  <th key={name} scope="col" className="w-[34%]">
                    <span className="sr-only">{name}</span>
                  </th>
                ) : (
                  <SortHead
                    key={name}
                    {...{ name, right }}
                    sorted={sorting?.column === column ? (sorting.down ? 'down' : 'up') : undefined}
                    onPress={() => press(column)}
                  />
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {shown.map((row, i) => (
              <tr key={i} className="border-b border-hair align-middle">
                {row.map((cell, k) => (
                  <BodyCell key={columns[k]!.name} head={columns[k]!} cell={cell} first={k === 0} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {rows.length > 1 && (
        <Button kind="quiet" className="-ml-2" aria-label={`${label} as CSV`} onClick={takeOut}>
          As CSV
        </Button>
      )}
    </>
  );
}

/** The first names its row. */
function BodyCell({
  head: { right },
  cell,
  first,
}: {
  readonly head: Head;
  readonly cell: Cell;
  readonly first: boolean;
}) {
  const Tag = first ? 'th' : 'td';
  const figure = typeof cell === 'number' || right ? 'figure' : '';
  return (
    <Tag
      scope={first ? 'row' : undefined}
      className={`py-2 pr-4 font-normal ${right ? 'text-right' : 'text-left'} ${figure}`}
    >
      {typeof cell === 'object' ? cell.shown : cell}
    </Tag>
  );
}

/** The rows as they were understood: what each column means, and what is wrong in which row. */
import { COLUMNS, type Column, type ColumnMap, type RowProblem, type Table } from '@jeitinho/core';

export interface RowGridProps {
  readonly split: Table;
  readonly columns: ColumnMap;
  readonly problems: readonly RowProblem[];
  /** Rows that make sense. */
  readonly read: number;
  readonly onColumn: (column: Column | undefined, at: number) => void;
}

/** More rows than this are read, but not drawn. */
const MOST_DRAWN = 200;

export function RowGrid({ split, columns, problems, read, onColumn }: RowGridProps) {
  const width = Math.max(split.head.length, ...split.rows.map((row) => row.length));
  const meaning = (at: number) => COLUMNS.find((column) => columns[column] === at);
  const at = (row: number) => problems.filter((problem) => problem.row === row);
  const drawn = split.rows
    .map((cells, i) => ({ cells, row: split.firstRow + i }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  return (
    <section aria-label="Rows as understood" className="mt-4">
      <p role="status" className="m-0 mb-1 text-[15px]">
        <strong>{read}</strong> rows understood
        {problems.length > 0 && (
          <span className="text-brick">
            , {problems.length} {problems.length === 1 ? 'problem' : 'problems'}
          </span>
        )}
        . Say what a column means where it was guessed wrong.
      </p>
      <div
        className="max-h-[420px] overflow-auto border border-hair"
        tabIndex={0}
        role="region"
        aria-label="Table"
      >
        <table className="w-full border-collapse bg-card text-[14px]">
          <caption className="sr-only">The table, with the meaning of each column</caption>
          <thead className="sticky top-0 bg-card">
            <tr>
              <th scope="col" className="border border-hair px-2 font-normal text-soft">
                row
              </th>
              {Array.from({ length: width }, (_, i) => (
                <th key={i} scope="col" className="border border-hair p-1 text-left font-normal">
                  <span className="block truncate px-1 text-soft">
                    {split.head[i] || `column ${i + 1}`}
                  </span>
                  <select
                    aria-label={`Meaning of ${split.head[i] || `column ${i + 1}`}`}
                    value={meaning(i) ?? ''}
                    onChange={(event) =>
                      onColumn((event.target.value || undefined) as Column | undefined, i)
                    }
                    className="min-h-11 w-full min-w-28 border border-soft bg-paper px-1 text-ink"
                  >
                    <option value="">left out</option>
                    {COLUMNS.map((column) => (
                      <option key={column} value={column}>
                        {column}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {drawn.slice(0, MOST_DRAWN).map(({ cells, row }) => {
              const wrong = at(row);
              return (
                <RowLines
                  key={row}
                  row={row}
                  cells={cells}
                  width={width}
                  wrong={wrong}
                  columns={columns}
                />
              );
            })}
          </tbody>
        </table>
      </div>
      {drawn.length > MOST_DRAWN && (
        <p className="m-0 text-[14px] text-soft">
          {drawn.length - MOST_DRAWN} further rows are read and not drawn here.
        </p>
      )}
    </section>
  );
}

function RowLines({
  row,
  cells,
  width,
  wrong,
  columns,
}: {
  row: number;
  cells: readonly string[];
  width: number;
  wrong: readonly RowProblem[];
  columns: ColumnMap;
}) {
  const marked = new Set(wrong.map(({ column }) => columns[column]));
  return (
    <>
      <tr>
        <th scope="row" className="figure border border-hair px-2 font-normal text-soft">
          {row}
        </th>
        {Array.from({ length: width }, (_, i) => (
          <td
            key={i}
            className={`border border-hair px-2 py-1 ${marked.has(i) ? 'bg-brick-tint' : ''}`}
          >
            {cells[i]}
          </td>
        ))}
      </tr>
      {wrong.map(({ message }) => (
        <tr key={message}>
          <td />
          <td colSpan={width} className="px-2 pb-1 text-brick">
            ▲ {message}
          </td>
        </tr>
      ))}
    </>
  );
}

/** Where bench and author are furthest apart, first; chosen cells or all become a new revision. */
import type { DictionaryCell } from '@jeitinho/core/bench';
import type { Sheet } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { cellKey, observableWords, sharesWords, WORTH_TELLING } from './cell-words';
import type { HeatTableProps } from './heat-table';

/** Rows shown before somebody asks for the rest. */
const FIRST = 15;

export function Differences({
  sheet,
  cells,
  chosen,
  onToggle,
  onTake,
}: HeatTableProps & { onTake: ((cells: readonly DictionaryCell[]) => void) | undefined }) {
  const [all, setAll] = useState(false);
  const apart = cells.filter((cell) => cell.difference >= WORTH_TELLING);
  const shown = all ? apart : apart.slice(0, FIRST);
  const picked = cells.filter((cell) => chosen.has(cellKey(cell)));
  return (
    <section aria-labelledby="apart" className="mt-6">
      <h2 id="apart" className="m-0 text-[20px] font-bold">
        Furthest apart
      </h2>
      {apart.length === 0 ? (
        <p className="m-0">Bench and author agree everywhere.</p>
      ) : (
        <table className="mt-2 w-full border-collapse bg-card text-[15px]">
          <caption className="sr-only">Cells where bench and author differ most</caption>
          <thead>
            <tr className="text-left text-[14px] text-soft">
              <th scope="col" className="border-b border-ink px-2 py-1 font-normal">
                take
              </th>
              <th scope="col" className="border-b border-ink px-2 font-normal">
                fault
              </th>
              <th scope="col" className="border-b border-ink px-2 font-normal">
                test
              </th>
              <th scope="col" className="border-b border-ink px-2 font-normal">
                the author wrote
              </th>
              <th scope="col" className="border-b border-ink px-2 font-normal">
                the bench reads
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((cell) => (
              <Row
                key={cellKey(cell)}
                sheet={sheet}
                cell={cell}
                on={chosen.has(cellKey(cell))}
                onToggle={onToggle}
              />
            ))}
          </tbody>
        </table>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {!all && apart.length > FIRST && (
          <Button kind="quiet" onClick={() => setAll(true)}>
            Show all {apart.length}
          </Button>
        )}
        {onTake ? (
          <>
            <Button disabled={picked.length === 0} onClick={() => onTake(picked)}>
              Take over {picked.length} chosen
            </Button>
            <Button disabled={cells.length === 0} onClick={() => onTake(cells)}>
              Take over the whole dictionary
            </Button>
            <span className="text-[14px] text-soft">
              Either makes a new revision; the present one stays as it is.
            </span>
          </>
        ) : (
          <span className="text-[15px]">
            This sheet says several machines or circuits at once: write in the editor what is taken
            over.
          </span>
        )}
      </div>
    </section>
  );
}

function Row({
  sheet,
  cell,
  on,
  onToggle,
}: {
  sheet: Sheet;
  cell: DictionaryCell;
  on: boolean;
  onToggle: (key: string) => void;
}) {
  const name = sheet.faults.find(({ id }) => id === cell.fault)?.name ?? cell.fault;
  return (
    <tr className="border-b border-hair">
      <td className="px-2">
        <label className="flex min-h-11 w-11 cursor-pointer items-center justify-center">
          <span className="sr-only">
            Take over {name}, {observableWords(sheet, cell.observable)}
          </span>
          <input
            type="checkbox"
            checked={on}
            onChange={() => onToggle(cellKey(cell))}
            className="h-6 w-6 accent-[var(--jade)]"
          />
        </label>
      </td>
      <td className="px-2">{name}</td>
      <td className="px-2">{observableWords(sheet, cell.observable)}</td>
      <td className="px-2">{sharesWords(cell.written)}</td>
      <td className="px-2 font-semibold">{sharesWords(cell.computed)}</td>
    </tr>
  );
}

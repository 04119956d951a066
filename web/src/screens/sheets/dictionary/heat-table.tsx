/** Faults × tests: what the bench reads, the darker the further from what the author wrote. */
import type { DictionaryCell } from '@jeitinho/core/bench';
import type { Sheet } from '@jeitinho/core/sheet';
import { cellKey, observableWords, sharesWords, worst, WORTH_TELLING } from './cell-words';

export interface HeatTableProps {
  readonly sheet: Sheet;
  readonly cells: readonly DictionaryCell[];
  readonly chosen: ReadonlySet<string>;
  readonly onToggle: (key: string) => void;
}

export function HeatTable({ sheet, cells, chosen, onToggle }: HeatTableProps) {
  const columns = [...new Set(cells.map((cell) => cell.observable))].sort(inSheetOrder(sheet));
  const byKey = new Map(cells.map((cell) => [cellKey(cell), cell]));
  const faults = sheet.faults.filter((fault) => cells.some((cell) => cell.fault === fault.id));
  return (
    <>
      <p className="mt-3 mb-1 text-[14px] text-soft">
        Each cell: what the bench reads, and how often it is not good. The frame’s mark ◆ and its
        tint say how far the author wrote something else. Touch one to choose it.
      </p>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label="Faults by tests"
      >
        <table className="border-collapse bg-card text-[13px]">
          <caption className="sr-only">What the bench makes each fault read at each test</caption>
          <thead>
            <tr>
              <th
                scope="col"
                className="sticky left-0 z-10 border border-hair bg-card px-2 text-left align-bottom font-normal text-soft"
              >
                fault
              </th>
              {columns.map((observable) => (
                <th
                  key={observable}
                  scope="col"
                  title={observableWords(sheet, observable)}
                  className="h-56 min-w-12 border border-hair px-0 align-bottom font-normal"
                >
                  <span className="inline-block max-h-52 rotate-180 truncate px-1 text-left [writing-mode:vertical-rl]">
                    {observableWords(sheet, observable)}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {faults.map((fault) => (
              <tr key={fault.id}>
                <th
                  scope="row"
                  className="sticky left-0 z-10 w-52 border border-hair bg-card px-2 py-1 text-left text-[14px] font-normal max-lg:w-36"
                >
                  {fault.name}
                </th>
                {columns.map((observable) => (
                  <HeatCell
                    key={observable}
                    name={fault.name}
                    words={observableWords(sheet, observable)}
                    cell={byKey.get(`${fault.id} ${observable}`)}
                    chosen={chosen}
                    onToggle={onToggle}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function HeatCell({
  name,
  words,
  cell,
  chosen,
  onToggle,
}: {
  name: string;
  words: string;
  cell: DictionaryCell | undefined;
  chosen: ReadonlySet<string>;
  onToggle: (key: string) => void;
}) {
  if (!cell) return <td className="border border-hair bg-paper" />;
  const key = cellKey(cell);
  const bad = worst(cell.computed);
  const apart = cell.difference >= WORTH_TELLING;
  const heat = Math.round(Math.min(1, cell.difference) * 60);
  if (!bad && !apart) return <td className="border border-hair" />;
  return (
    <td className="border border-hair p-0">
      <button
        type="button"
        aria-pressed={chosen.has(key)}
        aria-label={`${name}, ${words}: bench ${sharesWords(cell.computed)}; author ${sharesWords(cell.written)}`}
        title={`bench: ${sharesWords(cell.computed)}\nauthor: ${sharesWords(cell.written)}`}
        onClick={() => onToggle(key)}
        style={
          apart
            ? { backgroundColor: `color-mix(in srgb, var(--brick) ${heat}%, var(--card))` }
            : undefined
        }
        className={`block min-h-11 w-full cursor-pointer px-1 text-center leading-tight aria-pressed:outline-3 aria-pressed:-outline-offset-3 aria-pressed:outline-jade ${apart ? 'font-semibold' : ''}`}
      >
        {apart && <span aria-hidden="true">◆ </span>}
        {bad ? bad.words : 'good'}
        <span className="figure block text-[12px]">{bad ? Math.round(bad.share * 100) : 100}</span>
      </button>
    </td>
  );
}

/** Columns as the sheet goes: by test, then by the order they came in. */
function inSheetOrder(sheet: Sheet): (a: string, b: string) => number {
  const order = new Map(
    [...sheet.tests.map(({ id }) => id), ...(sheet.sequences ?? []).map(({ id }) => id)].map(
      (id, i) => [id, i],
    ),
  );
  const place = (observable: string) => order.get(observable.split('@')[0]!) ?? Infinity;
  return (a, b) => place(a) - place(b) || (a < b ? -1 : a > b ? 1 : 0);
}

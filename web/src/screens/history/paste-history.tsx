/** Copying a history in: pasted or from a file, read as it is guessed, and what stands in each column corrected. */
import { HISTORY_COLUMNS, readHistory, type HistoryColumn, type HistoryRead } from '@jeitinho/core';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useDraft } from '../../data/draft';
import { localDay } from '../../data/now';
import { readTextFile } from '../../data/files';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';
import { useJob } from '../job/job-context';
import { keptPart } from './kept-part';
import { SPEEDS, useCapture } from './use-capture';

const LOOKED_AT = 6;
/** Characters off the cable; older ones make room. */
const MOST_CAPTURED = 2_000_000;
const LAYOUTS: Readonly<Record<HistoryRead['table']['layout'], string>> = {
  separated: 'a separated list',
  blocks: 'blocks of “key: value”',
  columns: 'columns',
};
const COLUMNS: Readonly<Record<HistoryColumn, string>> = {
  time: 'day or time',
  code: 'code',
  unit: 'circuit or unit',
  text: 'words',
  value: 'figure',
  nothing: 'leave out',
};

/** Here, as the machine’s clock is set. */
const today = () => localDay(Date.now());

export interface PasteHistoryProps {
  readonly again: boolean;
  readonly onKept: () => void;
}

export function PasteHistory({ again, onKept }: PasteHistoryProps) {
  const { job, sheet, record } = useJob();
  const [text, setText] = useDraft(`history.${job.id}`);
  const [source, setSource] = useState('pasted');
  const [columns, setColumns] = useState<readonly HistoryColumn[]>();
  const [newestFirst, setNewestFirst] = useState<boolean>();
  const [problem, setProblem] = useState<string>();
  const file = useRef<HTMLInputElement>(null);
  const settled = useDeferredValue(text);
  const read = useMemo(
    () =>
      settled.trim() === ''
        ? undefined
        : readHistory(sheet, settled, {
            today: today(),
            ...(columns && { columns }),
            ...(newestFirst !== undefined && { newestFirst }),
          }),
    [sheet, settled, columns, newestFirst],
  );
  const kept = useMemo(() => read && keptPart(settled, read.rows), [settled, read]);
  // What is read is of the text as it stands.
  const ready = settled === text && (read?.rows.length ?? 0) > 0;
  const begin = (typed: string, from: string) => {
    setText(typed);
    setSource(from);
    // What was said of the columns of another text is not said of this one.
    setColumns(undefined);
    setNewestFirst(undefined);
  };
  // Pieces come quicker than the screen is drawn: each goes behind what came before it.
  const captured = useRef('');
  const capture = useCapture((piece) => {
    captured.current = `${captured.current}${piece}`.slice(-MOST_CAPTURED);
    setText(captured.current);
  });
  const [speed, setSpeed] = useState<number>(SPEEDS[0]);
  const startCapture = () => {
    captured.current = text === '' || text.endsWith('\n') ? text : `${text}\n`;
    setSource('the service port');
    void capture.start(speed);
  };
  const open = async (chosen: File | undefined) => {
    if (!chosen) return;
    const content = await readTextFile(chosen);
    setProblem(content.ok ? undefined : content.problem);
    if (content.ok) begin(content.text, chosen.name.slice(0, 120));
  };
  const keep = async () => {
    if (!kept || !ready) return;
    const { raw, rows } = kept;
    if (!(await record('history', { source, raw, rows: [...rows] }))) return;
    begin('', 'pasted');
    onKept();
  };
  return (
    <section aria-labelledby="copy-title" className="mt-6 pb-6">
      <h2 id="copy-title" className="m-0 text-[19px] font-bold">
        {again ? 'Copy in another' : 'Copy it in'}
      </h2>
      <Notice
        text={problem ?? capture.problem}
        onClose={() => {
          setProblem(undefined);
          capture.dismiss();
        }}
      />
      <label className="mt-2 block text-[14px] text-soft">
        Paste it as it is printed; any layout
        <textarea
          value={text}
          rows={text === '' ? 5 : 8}
          spellCheck={false}
          wrap="off"
          // What is typed between two pieces off the cable would be lost.
          readOnly={capture.running}
          onChange={(event) => begin(event.target.value, 'pasted')}
          className="figure mt-0.5 block w-full border border-soft bg-card p-2 text-[14px] text-ink"
        />
      </label>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => file.current?.click()}>Open a file</Button>
        <input
          ref={file}
          type="file"
          aria-label="History file"
          accept=".txt,.csv,.log,.tsv,text/*"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            void open(chosen);
          }}
        />
        {capture.possible &&
          (capture.running ? (
            <Button onClick={capture.stop}>Stop capturing</Button>
          ) : (
            <>
              <Button onClick={startCapture}>Capture from the service port</Button>
              <select
                aria-label="Speed of the port, baud"
                value={speed}
                onChange={(event) => setSpeed(Number(event.target.value))}
                className="figure min-h-11 border border-soft bg-card px-2 text-ink"
              >
                {SPEEDS.map((each) => (
                  <option key={each} value={each}>
                    {each}
                  </option>
                ))}
              </select>
            </>
          ))}
        {text !== '' && !capture.running && (
          <Button kind="quiet" onClick={() => begin('', 'pasted')}>
            Clear
          </Button>
        )}
      </div>
      {read && (
        <>
          <p role="status" className="m-0 mt-4 text-[17px]">
            {readWords(read)}
          </p>
          <ColumnHelper read={read} onColumns={setColumns} />
          {!read.timed && read.rows.length > 1 && (
            <label className="mt-2 flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                checked={read.newestFirst}
                onChange={(event) => setNewestFirst(event.target.checked)}
                className="size-5 accent-jade"
              />
              The newest stands on top
            </label>
          )}
          {kept && kept.rows.length < read.rows.length && (
            <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
              One record holds the newest {kept.rows.length}: the older{' '}
              {read.rows.length - kept.rows.length} are left out. Keep the file as well.
            </p>
          )}
          <p className="m-0 mt-3">
            <Button kind="go" disabled={!ready} onClick={() => void keep()}>
              {read.rows.length === 0
                ? 'Say which column has the codes'
                : keepWords(read.rows.length, kept?.rows.length ?? 0)}
            </Button>
          </p>
        </>
      )}
    </section>
  );
}

function readWords({ table, rows, unread, timed, newestFirst }: HistoryRead): string {
  const count = rows.length === 1 ? 'one entry' : `${rows.length} entries`;
  const order = timed ? ` the ${newestFirst ? 'newest' : 'oldest'} on top` : ' without times';
  const left =
    unread.length === 0
      ? ''
      : ` ${unread.length === 1 ? 'One line has' : `${unread.length} lines have`} no code: line ${unread[0]!.line}${unread.length > 1 ? ' and more' : ''}.`;
  return `Read as ${LAYOUTS[table.layout]}: ${count},${order}.${left}`;
}

const keepWords = (read: number, kept: number): string =>
  kept < read
    ? `Keep the newest ${kept}`
    : read === 1
      ? 'Keep this entry'
      : `Keep these ${read} entries`;

interface ColumnHelperProps {
  readonly read: HistoryRead;
  readonly onColumns: (columns: readonly HistoryColumn[]) => void;
}

/** What was guessed of each column stands over it, to be said otherwise. */
function ColumnHelper({ read: { table, columns }, onColumns }: ColumnHelperProps) {
  return (
    <div
      role="group"
      aria-label="What stands in each column"
      tabIndex={0}
      className="relative mt-2 overflow-x-auto border border-hair bg-card"
    >
      <table className="border-collapse text-[14px]">
        <thead>
          <tr>
            {columns.map((column, i) => (
              <th key={i} scope="col" className="p-1 text-left font-normal">
                <select
                  aria-label={`Column ${i + 1}${table.heading[i] ? `, ${table.heading[i]}` : ''}`}
                  value={column}
                  onChange={(event) =>
                    onColumns(
                      columns.map((each, at) =>
                        at === i ? (event.target.value as HistoryColumn) : each,
                      ),
                    )
                  }
                  className="min-h-11 border border-soft bg-paper px-2 text-ink"
                >
                  {HISTORY_COLUMNS.map((each) => (
                    <option key={each} value={each}>
                      {COLUMNS[each]}
                    </option>
                  ))}
                </select>
                {table.heading[i] && (
                  <span className="block px-1 text-soft">{table.heading[i]}</span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.lines.slice(0, LOOKED_AT).map(({ line, cells }) => (
            <tr key={line} className="border-t border-hair">
              {columns.map((_, i) => (
                <td key={i} className="figure max-w-[220px] truncate px-2 py-1">
                  {cells[i]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

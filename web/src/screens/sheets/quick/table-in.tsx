/** Where the table comes in: pasted, opened from a file, or typed row by row. */
import { matchColumns, readRows, splitTable } from '@jeitinho/core';
import { useRef, useState } from 'react';
import { readTextFile } from '../../../data/files';
import { Button } from '../../../parts/button';
import { Notice } from '../../../parts/notice';

const HEADING = 'Connector\tPins\tState\tExpected\tUnit';
const COLUMNS = ['Connector', 'Pins', 'State', 'Expected', 'Unit'] as const;
const EXAMPLES = ['CN2', '1-2', 'standby', '12 ±10%', 'V'];

export interface TableInProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  /** Rows beyond the most that are read. */
  readonly cut: number;
  readonly empty: boolean;
}

export function TableIn({ text, onText, cut, empty }: TableInProps) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const open = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = await readTextFile(chosen);
    setProblem(read.ok ? undefined : read.problem);
    if (read.ok) onText(read.text);
  };
  return (
    <section aria-label="The table" className="mt-4">
      <Notice text={problem} onClose={() => setProblem(undefined)} />
      {cut > 0 && <Notice text={`${cut} rows at the end were not read: 2000 are the most.`} />}
      <label className="block text-[14px] text-soft">
        Paste the rows here, as copied from a spreadsheet
        <textarea
          value={text}
          rows={empty ? 6 : 4}
          spellCheck={false}
          onChange={(event) => onText(event.target.value)}
          className="figure mt-0.5 block w-full border border-soft bg-card p-2 text-[14px] text-ink"
        />
      </label>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => file.current?.click()}>Open a CSV or TSV file</Button>
        <input
          ref={file}
          type="file"
          aria-label="CSV or TSV file"
          accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            void open(chosen);
          }}
        />
        {!empty && (
          <Button kind="quiet" onClick={() => onText('')}>
            Clear the table
          </Button>
        )}
      </div>
      <TypedRow onRow={(cells) => onText(appended(text, cells))} />
    </section>
  );
}

/** A typed row goes below what is there; an empty table gets its heading first. */
function appended(text: string, cells: readonly string[]): string {
  const row = cells.join('\t');
  const before = text.trim() === '' ? HEADING : text.replace(/\s+$/, '');
  return `${before}\n${row}\n`;
}

function TypedRow({ onRow }: { onRow: (cells: readonly string[]) => void }) {
  const [cells, setCells] = useState<readonly string[]>(['', '', '', '', '']);
  const [problem, setProblem] = useState<string>();
  const first = useRef<HTMLInputElement>(null);
  const ready = cells[1]!.trim() !== '' && cells[3]!.trim() !== '';
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!ready) return;
        const typed = cells.map((cell) => cell.trim());
        const wrong = problemIn(typed);
        setProblem(wrong);
        // What is not understood stays where it was typed, to be mended there.
        if (wrong) return;
        onRow(typed);
        // The next row is mostly of the same connector and state.
        setCells([cells[0]!, '', cells[2]!, '', cells[4]!]);
        first.current?.focus();
      }}
    >
      {COLUMNS.map((column, i) => (
        <label key={column} className="min-w-0 flex-1 basis-28 text-[14px] text-soft">
          {column}
          <input
            ref={i === 1 ? first : undefined}
            value={cells[i]}
            placeholder={EXAMPLES[i]}
            autoComplete="off"
            maxLength={80}
            onChange={(event) =>
              setCells(cells.map((cell, at) => (at === i ? event.target.value : cell)))
            }
            className="mt-0.5 block min-h-11 w-full border border-soft bg-card px-2 text-[16px] text-ink"
          />
        </label>
      ))}
      <Button type="submit" disabled={!ready}>
        Add row
      </Button>
      <p role="status" className="m-0 w-full text-[15px] text-brick">
        {problem}
      </p>
    </form>
  );
}

/** What is not understood of one row, by itself. */
function problemIn(cells: readonly string[]): string | undefined {
  const table = splitTable([HEADING.split('\t'), cells]);
  return readRows(table, matchColumns(table)).problems[0]?.message;
}

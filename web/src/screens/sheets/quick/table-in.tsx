/** Where the table comes in: pasted, opened from a file, or typed row by row. */
import { matchColumns, readRows, splitTable } from '@jeitinho/core';
import { useRef, useState } from 'react';
import { Button } from '../../../parts/button';
import { Notice } from '../../../parts/notice';
import { TablePaste } from '../../../parts/table-paste';

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
  return (
    <section aria-label="The table" className="mt-4">
      {cut > 0 && <Notice text={`${cut} rows at the end were not read: 2000 are the most.`} />}
      <TablePaste
        text={text}
        onText={onText}
        rows={empty ? 6 : 4}
        open="Open a CSV or TSV file"
        file="CSV or TSV file"
        clear="Clear the table"
      />
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

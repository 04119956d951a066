/** Where a table comes in: pasted from a spreadsheet, or opened as a file of any usual encoding. */
import { useRef, useState } from 'react';
import { readTextFile } from '../data/files';
import { Button } from './button';
import { Notice } from './notice';

export interface TablePasteProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  /** Lines shown. */
  readonly rows: number;
  /** Words on the button that opens a file, and the name of the file: “CSV file”. */
  readonly open: string;
  readonly file: string;
  readonly clear: string;
}

export function TablePaste({ text, onText, rows, open, file, clear }: TablePasteProps) {
  const field = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const read = async (chosen: File | undefined) => {
    if (!chosen) return;
    const content = await readTextFile(chosen);
    setProblem(content.ok ? undefined : content.problem);
    if (content.ok) onText(content.text);
  };
  return (
    <>
      <Notice text={problem} onClose={() => setProblem(undefined)} />
      <label className="block text-[14px] text-soft">
        Paste the rows here, as copied from a spreadsheet
        <textarea
          value={text}
          rows={rows}
          spellCheck={false}
          onChange={(event) => onText(event.target.value)}
          className="figure mt-0.5 block w-full border border-soft bg-card p-2 text-[14px] text-ink"
        />
      </label>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => field.current?.click()}>{open}</Button>
        <input
          ref={field}
          type="file"
          aria-label={file}
          accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            void read(chosen);
          }}
        />
        {text.trim() !== '' && (
          <Button kind="quiet" onClick={() => onText('')}>
            {clear}
          </Button>
        )}
      </div>
    </>
  );
}

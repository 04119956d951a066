/** A table out of a manual or a spreadsheet into a section: looked at first, then taken over. */
import type { PastedTable } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { DialogFrame, DialogRoot } from '../../../parts/dialog-frame';
import { TablePaste } from '../../../parts/table-paste';
import { readTable } from '../quick/table-text';

export interface PasteIntoProps<T> {
  /** Of what the table is: codes, pins, parts. */
  readonly what: string;
  /** The columns that it may have. */
  readonly columns: string;
  readonly read: (table: readonly (readonly string[])[]) => PastedTable<T>;
  readonly onTake: (items: T) => void;
}

export function PasteInto<T>({ what, columns, read, onTake }: PasteIntoProps<T>) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const { rows, cut } = readTable(text);
  const pasted = rows.length > 0 ? read(rows) : undefined;
  const news = pasted ? pasted.added + pasted.changed : 0;
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button className="mb-2 self-start">Paste a table of {what}</Button>
      </Dialog.Trigger>
      <DialogFrame title={`A table of ${what}`}>
        <p className="m-0 mt-1 mb-2 text-[15px] text-soft">
          The first row names the columns: {columns}. What is there already is completed.
        </p>
        <TablePaste
          text={text}
          onText={setText}
          rows={7}
          open="Open a CSV or TSV file"
          file="CSV or TSV file"
          clear="Clear the table"
        />
        <div role="status" className="mt-2 min-h-6 text-[15px]">
          {pasted && `${pasted.added} new, ${pasted.changed} completed.`}
          {cut > 0 && ` ${cut} rows at the end were not read.`}
          {pasted?.problems.map(({ row, message }) => (
            <span key={row} className="block text-brick">
              Row {row}: {message}
            </span>
          ))}
        </div>
        <div className="mt-4 flex justify-between gap-3">
          <Dialog.Close asChild>
            <Button kind="quiet">Close</Button>
          </Dialog.Close>
          <Button
            kind="go"
            disabled={news === 0}
            onClick={() => {
              if (pasted) onTake(pasted.items);
              setText('');
              setOpen(false);
            }}
          >
            Take over {news}
          </Button>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}

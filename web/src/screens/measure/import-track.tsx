/** A logger's file, or a pasted table, laid onto a track: looked at first, then taken. */
import { formatQuantity } from '@jeitinho/core';
import {
  driverOf,
  eventOf,
  trackFromTable,
  type SeriesExpectation,
  type TrackTable,
} from '@jeitinho/core/judge';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { readTextFile } from '../../data/files';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { readTable } from '../sheets/quick/table-text';
import type { TrackDraft } from './track-draft';

export interface ImportTrackProps {
  readonly expect: SeriesExpectation;
  readonly onDraft: (draft: TrackDraft) => void;
}

export function ImportTrack({ expect, onDraft }: ImportTrackProps) {
  const [open, setOpen] = useState(false);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind="quiet">From a logger’s file</Button>
      </Dialog.Trigger>
      <DialogFrame title="From a logger">
        <ImportForm
          expect={expect}
          onDraft={(draft) => {
            onDraft(draft);
            setOpen(false);
          }}
        />
      </DialogFrame>
    </DialogRoot>
  );
}

function ImportForm({ expect, onDraft }: ImportTrackProps) {
  const file = useRef<HTMLInputElement>(null);
  const [text, setText] = useState('');
  const [eventText, setEventText] = useState('');
  const [problem, setProblem] = useState<string>();
  const driven = driverOf(expect) !== undefined;
  const event = eventOf(expect);
  const table =
    text.trim() === '' ? undefined : trackFromTable(readTable(text).rows, expect.unit, { driven });
  const found = table && !('error' in table) ? table : undefined;
  const eventAt = eventText.trim() === '' ? undefined : Number(eventText.replace(',', '.'));
  const eventSound = event === undefined || (eventAt !== undefined && eventAt >= 0);
  const open = async (picked: File) => {
    const read = await readTextFile(picked);
    setProblem(read.ok ? undefined : read.problem);
    if (read.ok) setText(read.text);
  };
  const take = () => {
    const last = found?.samples.at(-1);
    if (!found || !last || !eventSound) return;
    // As if it had been recorded up to now.
    const startedAt = Date.now() - last.t * 1000;
    onDraft({
      startedAt,
      samples: found.samples,
      ...(eventAt !== undefined && { eventAt: startedAt + eventAt * 1000 }),
    });
  };
  return (
    <div className="mt-2 flex flex-col gap-3">
      <p className="m-0 text-[15px] text-soft">
        A table with the time and the figure{driven && `, and ${driverOf(expect)}`}. Choose the
        file, or paste its rows.
      </p>
      <div>
        <Button onClick={() => file.current?.click()}>Choose a file</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.txt,.tsv,text/*"
          aria-label="Logger file"
          className="sr-only"
          onChange={(change) => {
            const picked = change.target.files?.[0];
            change.target.value = '';
            if (picked) void open(picked);
          }}
        />
      </div>
      <label className="text-[14px] text-soft">
        Rows
        <textarea
          rows={4}
          value={text}
          onChange={(change) => setText(change.target.value)}
          className="figure block w-full border border-soft bg-paper px-3 py-2 text-[15px] text-ink"
        />
      </label>
      {event !== undefined && (
        <label className="text-[14px] text-soft">
          {event}: at which second
          <input
            inputMode="decimal"
            value={eventText}
            maxLength={12}
            onChange={(change) => setEventText(change.target.value)}
            className="figure block min-h-12 w-32 border border-soft bg-paper px-3 text-[18px] text-ink"
          />
        </label>
      )}
      <div role="status" className="min-h-6">
        {problem && <p className="m-0 text-brick">{problem}</p>}
        {table && 'error' in table && <p className="m-0 text-brick">{table.error}</p>}
        {found && <Found table={found} expect={expect} />}
      </div>
      <div className="flex gap-2">
        <Button kind="go" disabled={!found || !eventSound} onClick={take}>
          Take these figures
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Not now</Button>
        </Dialog.Close>
      </div>
    </div>
  );
}

function Found({ table, expect }: { table: TrackTable; expect: SeriesExpectation }) {
  const { samples, columns, left, problems } = table;
  const all = samples.map(({ value }) => value);
  const show = (value: number) => formatQuantity(value, expect.unit, 3);
  return (
    <>
      <p className="m-0">
        <strong className="figure">{samples.length}</strong> figures in{' '}
        <span className="figure">{Math.round(samples.at(-1)!.t)} s</span>,{' '}
        <span className="figure">
          {show(Math.min(...all))} to {show(Math.max(...all))}
        </span>
        , from “{columns.time}” and “{columns.value}”
        {columns.driver !== undefined && `, driven by “${columns.driver}”`}.
      </p>
      {left > 0 && (
        <ul className="m-0 list-none border-l-4 border-marigold bg-marigold-tint p-0 px-3 py-1 text-[14px]">
          {problems.map((line) => (
            <li key={line}>{line}</li>
          ))}
          {left > problems.length && <li>{left - problems.length} more left out.</li>}
        </ul>
      )}
    </>
  );
}

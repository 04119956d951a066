/** A pasted column of figures: laid beside the open points, looked at, then kept in one go. */
import { typedReading } from '@jeitinho/core/judge';
import { parseEntry, type TypedEntry } from '@jeitinho/core';
import { stillAsked } from '@jeitinho/core/job';
import {
  expectOf,
  functionOf,
  observableId,
  placementWords,
  type MeasureTest,
  type TestPoint,
} from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useJob } from '../job/job-context';
import { JobNotice } from '../job/job-notice';
import { columnOf } from './column';

export interface PasteDialogProps {
  readonly test: MeasureTest;
  /** Filled from here on. */
  readonly from: TestPoint;
  readonly text: string | undefined;
  readonly onClose: () => void;
}

export function PasteDialog({ test, from, text, onClose }: PasteDialogProps) {
  return (
    <DialogRoot open={text !== undefined} onOpenChange={(open) => !open && onClose()}>
      {text !== undefined && (
        <DialogFrame title="A column of readings">
          <PasteForm key={text} test={test} from={from} text={text} onDone={onClose} />
        </DialogFrame>
      )}
    </DialogRoot>
  );
}

interface Row {
  readonly point: TestPoint;
  readonly cell: string;
  readonly parsed: TypedEntry;
}

function PasteForm({
  test,
  from,
  text: pasted,
  onDone,
}: Omit<PasteDialogProps, 'text' | 'onClose'> & { text: string; onDone: () => void }) {
  const { sheet, state, record } = useJob();
  const [text, setText] = useState(pasted);
  const [kept, setKept] = useState(0);
  // As they were when the dialog opened: keeping some must not move the rest to other places.
  const [open] = useState(() =>
    test.points
      .slice(test.points.indexOf(from))
      .filter((point) => point === from || !state.current.has(observableId(test, point.id))),
  );
  const cells = columnOf(text);
  const rows = open.slice(kept, cells.length).map((point, i): Row => {
    const cell = cells[kept + i]!;
    return { point, cell, parsed: parseEntry(cell, expectOf(test, point).unit) };
  });
  const asked = stillAsked(state, test, from);
  const bad = rows.find(({ parsed }) => parsed.kind === 'error' || parsed.kind === 'empty');
  const beyond = cells.length - open.length;
  const keep = async () => {
    for (const { point, cell, parsed } of rows) {
      const reading = typedReading(parsed);
      if (reading) {
        const ok = await record('reading', {
          test: test.id,
          point: point.id,
          function: functionOf(test, point),
          reading,
          typed: cell.slice(0, 60),
        });
        // What is not kept yet stays here, each figure at its own place.
        if (!ok) return;
      }
      setKept((n) => n + 1);
    }
    onDone();
  };
  return (
    <div className="mt-2">
      <label className="text-[14px] text-soft">
        One figure a line
        <textarea
          autoFocus
          rows={3}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="figure block w-full border border-soft bg-paper px-3 py-2 text-[16px] text-ink"
        />
      </label>
      <table className="mt-2 w-full border-collapse text-left text-[15px]">
        <caption className="sr-only">Which figure goes where</caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">point</th>
            <th scope="col">leads</th>
            <th scope="col">figure</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ point, parsed, cell }) => (
            <tr key={point.id} className="border-b border-hair">
              <th scope="row" className="figure py-1 pr-3 font-semibold">
                {point.name ?? point.id}
              </th>
              <td className="py-1 pr-3 text-soft max-lg:hidden">{placementWords(sheet, point)}</td>
              <td className={`figure py-1 ${parsed.kind === 'error' ? 'text-brick' : ''}`}>
                {parsed.kind === 'error'
                  ? `${cell}: ${parsed.message}`
                  : parsed.kind === 'empty'
                    ? 'empty'
                    : parsed.echo}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <JobNotice />
      <p role="status" className="m-0 mt-2 min-h-6 text-[15px]">
        {asked
          ? `First: ${asked.asks}.`
          : beyond > 0
            ? `${beyond} figures more than open points: they are left out.`
            : kept > 0
              ? `${kept} kept already, from the top.`
              : ''}
      </p>
      <div className="mt-1 flex gap-2">
        <Button
          kind="go"
          disabled={rows.length === 0 || bad !== undefined || asked !== undefined}
          onClick={() => void keep()}
        >
          Keep {rows.length} readings
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Not these</Button>
        </Dialog.Close>
      </div>
    </div>
  );
}

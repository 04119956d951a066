/**
 * Quick sheet: a pin table becomes a sheet in minutes. Paste, open or type the rows; say what the
 * columns mean; look over the proposed faults; save, and if a job waits for it, measure at once.
 */
import {
  matchColumns,
  quickSheet,
  readRows,
  slug,
  splitTable,
  type ColumnMap,
  type JobResource,
} from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { ApiProblem, ask } from '../../../data/api';
import { useDraft } from '../../../data/draft';
import { jobOptions, shopOptions } from '../../../data/queries';
import { Button } from '../../../parts/button';
import { DeskFrame } from '../../../parts/desk-frame';
import { Notice } from '../../../parts/notice';
import { HeadForm, useHead, type HeadOf } from './head-form';
import { Proposals } from './proposals';
import { RowGrid } from './row-grid';
import { readTable } from './table-text';
import { TableIn } from './table-in';

export function QuickSheetPage() {
  const [params] = useSearchParams();
  const jobId = params.get('job') ?? undefined;
  const job = useQuery({ ...jobOptions(jobId ?? ''), enabled: jobId !== undefined });
  if (jobId !== undefined && job.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">One moment …</p>
      </DeskFrame>
    );
  return <QuickDesk key={jobId ?? ''} job={job.data} />;
}

function QuickDesk({ job }: { job: JobResource | undefined }) {
  const { state } = useLocation();
  // Given by whoever led here: a table that was opened, the unit that has no sheet.
  const { table: given, machine } = (state ?? {}) as { table?: string; machine?: HeadOf };
  const [text, setText] = useDraft(`quick-table.${job?.id ?? 'new'}`);
  const table = useMemo(
    () => readTable(given !== undefined && text === '' ? given : text),
    [given, text],
  );
  const split = useMemo(() => splitTable(table.rows), [table]);
  const [chosen, setChosen] = useState<ColumnMap>({});
  const columns = useMemo(() => ({ ...matchColumns(split), ...chosen }), [split, chosen]);
  const house = useQuery(shopOptions()).data?.prices.housePercent;
  const { rows, problems } = useMemo(
    () => readRows(split, columns, house),
    [split, columns, house],
  );
  const head = useHead(
    job?.unit ?? machine,
    job?.id ?? (machine ? `${machine.maker} ${machine.model}` : 'new'),
  );
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const made = useMemo(
    () => (rows.length > 0 && head.value ? quickSheet(head.value, rows) : undefined),
    [rows, head.value],
  );
  const kept: Sheet | undefined = made && {
    ...made,
    faults: made.faults.filter(({ id }) => !dropped.has(id)),
  };
  const sheet = kept && {
    ...kept,
    parts: kept.parts.filter((p) => kept.faults.some((f) => f.part === p.id)),
  };

  const queries = useQueryClient();
  const navigate = useNavigate();
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: async () => {
      const saved = await saveUnderFreeId(sheet!);
      if (job) await ask('attachSheet', { params: { id: job.id }, body: { sheetId: saved.id } });
      return saved;
    },
    onSuccess: async (saved) => {
      setText('');
      head.drop();
      await queries.invalidateQueries();
      void navigate(job ? `/jobs/${job.id}` : `/sheets/${encodeURIComponent(saved.id)}`);
    },
  });
  const blocking = blockingWords(rows.length, problems.length, sheet, head.missing);

  return (
    <DeskFrame wide>
      <h1 className="m-0 text-[25px] font-bold">Quick sheet</h1>
      <p className="m-0 text-soft">
        {job
          ? `For ${job.unit.label}, ${job.unit.maker} ${job.unit.model}. Saved, it is this job’s sheet.`
          : 'A pin table becomes a sheet that can be measured by. It is a full sheet afterwards.'}
      </p>
      <HeadForm head={head} />
      <TableIn text={text} onText={setText} cut={table.cut} empty={table.rows.length === 0} />
      {table.rows.length > 0 && (
        <RowGrid
          split={split}
          columns={columns}
          problems={problems}
          read={rows.length}
          onColumn={(column, at) => {
            const next: ColumnMap = { ...columns };
            for (const key of Object.keys(next) as (keyof ColumnMap)[])
              if (next[key] === at) delete next[key];
            if (column) next[column] = at;
            // What was matched by itself and is now unwanted must stay unwanted.
            setChosen(
              Object.fromEntries(Object.entries({ ...blank(columns), ...next })) as ColumnMap,
            );
          }}
        />
      )}
      {made && sheet && (
        <Proposals
          sheet={made}
          dropped={dropped}
          onToggle={(id) => {
            const next = new Set(dropped);
            if (!next.delete(id)) next.add(id);
            setDropped(next);
          }}
        />
      )}
      <div className="sticky bottom-0 mt-6 border-t border-ink bg-paper py-3">
        <Notice
          text={
            saving.isError
              ? `Nothing was saved; the table is kept here. ${saving.error.message}`
              : undefined
          }
        />
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p role="status" className="m-0 text-[15px] text-soft">
            {blocking ?? `${rows.length} measurements, ${sheet!.faults.length} faults proposed.`}
          </p>
          <Button
            kind="go"
            disabled={blocking !== undefined || saving.isPending}
            onClick={() => saving.mutate()}
          >
            {job ? 'Save and measure with it' : 'Save the sheet'}
          </Button>
        </div>
      </div>
    </DeskFrame>
  );
}

const blank = (columns: ColumnMap): ColumnMap =>
  Object.fromEntries(Object.keys(columns).map((key) => [key, undefined])) as ColumnMap;

function blockingWords(
  rows: number,
  problems: number,
  sheet: Sheet | undefined,
  missing: string | undefined,
): string | undefined {
  if (rows === 0 && problems === 0) return 'Rows first: paste them, open a file, or type them.';
  if (problems > 0)
    return `${problems === 1 ? 'One row is' : `${problems} rows are`} not understood yet; mend or remove ${problems === 1 ? 'it' : 'them'}.`;
  if (missing) return `Still to fill in: ${missing}.`;
  if (sheet && sheet.faults.length === 0)
    return 'Keep at least one fault: without one, readings accuse nothing.';
  return undefined;
}

/** An id already used by another sheet gets a number; nobody’s sheet is overwritten. */
async function saveUnderFreeId(sheet: Sheet): Promise<Sheet> {
  for (let n = 1; ; n += 1) {
    const named = n === 1 ? sheet : { ...sheet, id: slug(`${sheet.id}-${n}`) };
    try {
      await ask('saveSheet', { body: named });
      return named;
    } catch (error) {
      const taken = error instanceof ApiProblem && error.problem.code === 'revision-taken';
      if (!taken || n > 50) throw error;
    }
  }
}

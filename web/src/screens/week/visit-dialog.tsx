/** A visit in the week: when it is, whether somebody waits, whose it is. */
import type { JobListItem } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useMyName } from '../../data/me';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { ask } from '../../data/api';
import { useDraft } from '../../data/draft';
import { shopOptions } from '../../data/queries';
import { clockTime, localDay } from '../../data/now';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { FIELD } from '../../parts/field';
import { HourField } from '../../parts/hour-field';
import { Notice } from '../../parts/notice';
import { TickLine } from '../../parts/tick-line';
import { stageWords } from '../today/stage-words';

export interface VisitDialogProps {
  readonly job: JobListItem | undefined;
  readonly onMove: (to: Date | null) => void;
  readonly onClose: () => void;
}

export function VisitDialog({ job, onMove, onClose }: VisitDialogProps) {
  return (
    <DialogRoot open={job !== undefined} onOpenChange={(open) => !open && onClose()}>
      <DialogFrame title={job?.unit.label ?? ''}>
        {job && <Visit key={job.id} job={job} onMove={onMove} onClose={onClose} />}
      </DialogFrame>
    </DialogRoot>
  );
}

function Visit({ job, onMove, onClose }: VisitDialogProps & { readonly job: JobListItem }) {
  const signed = job.summary?.status === 'signed';
  return (
    <>
      <p className="m-0 text-soft">
        {job.site.name} · {job.unit.maker} {job.unit.model}
      </p>
      <p className="m-0 mt-1 text-[17px]">“{job.complaint}”</p>
      <p className="m-0 mt-1 text-[15px] text-soft">
        {signed ? (job.summary?.ending ?? 'signed') : stageWords(job)}
      </p>
      <p className="m-0 mt-3">
        <Link
          to={signed ? `/jobs/${job.id}/sign` : `/jobs/${job.id}`}
          className="inline-flex min-h-12 items-center bg-jade px-6 font-semibold text-on-jade no-underline"
        >
          {signed ? 'See its report' : 'Go to this visit'}
        </Link>
      </p>
      {!signed && (
        <>
          <When job={job} onMove={onMove} />
          <Waits job={job} />
          <HandOver job={job} onDone={onClose} />
        </>
      )}
      <div className="mt-5">
        <Dialog.Close asChild>
          <Button kind="quiet">Close</Button>
        </Dialog.Close>
      </div>
    </>
  );
}

const Part = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <section aria-label={name} className="mt-5 border-t border-hair pt-3">
    <h3 className="m-0 text-[16px] font-bold">{name}</h3>
    {children}
  </section>
);

/** As a field for day and hour wants it, local time. */
const localField = (at: string | null): string =>
  at === null ? '' : `${localDay(at)}T${clockTime(at)}`;

function When({
  job,
  onMove,
}: {
  readonly job: JobListItem;
  readonly onMove: VisitDialogProps['onMove'];
}) {
  const start = localField(job.visitAt);
  const [hour, setHour] = useState(start);
  return (
    <Part name="When">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          onMove(hour === '' ? null : new Date(hour));
        }}
      >
        <HourField
          label="Day and hour; blank for none"
          hour={hour}
          onHour={setHour}
          className="min-w-0 flex-1 basis-52"
        />
        <Button type="submit" className="min-h-12" disabled={hour === start}>
          Move it there
        </Button>
      </form>
    </Part>
  );
}

function Waits({ job }: { readonly job: JobListItem }) {
  const queries = useQueryClient();
  const saying = useMutation({
    networkMode: 'always',
    mutationFn: (urgent: boolean) => ask('planJob', { params: { id: job.id }, body: { urgent } }),
    onSettled: () => queries.invalidateQueries({ queryKey: ['jobs'] }),
  });
  const shown = saying.isPending ? saying.variables : job.urgent;
  return (
    <TickLine checked={shown} onChange={(urgent) => saying.mutate(urgent)}>
      The unit is down and somebody waits
    </TickLine>
  );
}

function HandOver({ job, onDone }: { readonly job: JobListItem; readonly onDone: () => void }) {
  const shop = useQuery(shopOptions());
  const me = useMyName();
  const owner = job.technician ?? me;
  const [to, setTo] = useState('');
  const [note, setNote] = useDraft(`hand-over.${job.id}`);
  const queries = useQueryClient();
  const handing = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      ask('handOver', { params: { id: job.id }, body: { to: to.trim(), note: note.trim() } }),
    onSuccess: async () => {
      setNote('');
      onDone();
      await queries.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  const others = (shop.data?.people ?? []).filter((name) => name !== owner);
  return (
    <Part name="Hand over">
      <p className="m-0 text-[14px] text-soft">
        {owner && `It is ${owner}’s now. `}What it still owes goes with it, on the record.
      </p>
      <Notice text={handing.isError ? handing.error.message : undefined} />
      <form
        className="mt-1 flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (to.trim() !== '' && !handing.isPending) handing.mutate();
        }}
      >
        <label className="text-[14px] text-soft">
          To whom
          <input
            value={to}
            maxLength={120}
            list="shop-people"
            autoComplete="off"
            onChange={(event) => setTo(event.target.value)}
            className={FIELD}
          />
          <datalist id="shop-people">
            {others.map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
        </label>
        <label className="text-[14px] text-soft">
          What they should know (may stay blank)
          <input
            value={note}
            maxLength={4000}
            onChange={(event) => setNote(event.target.value)}
            className={FIELD}
          />
        </label>
        <Button type="submit" disabled={to.trim() === '' || handing.isPending}>
          Hand it over
        </Button>
      </form>
    </Part>
  );
}

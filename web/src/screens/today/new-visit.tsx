/** Opening a job for a unit the shop knows: which unit, what the customer says. */
import type { UnitFound } from '@jeitinho/core';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../data/api';
import { useDraft } from '../../data/draft';
import { foundUnitsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';
import { DialogFrame } from '../../parts/dialog-frame';

export function NewVisit() {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>New visit</Button>
      </Dialog.Trigger>
      <DialogFrame title="New visit">
        <NewVisitForm />
      </DialogFrame>
    </Dialog.Root>
  );
}

/** As many as the server finds at once. */
const MOST_SHOWN = 30;

function NewVisitForm() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [words, setWords] = useState('');
  const units = useQuery({
    ...foundUnitsOptions(useDeferredValue(words.trim())),
    placeholderData: keepPreviousData,
  });
  const [chosen, setChosen] = useState('');
  const [complaint, setComplaint] = useDraft('new-visit');
  const [urgent, setUrgent] = useState(false);
  const found = units.data ?? [];
  const unitId = found.some(({ id }) => id === chosen) ? chosen : (found[0]?.id ?? '');
  const opening = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      ask('openJob', {
        body: { unitId, complaint: complaint.trim(), urgent, visitAt: new Date().toISOString() },
      }),
    onSuccess: async (job) => {
      setComplaint('');
      await queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/jobs/${job.id}/arrive`);
    },
  });
  // While the words are still being looked for, the list is that of other words.
  const ready =
    !units.isPlaceholderData && unitId !== '' && complaint.trim() !== '' && !opening.isPending;
  return (
    <form
      className="mt-4 flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) opening.mutate();
      }}
    >
      <Notice
        text={
          opening.isError
            ? `No visit was opened: ${opening.error.message} What you typed is kept; try again.`
            : undefined
        }
      />
      <label className="block text-[14px] text-soft">
        Find the unit: its label, serial number, customer’s place or street
        <input
          type="search"
          value={words}
          maxLength={200}
          autoComplete="off"
          onChange={(event) => setWords(event.target.value)}
          className="mt-1 block min-h-12 w-full border border-soft bg-paper px-3 text-[16px] text-ink"
        />
      </label>
      <div>
        <label htmlFor="new-visit-unit" className="text-[14px] text-soft">
          Unit
        </label>
        <select
          id="new-visit-unit"
          value={unitId}
          onChange={(event) => setChosen(event.target.value)}
          className="mt-1 block min-h-12 w-full border border-soft bg-paper px-2 text-[16px] text-ink"
        >
          {found.map((unit) => (
            <option key={unit.id} value={unit.id}>
              {unitWords(unit)}
            </option>
          ))}
        </select>
      </div>
      {units.isSuccess && found.length === 0 && (
        <p role="status" className="m-0 text-marigold">
          {words.trim() === ''
            ? 'No units are known yet. They are added over the API.'
            : `No unit has “${words.trim()}” on its label or place. Try fewer words, or the start of one.`}
        </p>
      )}
      {found.length >= MOST_SHOWN && (
        <p className="m-0 text-[14px] text-soft">
          There are more. Type a word to narrow them down.
        </p>
      )}
      <label className="block text-[14px] text-soft">
        What the customer says
        <textarea
          rows={3}
          value={complaint}
          maxLength={4000}
          onChange={(event) => setComplaint(event.target.value)}
          className="mt-1 block w-full border border-soft bg-paper px-3 py-2 text-[16px] text-ink"
        />
      </label>
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          checked={urgent}
          onChange={(event) => setUrgent(event.target.checked)}
          className="h-6 w-6 accent-[var(--jade)]"
        />
        The unit is down and somebody waits
      </label>
      <div className="flex justify-between gap-3">
        <Dialog.Close asChild>
          <Button kind="quiet">Cancel</Button>
        </Dialog.Close>
        <Button kind="go" type="submit" disabled={!ready}>
          Open and go there
        </Button>
      </div>
    </form>
  );
}

const unitWords = (unit: UnitFound): string =>
  [unit.label, `${unit.maker} ${unit.model}`, unit.siteName].filter(Boolean).join(' · ');

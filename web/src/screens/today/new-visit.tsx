/** Opening a visit to a unit the shop knows: which unit, what the customer says, now or at another hour. */
import type { UnitFound, UnitResource } from '@jeitinho/core';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Said } from '../../parts/said';
import { useDraft } from '../../data/draft';
import { openVisit } from '../../data/openings';
import { foundUnitsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { FIELD } from '../../parts/field';
import { HourField } from '../../parts/hour-field';
import { Notice } from '../../parts/notice';
import { TickLine } from '../../parts/tick-line';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';

/** @param props.unit - The unit it is to; without it one is looked for. */
export function NewVisit({ unit }: { readonly unit?: UnitResource }) {
  const [open, setOpen] = useState(false);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button kind={unit ? 'go' : 'plain'}>New visit</Button>
      </Dialog.Trigger>
      <DialogFrame title="New visit">
        <NewVisitForm given={unit} onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

interface FormProps {
  readonly given: UnitResource | undefined;
  readonly onDone: () => void;
}

function NewVisitForm({ given, onDone }: FormProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const finding = useFindUnit();
  const unit = given ? { ...given, siteName: '', town: '' } : finding.unit;
  const [complaint, setComplaint] = useDraft(given ? `new-visit.${given.id}` : 'new-visit');
  const [urgent, setUrgent] = useState(false);
  const [hour, setHour] = useState('');
  const opening = useMutation({
    networkMode: 'always',
    mutationFn: (to: UnitFound) =>
      openVisit({
        unit: to,
        complaint: complaint.trim(),
        urgent,
        visitAt: (hour === '' ? new Date() : new Date(hour)).toISOString(),
      }),
    onSuccess: async ({ id }) => {
      setComplaint('');
      onDone();
      if (hour === '') void navigate(`/jobs/${id}/arrive`);
      await queries.invalidateQueries({ queryKey: ['jobs'] });
      await queries.invalidateQueries({ queryKey: ['units'] });
    },
  });
  const ready = unit !== undefined && complaint.trim() !== '' && !opening.isPending;
  return (
    <form
      className="mt-4 flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) opening.mutate(unit);
      }}
    >
      <Notice
        text={
          opening.isError
            ? `No visit was opened: ${opening.error.message} What you typed is kept; try again.`
            : undefined
        }
      />
      {given ? (
        <p className="m-0 text-[17px]">
          <strong>{given.label}</strong>{' '}
          <span className="figure text-soft">
            {given.maker} {given.model}
          </span>
        </p>
      ) : (
        <FindUnit finding={finding} />
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
      <HourField label="Day and hour; blank for now" hour={hour} onHour={setHour} />
      <TickLine checked={urgent} onChange={setUrgent}>
        The unit is down and somebody waits
      </TickLine>
      <div className="flex justify-between gap-3">
        <Dialog.Close asChild>
          <Button kind="quiet">Cancel</Button>
        </Dialog.Close>
        <Button kind="go" type="submit" disabled={!ready}>
          {hour === '' ? 'Open and go there' : 'Put it in the week'}
        </Button>
      </div>
    </form>
  );
}

/** As many as are found at once. */
const MOST_SHOWN = 30;

function useFindUnit() {
  const [words, setWords] = useState('');
  const [chosen, choose] = useState('');
  const units = useQuery({
    ...foundUnitsOptions(useDeferredValue(words.trim())),
    placeholderData: keepPreviousData,
  });
  const found = units.data ?? [];
  // While the words are still being looked for, the list is that of other words.
  const unit = units.isPlaceholderData
    ? undefined
    : (found.find(({ id }) => id === chosen) ?? found[0]);
  return { words, setWords, choose, unit, found, nothing: units.isSuccess && found.length === 0 };
}

function FindUnit({ finding }: { readonly finding: ReturnType<typeof useFindUnit> }) {
  const { words, setWords, choose, unit, found, nothing } = finding;
  return (
    <>
      <label className="block text-[14px] text-soft">
        Find the unit: its label, serial number, customer’s place or street
        <input
          type="search"
          value={words}
          maxLength={200}
          autoComplete="off"
          onChange={(event) => setWords(event.target.value)}
          className={FIELD}
        />
      </label>
      <div>
        <label htmlFor="new-visit-unit" className="text-[14px] text-soft">
          Unit
        </label>
        <select
          id="new-visit-unit"
          value={unit?.id ?? ''}
          onChange={(event) => choose(event.target.value)}
          className={FIELD}
        >
          {found.map((each) => (
            <option key={each.id} value={each.id}>
              {unitWords(each)}
            </option>
          ))}
        </select>
      </div>
      <Said className="m-0 text-marigold">
        {nothing && (
          <>
            {' '}
            {words.trim() === ''
              ? 'No units are known yet. '
              : `No unit has “${words.trim()}” on its label or place. Try fewer words, or the start of one. `}
            <Link to="/customers">Add it under Customers</Link>
          </>
        )}
      </Said>
      {found.length >= MOST_SHOWN && (
        <p className="m-0 text-[14px] text-soft">
          There are more. Type a word to narrow them down.
        </p>
      )}
    </>
  );
}

const unitWords = (unit: UnitFound): string =>
  [unit.label, `${unit.maker} ${unit.model}`, unit.siteName].filter(Boolean).join(' · ');

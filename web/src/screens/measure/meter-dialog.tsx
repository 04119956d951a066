/** Taking another meter in hand: the shop’s list, and which of them is fit for this unit. */
import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { metersOptions } from '../../data/queries';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

export function MeterDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <DialogRoot open={open} onOpenChange={onOpenChange}>
      <DialogFrame title="Which meter is in hand?">
        <Choices onChosen={() => onOpenChange(false)} />
        <div className="mt-4">
          <Dialog.Close asChild>
            <Button kind="quiet">Close</Button>
          </Dialog.Close>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}

/** Asked for once the dialog is open: closed, it stands behind every key on the card. */
function Choices({ onChosen }: { onChosen: () => void }) {
  const { state, sheet, record } = useJob();
  const meters = useQuery(metersOptions());
  return (
    <>
      <p className="m-0 mt-1 text-[15px] text-soft">
        Up to {sheet.safety.volts} V on this unit. All you take in hand here stay with the job; each
        test uses the latest one that is fit for it.
      </p>
      {meters.isError && (
        <p role="alert" className="m-0 mt-3 text-brick">
          The list of meters cannot be fetched now. Those taken in hand before still count.
        </p>
      )}
      <ul className="m-0 mt-3 flex list-none flex-col gap-2 p-0">
        {(meters.data ?? []).map((meter) => {
          const weak = meter.rating !== undefined && meter.rating.volts < sheet.safety.volts;
          const now = state.meter?.id === meter.id;
          return (
            <li key={meter.id}>
              <button
                type="button"
                aria-pressed={now}
                onClick={async () => {
                  if (now || (await record('meter', { meter }))) onChosen();
                }}
                className="block min-h-14 w-full cursor-pointer border border-soft bg-paper px-4 py-2 text-left aria-pressed:border-2 aria-pressed:border-jade"
              >
                <strong>{meter.name}</strong>
                <span className="block text-[14px] text-soft">
                  {weak ? 'not for live work on this unit: ' : ''}
                  {meter.category ?? 'no category stated'}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** The meter in hand, and the way to another. */
export function MeterChip() {
  const { state } = useJob();
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="inline-flex min-h-11 max-w-52 cursor-pointer items-center border border-hair bg-card px-3 text-[15px]"
      >
        <span className="sr-only">Meter in hand: </span>
        <span className="truncate">{state.meter?.name ?? 'no meter stated'}</span>
      </button>
      <MeterDialog open={open} onOpenChange={setOpen} />
    </>
  );
}

/** Asks why, before something is left out or taken back: the reason goes on the record. */
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from './button';
import { DialogFrame, DialogRoot } from './dialog-frame';

export interface ReasonDialogProps {
  readonly open: boolean;
  readonly title: string;
  /** The usual ones, each one press. */
  readonly reasons: readonly string[];
  /** What the press does: “Skip”. */
  readonly act: string;
  readonly leave: string;
  readonly onClose: () => void;
  readonly onReason: (reason: string) => void;
}

export function ReasonDialog(props: ReasonDialogProps) {
  const { open, title, reasons, act, leave, onClose, onReason } = props;
  const [own, setOwn] = useState('');
  return (
    <DialogRoot open={open} onOpenChange={(now) => !now && onClose()}>
      <DialogFrame title={title}>
        <div className="mt-3 flex flex-col gap-2">
          {reasons.map((reason) => (
            <Button key={reason} className="text-left" onClick={() => onReason(reason)}>
              {reason}
            </Button>
          ))}
          <form
            className="flex gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (own.trim() === '') return;
              onReason(own.trim());
              setOwn('');
            }}
          >
            <label className="min-w-0 flex-1">
              <span className="sr-only">Another reason</span>
              <input
                value={own}
                maxLength={400}
                placeholder="another reason"
                onChange={(event) => setOwn(event.target.value)}
                className="min-h-11 w-full border border-soft bg-paper px-3"
              />
            </label>
            <Button type="submit" disabled={own.trim() === ''}>
              {act}
            </Button>
          </form>
          <Dialog.Close asChild>
            <Button kind="quiet">{leave}</Button>
          </Dialog.Close>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}

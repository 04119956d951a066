/** Skipping takes a reason: the report says it. */
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame } from '../../parts/dialog-frame';

const REASONS = ['cannot reach it', 'not safe here', 'not needed any more'];

export interface SkipDialogProps {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly onSkip: (reason: string) => void;
}

export function SkipDialog({ open, title, onClose, onSkip }: SkipDialogProps) {
  const [own, setOwn] = useState('');
  return (
    <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <DialogFrame title={`Skip “${title}”: why?`}>
        <div className="mt-3 flex flex-col gap-2">
          {REASONS.map((reason) => (
            <Button key={reason} className="text-left" onClick={() => onSkip(reason)}>
              {reason}
            </Button>
          ))}
          <form
            className="flex gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (own.trim() !== '') onSkip(own.trim());
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
              Skip
            </Button>
          </form>
          <Dialog.Close asChild>
            <Button kind="quiet">Do not skip</Button>
          </Dialog.Close>
        </div>
      </DialogFrame>
    </Dialog.Root>
  );
}

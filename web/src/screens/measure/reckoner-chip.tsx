/** The Reckoner beside a test, without leaving it. */
import { Dialog } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { Button } from '../../parts/button';
import { patiently } from '../../data/piece';

const PocketReckoner = lazy(() => patiently(() => import('../reckoner/pocket-reckoner')));

export function ReckonerChip() {
  return (
    <DialogRoot>
      <Dialog.Trigger className="inline-flex min-h-11 cursor-pointer items-center px-2 text-[15px] underline decoration-hair underline-offset-4">
        Reckoner
      </Dialog.Trigger>
      <DialogFrame title="Reckoner">
        <Suspense fallback={<p className="text-soft">One moment …</p>}>
          <PocketReckoner />
        </Suspense>
        <div className="mt-4">
          <Dialog.Close asChild>
            <Button>Back to the test</Button>
          </Dialog.Close>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}

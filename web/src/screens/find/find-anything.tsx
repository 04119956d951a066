/** `Ctrl K`: find a job, a stage or test of the one in hand, a sheet, a formula. */
import { Dialog } from 'radix-ui';
import { lazy, Suspense, useEffect, useState } from 'react';

/** It knows sheets and reports, and comes when it is first asked for. */
const Found = lazy(() => import('./found'));

export function FindAnything() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen((was) => !was);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 w-[min(36rem,94vw)] -translate-x-1/2 border-2 border-ink bg-card"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Suspense fallback={<p className="m-0 p-4 text-soft">One moment …</p>}>
            <Found onDone={() => setOpen(false)} />
          </Suspense>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

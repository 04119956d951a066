/** `Ctrl K`: find a job, a stage or test of the one in hand, a sheet, a formula. */
import { Dialog } from 'radix-ui';
import { DialogRoot, WhileOpen } from '../../parts/dialog-frame';
import { lazy, Suspense, useEffect, useState } from 'react';
import { patiently } from '../../data/piece';
import { Button } from '../../parts/button';
import { FIND_FIELD } from './find-field';

/** It knows sheets and reports: it comes after the first screen, or when it is asked for before. */
const found = () => patiently(() => import('./found'));
const Found = lazy(found);
const AFTER_MS = 4_000;

export function FindAnything() {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => void found(), AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setText('');
        setOpen((was) => !was);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const close = () => setOpen(false);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <WhileOpen>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-black/50" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-[12vh] left-1/2 w-[min(36rem,94vw)] -translate-x-1/2 border-2 border-ink bg-card"
          >
            <Dialog.Title className="sr-only">Find anything</Dialog.Title>
            {/* What is typed before it has come is not lost. */}
            <Suspense
              fallback={
                <input
                  autoFocus
                  aria-label="Find anything"
                  value={text}
                  onChange={(event) => setText(event.target.value)}
                  className={FIND_FIELD}
                />
              }
            >
              <Found text={text} onText={setText} onDone={close} />
            </Suspense>
            <p className="m-0 border-t border-hair px-2 text-right">
              <Dialog.Close asChild>
                <Button kind="quiet" hint="Esc">
                  Close
                </Button>
              </Dialog.Close>
            </p>
          </Dialog.Content>
        </Dialog.Portal>
      </WhileOpen>
    </DialogRoot>
  );
}

/** The frame of a dialog: over the dimmed screen, in its middle, with its title. */
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

export function DialogFrame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 bg-black/50" />
      <Dialog.Content
        aria-describedby={undefined}
        className="fixed top-1/2 left-1/2 max-h-[92dvh] w-[min(32rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto border-2 border-ink bg-card p-6 max-lg:p-4"
      >
        <Dialog.Title className="m-0 text-[22px] font-bold">{title}</Dialog.Title>
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  );
}

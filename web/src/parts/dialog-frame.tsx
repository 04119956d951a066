/** Dialogs: nothing on the page while they are closed; over the dimmed screen, in its middle, with their title. */
import { Dialog } from 'radix-ui';
import { createContext, useContext, useState, type ReactNode } from 'react';

interface DialogRootProps {
  /** Absent where its own trigger alone opens it. */
  readonly open?: boolean;
  readonly onOpenChange?: (open: boolean) => void;
  readonly children: ReactNode;
}

const Open = createContext(false);

export function DialogRoot({ open: given, onOpenChange, children }: DialogRootProps) {
  const [own, setOwn] = useState(false);
  const open = given ?? own;
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange ?? setOwn}>
      <Open.Provider value={open}>{children}</Open.Provider>
    </Dialog.Root>
  );
}

/**
 * What is there while its dialog is open. A closed one that is left to its library has the screen drawn twice
 * before it is seen first, and is drawn anew with every key.
 */
export const WhileOpen = ({ children }: { readonly children: ReactNode }) =>
  useContext(Open) ? children : null;

export function DialogFrame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <WhileOpen>
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
    </WhileOpen>
  );
}

/** Somebody goes on without being signed in: what that means, and the way back. */
import { useState } from 'react';
import { Button } from '../../parts/button';
import { HandsDialog } from '../../parts/people/hands';

export function SignedOutBar() {
  const [open, setOpen] = useState(false);
  return (
    <div
      role="status"
      className="no-print relative z-10 flex flex-wrap items-center justify-between gap-x-4 border-b border-marigold bg-marigold-tint px-6 py-1 max-lg:px-4"
    >
      <span>Not signed in: what you write is kept here, and sent when you sign in.</span>
      <Button kind="quiet" onClick={() => setOpen(true)}>
        Sign in
      </Button>
      <HandsDialog open={open} onOpenChange={setOpen} />
    </div>
  );
}

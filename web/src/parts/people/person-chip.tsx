/** Who is working, on every screen of the desk: one press to another's hands, to one's own things, or out. */
import { useState } from 'react';
import { useMe } from '../../data/me';
import { HandsDialog } from './hands';
import { initialsOf } from './made-up';

export function PersonChip() {
  const me = useMe();
  const [open, setOpen] = useState(false);
  if (!me) return null;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`${me.name} is working; change hands`}
        className="figure flex min-h-11 min-w-11 cursor-pointer items-center justify-center"
      >
        <span aria-hidden="true" className="border-2 border-ink px-1.5 text-[15px] font-semibold">
          {initialsOf(me.name)}
        </span>
      </button>
      <HandsDialog open={open} onOpenChange={setOpen} />
    </>
  );
}

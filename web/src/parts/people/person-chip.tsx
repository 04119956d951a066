/** Who is working, on every screen of the desk: one press to another's hands, to one's own things, or out. */
import { lazy, Suspense, useState } from 'react';
import { useMe } from '../../data/me';
import { patiently } from '../../data/piece';
import { initialsOf } from './initials';

const HandsDialog = lazy(async () => ({
  default: (await patiently(() => import('./hands'))).HandsDialog,
}));

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
      {open && (
        <Suspense fallback={null}>
          <HandsDialog open={open} onOpenChange={setOpen} />
        </Suspense>
      )}
    </>
  );
}

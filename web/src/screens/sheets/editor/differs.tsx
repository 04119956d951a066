/** A sheet begun from another: all in which it differs by now, for who checks it against its own document. */
import { compareSheets, type WrittenSheet } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { Changes } from '../compare';

export interface DiffersProps {
  readonly from: WrittenSheet;
  readonly sheet: WrittenSheet;
}

export function Differs({ from, sheet }: DiffersProps) {
  const [open, setOpen] = useState(false);
  const many = compareSheets(from, sheet).length;
  return (
    <section aria-label="What differs" className="mt-2 border-l-4 border-hair bg-card px-4 py-2">
      <p className="m-0 flex flex-wrap items-center justify-between gap-3">
        <span>
          Begun from <strong>{from.title}</strong>, revision {from.revision}.{' '}
          {many === 1 ? 'One thing differs' : `${many} things differ`} by now.
        </span>
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Hide what differs' : 'What differs'}
        </Button>
      </p>
      {open && (
        <div className="max-h-96 overflow-y-auto">
          <Changes before={from} after={sheet} />
        </div>
      )}
    </section>
  );
}

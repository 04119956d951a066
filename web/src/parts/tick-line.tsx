/** A box to tick with its words, tall enough for a gloved thumb. */
import type { ReactNode } from 'react';

export interface TickLineProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
}

export const TickLine = ({ checked, onChange, children }: TickLineProps) => (
  <label className="flex min-h-11 items-center gap-3">
    <input
      type="checkbox"
      checked={checked}
      onChange={(event) => onChange(event.target.checked)}
      className="h-6 w-6 accent-[var(--jade)]"
    />
    {children}
  </label>
);

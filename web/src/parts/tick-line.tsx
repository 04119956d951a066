/** A box to tick with its words, tall enough for a gloved thumb. */
import type { ReactNode } from 'react';

export interface TickLineProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  /** Key that does the same. */
  readonly hint?: string;
  readonly children: ReactNode;
}

export const TickLine = ({ checked, onChange, hint, children }: TickLineProps) => (
  <label className="flex min-h-11 cursor-pointer items-center gap-3">
    <input
      type="checkbox"
      checked={checked}
      onChange={(event) => onChange(event.target.checked)}
      className="h-6 w-6 accent-[var(--jade)]"
    />
    {children}
    {hint && (
      <kbd aria-hidden="true" className="figure text-[13px] text-soft max-lg:hidden">
        {hint}
      </kbd>
    )}
  </label>
);

/** The few kinds of buttons. All are at least 44 px high, for gloves and thumbs. */
import type { ButtonHTMLAttributes } from 'react';

type Kind = 'go' | 'plain' | 'quiet' | 'danger';

const KINDS: Record<Kind, string> = {
  go: 'bg-jade text-on-jade font-semibold px-5 disabled:opacity-45',
  plain: 'bg-card text-ink border border-soft px-4 disabled:opacity-45',
  quiet: 'text-ink underline decoration-hair underline-offset-4 px-2 disabled:opacity-45',
  danger: 'bg-brick text-on-brick font-semibold px-5 disabled:opacity-45',
};

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly kind?: Kind;
  /** Key that does the same, shown beside the words where there is a keyboard. */
  readonly hint?: string;
}

export function Button({ kind = 'plain', hint, className = '', children, ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      {...rest}
      className={`min-h-11 min-w-11 cursor-pointer py-2 disabled:cursor-default ${KINDS[kind]} ${className}`}
    >
      {children}
      {hint && (
        <kbd aria-hidden="true" className="figure ml-2 text-[13px] opacity-80 max-lg:hidden">
          {hint}
        </kbd>
      )}
    </button>
  );
}

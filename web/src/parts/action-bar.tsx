/** The foot of a card: what comes next, why, and the one thing to press. */
import type { ReactNode } from 'react';

export function ActionBar({
  title,
  detail,
  children,
}: {
  title: string;
  detail?: ReactNode;
  children: ReactNode;
}) {
  return (
    <div className="no-print flex items-center justify-between gap-4 border-t border-ink bg-card px-6 py-3 max-lg:flex-col max-lg:items-stretch max-lg:gap-2 max-lg:px-4 max-lg:py-2">
      <div className="min-w-0">
        <p className="m-0 font-semibold">{title}</p>
        {detail && <p className="m-0 text-[14px] text-soft">{detail}</p>}
      </div>
      <div className="flex shrink-0 items-center gap-2 max-lg:justify-between">{children}</div>
    </div>
  );
}

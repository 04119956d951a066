/** What is said when it comes up: its place is there before it speaks, so that screen readers hear it. */
import type { ReactNode } from 'react';

export interface SaidProps {
  /** Nothing while there is nothing to say. */
  readonly children: ReactNode;
  readonly className?: string;
  readonly label?: string;
}

export const Said = ({ children, className, label }: SaidProps) => {
  const silent = children === undefined || children === null || children === false;
  return (
    <div role="status" aria-label={label} className={silent ? undefined : className}>
      {children}
    </div>
  );
};

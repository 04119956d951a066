/** A link in a cell of a table, as tall as a gloved thumb wants it. */
import type { ReactNode } from 'react';
import { Link } from 'react-router';

export const CellLink = ({
  to,
  children,
}: {
  readonly to: string;
  readonly children: ReactNode;
}) => (
  <Link to={to} className="-my-2 inline-flex min-h-11 min-w-11 items-center text-ink">
    {children}
  </Link>
);

/** A table of a sheet's page, to read: it scrolls by itself where it is wider than the page. */
import type { ReactNode } from 'react';

export const CELL = 'border border-hair px-2 py-1 text-left align-top';

interface ReadTableProps {
  /** What the place that scrolls is called. */
  readonly label: string;
  readonly caption: string;
  readonly heads: readonly string[];
  /** Its rows. */
  readonly children: ReactNode;
}

export const ReadTable = ({ label, caption, heads, children }: ReadTableProps) => (
  <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={label}>
    <table className="w-full border-collapse bg-card text-[14px]">
      <caption className="sr-only">{caption}</caption>
      <thead className="text-soft">
        <tr>
          {heads.map((each) => (
            <th key={each} scope="col" className={CELL}>
              {each}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  </div>
);

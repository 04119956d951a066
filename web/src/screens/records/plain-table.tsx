/** A table to read: heads, rows, nothing to press. It scrolls sideways where it is too wide. */
import type { ReactNode } from 'react';

export function PlainTable({
  label,
  heads,
  rows,
  wide = false,
}: {
  readonly label: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly ReactNode[])[];
  /** Long words in many columns: rather sideways than one word a line. */
  readonly wide?: boolean;
}) {
  return (
    <div
      className="relative mt-2 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={`${label}: rows`}
    >
      <table className={`w-full border-collapse text-[15px] ${wide ? 'min-w-[640px]' : ''}`}>
        <thead>
          <tr className="border-b border-ink text-left">
            {heads.map((head) => (
              <th key={head} scope="col" className="py-1 pr-4 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-b border-hair align-top">
              {row.map((cell, k) => (
                <td
                  key={heads[k]}
                  className={`py-2 pr-4 ${typeof cell === 'number' ? 'figure' : ''}`}
                >
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Problems and warnings of a sheet, each with its place and how to mend it. */
import type { SheetProblem } from '@jeitinho/core';

export function ProblemList({
  problems,
  onPick,
}: {
  problems: readonly SheetProblem[];
  /** Goes to the place, where that is possible. */
  onPick?: (path: string) => void;
}) {
  return (
    <ul className="m-0 mt-1 max-h-72 list-none overflow-y-auto p-0 text-[15px]">
      {problems.map(({ path, message, severity }, i) => (
        <li
          key={i}
          className={`border-l-4 px-3 py-1.5 ${severity === 'problem' ? 'border-brick' : 'border-marigold'}`}
        >
          <span className="sr-only">{severity}: </span>
          {onPick ? (
            <button
              type="button"
              onClick={() => onPick(path)}
              className="figure min-h-11 max-w-full cursor-pointer truncate text-left text-[13px] text-soft underline decoration-hair underline-offset-4"
            >
              {path || 'whole file'}
            </button>
          ) : (
            <span className="figure block truncate text-[13px] text-soft">
              {path || 'whole file'}
            </span>
          )}
          <span className="block">{message}</span>
        </li>
      ))}
    </ul>
  );
}

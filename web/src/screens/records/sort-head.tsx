/** The head of a column that a press sorts by, and another turns. */

export type Sorted = 'up' | 'down' | undefined;

const ARROW = { up: ' ↑', down: ' ↓' } as const;
const SORT = { up: 'ascending', down: 'descending' } as const;

export function SortHead({
  name,
  sorted,
  onPress,
  right = false,
  nowrap = false,
}: {
  readonly name: string;
  readonly sorted: Sorted;
  readonly onPress: () => void;
  /** Over figures that stand under each other. */
  readonly right?: boolean;
  readonly nowrap?: boolean;
}) {
  return (
    <th
      scope="col"
      aria-sort={sorted ? SORT[sorted] : 'none'}
      className={`pr-4 font-semibold ${right ? 'text-right' : ''}`}
    >
      <button
        type="button"
        onClick={onPress}
        className={`min-h-11 min-w-11 cursor-pointer underline decoration-hair underline-offset-4 ${right ? 'text-right' : 'text-left'} ${nowrap ? 'whitespace-nowrap' : ''}`}
      >
        {name}
        <span aria-hidden="true">{sorted && ARROW[sorted]}</span>
      </button>
    </th>
  );
}

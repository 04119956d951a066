/** A box to tick: several may be. Enter stays free for the decision itself. */
export function Tick({
  name,
  ticked,
  onToggle,
}: {
  readonly name: string;
  readonly ticked: boolean;
  readonly onToggle: () => void;
}) {
  return (
    <input
      type="checkbox"
      aria-label={name}
      data-keys="on"
      checked={ticked}
      onChange={onToggle}
      className="h-6 w-6 shrink-0 accent-[var(--jade)]"
    />
  );
}

export const ROW =
  'flex cursor-pointer items-start gap-4 border-b border-hair px-3 py-3 has-checked:bg-card has-checked:outline-2 has-checked:-outline-offset-2 has-checked:outline-jade';

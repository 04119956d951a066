/** One switch of the strip: its box, its words, its key. */
export function StripCheck({
  label,
  hint,
  on,
  onChange,
}: {
  label: string;
  hint?: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
        className="h-6 w-6 accent-[var(--jade)]"
      />
      {label}
      {hint && (
        <kbd aria-hidden="true" className="figure text-[13px] text-soft max-lg:hidden">
          {hint}
        </kbd>
      )}
    </label>
  );
}

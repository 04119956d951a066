/** Counting by ear or eye: one large place to press for each, by hand or with the space bar. */
import { useKeys } from '../../parts/keys';
import type { ReadingEntry } from './use-reading';

export function CountPad({ reading }: { readonly reading: ReadingEntry }) {
  const { parsed, setText } = reading;
  const count = parsed.kind === 'value' ? Math.round(parsed.value) : 0;
  const one = () => setText(String(count + 1));
  useKeys({ ' ': one });
  return (
    <div className="mt-3">
      <button
        type="button"
        aria-label={`One more; ${count} so far`}
        onClick={one}
        className="flex min-h-44 w-full cursor-pointer flex-col items-center justify-center border-2 border-ink bg-card active:bg-jade-tint"
      >
        <span className="text-[25px] font-bold">One more</span>
        <span className="text-[15px] text-soft">
          press for each<span className="max-lg:hidden">, or the space bar</span>; Enter keeps the
          count
        </span>
      </button>
      <button
        type="button"
        onClick={() => setText('0')}
        className="mt-2 min-h-11 cursor-pointer px-2 underline decoration-hair underline-offset-4"
      >
        There was none
      </button>
    </div>
  );
}

/** “7.1 Ω or 7.1 kΩ?” Asked when the figure is out and would be right a thousand times off. */
import type { OtherSize } from '@jeitinho/core/job';
import { Button } from '../../parts/button';
import { useKeys } from '../../parts/keys';

export interface SizeAskProps {
  readonly typed: string;
  readonly other: OtherSize;
  readonly onTyped: () => void;
  readonly onOther: () => void;
}

export function SizeAsk({ typed, other, onTyped, onOther }: SizeAskProps) {
  useKeys({ 1: onOther, 2: onTyped });
  return (
    <section
      role="alert"
      aria-label="Which size"
      className="mt-2 border-l-4 border-marigold bg-marigold-tint px-3 py-2"
    >
      <p className="m-0 text-[18px] font-semibold">
        {other.echo} or {typed}?
      </p>
      <p className="m-0 text-[15px]">
        As typed it is far out; a thousand times off it would be right. Look at the meter’s prefix.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button hint="1" onClick={onOther}>
          {other.echo}
        </Button>
        <Button hint="2" onClick={onTyped}>
          {typed}, as typed
        </Button>
      </div>
    </section>
  );
}

/** Tap along with the lamp: it counts long and short ones and pauses, and asks for a second round. */
import {
  decodeCode,
  readBlinks,
  type BlinksRead,
  type CodeScheme,
  type Tap,
} from '@jeitinho/core/sheet';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from '../../parts/button';
import { useJob } from '../job/job-context';

/** ms, for blinks put in by a key and for the pause between rounds. */
const PUT = { short: 300, long: 1200, gap: 350, group: 1000, round: 3500 } as const;

export interface BlinkTapperProps {
  readonly scheme: CodeScheme;
  readonly onKeep: (code: string) => void;
}

export function BlinkTapper({ scheme, onKeep }: BlinkTapperProps) {
  const { sheet } = useJob();
  const [taps, setTaps] = useState<readonly Tap[]>([]);
  const [down, setDown] = useState<number>();
  const waits = useRef(0);
  // What a long one is worth makes groups needless.
  const counted = scheme.long !== undefined || scheme.short !== undefined;
  const read = useMemo(() => readBlinks(taps, scheme), [taps, scheme]);
  const start = () => setDown((was) => was ?? performance.now());
  const end = () => {
    if (down === undefined) return;
    setDown(undefined);
    const held = performance.now() - down;
    setTaps((before) => {
      // Blinks put in by a key may stand ahead of the clock: what is tapped comes after them.
      const last = before.at(-1)?.up ?? -Infinity;
      const from = down > last ? down : last + PUT.gap;
      return [...before, { down: from, up: from + held }];
    });
  };
  /** Put in without the lamp in time: what counts is long, short and pause. */
  const put = (kind: 'long' | 'short') => {
    const wait = waits.current;
    waits.current = 0;
    setTaps((before) => {
      const at = (before.at(-1)?.up ?? 0) + PUT.gap + wait;
      return [...before, { down: at, up: at + PUT[kind] }];
    });
  };
  const clear = () => {
    waits.current = 0;
    setTaps([]);
  };
  const listed = read.code === undefined ? undefined : decodeCode(sheet, read.code).listed;
  const pad = {
    onPointerDown: (event: PointerEvent<HTMLButtonElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      start();
    },
    onPointerUp: end,
    onPointerCancel: end,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== ' ' || event.repeat) return;
      event.preventDefault();
      start();
    },
    onKeyUp: (event: KeyboardEvent) => {
      if (event.key !== ' ') return;
      event.preventDefault();
      end();
    },
  };
  return (
    <section aria-label="Tap along with the lamp" className="mt-5 border border-hair bg-card p-4">
      <button
        type="button"
        {...pad}
        className={`block min-h-[120px] w-full cursor-pointer touch-none border-2 border-ink px-4 text-[20px] font-semibold select-none ${down === undefined ? 'bg-paper' : 'bg-marigold-tint'}`}
      >
        Tap along with the lamp
        <span className="block text-[14px] font-normal text-soft">
          hold as long as it is lit; space does the same; two rounds, with the lamp’s own pause
        </span>
      </button>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button onClick={() => put('short')}>Short</Button>
        <Button onClick={() => put('long')}>Long</Button>
        {!counted && <Button onClick={() => (waits.current = PUT.group)}>Pause</Button>}
        <Button onClick={() => (waits.current = PUT.round)}>Next round</Button>
        {taps.length > 0 && (
          <Button kind="quiet" onClick={clear}>
            Begin again
          </Button>
        )}
      </div>
      <Rounds read={read} />
      <p role="status" className="m-0 mt-2 text-[17px]">
        {statusWords(read)}
        {listed && (
          <>
            {' '}
            <strong>{listed.title}</strong>.
          </>
        )}
      </p>
      {read.code !== undefined && (
        <p className="m-0 mt-2">
          <Button
            kind="go"
            onClick={() => {
              onKeep(read.code!);
              clear();
            }}
          >
            Keep code {read.code}
          </Button>
        </p>
      )}
    </section>
  );
}

/** Each round as it was heard: long and short bars, a gap where it paused. */
function Rounds({ read: { rounds } }: { readonly read: BlinksRead }) {
  if (rounds.length === 0) return null;
  return (
    <ol className="m-0 mt-3 list-none p-0" aria-label="Rounds">
      {rounds.slice(-4).map(({ longs, shorts, groups, code, sure }, i) => (
        <li key={i} className="flex items-center gap-4 border-b border-hair py-1.5">
          <span className="figure w-14 text-[22px] font-bold">{code}</span>
          <span className="flex-1 text-soft">{heardWords(longs, shorts, groups)}</span>
          <span className="text-[14px]">{sureWords(sure)}</span>
        </li>
      ))}
    </ol>
  );
}

function heardWords(longs: number, shorts: number, groups: readonly number[]): string {
  const kinds = [longs > 0 && `${longs} long`, shorts > 0 && `${shorts} short`].filter(Boolean);
  return groups.length > 1
    ? `${kinds.join(', ')}; in groups of ${groups.join(', ')}`
    : kinds.join(', ');
}

const sureWords = (sure: number): string =>
  sure > 0.9 ? 'clear' : sure > 0.7 ? 'fairly clear' : 'not clear';

function statusWords({ rounds, code, sure, rate, even }: BlinksRead): string {
  const pace =
    rate === undefined
      ? ''
      : ` It blinks ${even ? 'evenly' : 'unevenly'}, ${Number(rate.toPrecision(2))} a second.`;
  if (rounds.length === 0) return 'Nothing tapped yet.';
  if (code !== undefined)
    return `Twice the same: ${code}${sure > 0.9 ? '' : ', but not clearly. A third round would tell'}.${pace}`;
  if (rounds.length === 1) return `One round so far. Once more, to be sure.${pace}`;
  return `The last two rounds differ. Once more.${pace}`;
}

/** What the meter shows now: its digits, its function, and how much they are worth. */
import {
  METER_FUNCTIONS,
  spoiledBy,
  splitQuantity,
  type HoldState,
  type MeterLine,
  type Unit,
} from '@jeitinho/core';
import { useEffect, useState } from 'react';
import { isStale, useMeterFeed } from '../../data/meter/feed';

/** Looks again from time to time: a figure grows stale without anything happening. */
export function useStale(): boolean {
  const feed = useMeterFeed();
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  return isStale(feed, Math.max(now, feed.at));
}

export function digitsOf(line: MeterLine): { digits: string; unit: string } {
  if (line.value === null) return { digits: 'OL', unit: '' };
  return splitQuantity(line.value, line.unit as Unit);
}

const WORDS: Record<HoldState['kind'], string> = {
  air: 'nothing on the leads',
  held: 'held; move the leads',
  settling: 'settling',
  take: 'held',
};

/** How a figure stands that nobody is about to hold. */
const restWords = (line: MeterLine | undefined): string =>
  line?.flags.includes('unsteady')
    ? 'does not come to rest: the middle is shown'
    : line?.flags.includes('stable')
      ? 'steady'
      : 'moving';

export function MeterDigits({
  hold,
  wrong,
  quiet,
}: {
  hold: HoldState['kind'] | undefined;
  wrong: string | undefined;
  /** The digits stand large elsewhere on the card; here they are for readers only. */
  quiet: boolean;
}) {
  const feed = useMeterFeed();
  const stale = useStale();
  const { line } = feed;
  const figure = line && !stale ? digitsOf(line) : undefined;
  const spoiled = line && spoiledBy(line);
  const note = stale
    ? (feed.trouble ??
      (feed.status === 'lost' ? 'The meter is gone.' : 'No figures come: nothing is recorded.'))
    : (spoiled ?? wrong ?? (hold ? WORDS[hold] : restWords(line)));
  return (
    <div className="min-w-0 basis-full">
      <p className={quiet ? 'sr-only' : 'm-0 flex flex-wrap items-baseline gap-x-2'}>
        <output
          aria-label="The meter shows"
          className={`figure text-[34px] leading-tight whitespace-nowrap max-lg:text-[28px] ${stale ? 'text-soft' : ''}`}
        >
          {figure ? `${figure.digits} ${figure.unit}`.trim() : '– – –'}
        </output>
        {line && <span className="text-[14px] text-soft">{METER_FUNCTIONS[line.fn].words}</span>}
      </p>
      <p
        role="status"
        className={`m-0 text-[14px] ${wrong || stale || spoiled ? 'font-semibold text-brick' : 'text-soft'}`}
      >
        {note}
      </p>
    </div>
  );
}

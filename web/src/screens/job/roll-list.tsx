/** The lines of the roll, newest at the bottom. A long one has only those on the screen drawn. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type ReactNode } from 'react';

export interface RollListProps<T> {
  readonly lines: readonly T[];
  readonly keyOf: (line: T) => string;
  /** What of a line stands in its row. */
  readonly draw: (line: T) => ReactNode;
  /** A change of it brings the last line into view. */
  readonly newest: number;
}

/** Below it every line is drawn: searching in the page and reading aloud find all of them. */
const LONG = 120;
/** Height of most lines, px; those on the screen are measured. */
const USUAL = 46;
const LABEL = 'Roll, newest at the bottom';
const ROW = 'flex items-center gap-2 border-b border-hair text-[15px]';

export function RollList<T>(props: RollListProps<T>) {
  return props.lines.length > LONG ? <LongList {...props} /> : <WholeList {...props} />;
}

function WholeList<T>({ lines, keyOf, draw, newest }: RollListProps<T>) {
  const end = useRef<HTMLLIElement>(null);
  useEffect(() => {
    // Braces: newer browsers return a promise here, which is no clean-up.
    void end.current?.scrollIntoView({ block: 'end' });
  }, [newest]);
  return (
    <ol className="m-0 list-none px-[18px] py-2" aria-label={LABEL}>
      {lines.map((line, i) => (
        <li key={keyOf(line)} ref={i === lines.length - 1 ? end : undefined} className={ROW}>
          {draw(line)}
        </li>
      ))}
    </ol>
  );
}

/** What scrolls around an element. */
function scrollerOf(element: Element | null): Element | null {
  for (let up = element?.parentElement ?? null; up; up = up.parentElement)
    if (/auto|scroll/.test(getComputedStyle(up).overflowY)) return up;
  return document.scrollingElement;
}

function LongList<T>({ lines, keyOf, draw, newest }: RollListProps<T>) {
  const list = useRef<HTMLOListElement>(null);
  // Its functions are asked anew at each drawing; nothing here keeps them.
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scrollerOf(list.current),
    estimateSize: () => USUAL,
    overscan: 12,
    getItemKey: (i) => keyOf(lines[i]!),
  });
  const last = lines.length - 1;
  useEffect(() => virtual.scrollToIndex(last, { align: 'end' }), [virtual, last, newest]);
  return (
    <ol
      ref={list}
      className="relative m-0 list-none py-2"
      style={{ height: virtual.getTotalSize() }}
      aria-label={LABEL}
    >
      {virtual.getVirtualItems().map(({ key, index, start }) => (
        <li
          key={key}
          ref={virtual.measureElement}
          data-index={index}
          aria-setsize={lines.length}
          aria-posinset={index + 1}
          className={`${ROW} absolute inset-x-[18px] top-0`}
          style={{ transform: `translateY(${start}px)` }}
        >
          {draw(lines[index]!)}
        </li>
      ))}
    </ol>
  );
}

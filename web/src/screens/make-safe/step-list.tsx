/** Every step of proving it dead, in order: figures that stand, the one in hand, what is still to come. */
import { METER_FUNCTIONS, type VoltsFunction } from '@jeitinho/core';
import { clockTime } from '../../data/now';
import type { SafeRow } from './safe-steps';

export interface StepListProps {
  readonly rows: readonly SafeRow[];
  readonly inHand: string | undefined;
  readonly isolatedAt: string | undefined;
  /** Measure this pair now, out of turn. */
  readonly onPair: (id: string) => void;
}

export function StepList({ rows, inHand, isolatedAt, onPair }: StepListProps) {
  return (
    <ol aria-label="Steps to dead" className="m-0 list-none p-0">
      {rows.map((row) => (
        <li
          key={row.id}
          aria-current={row.id === inHand ? 'step' : undefined}
          className={`grid grid-cols-[26px_minmax(0,1fr)_auto] items-baseline gap-x-2 ${
            row.id === inHand
              ? 'border-2 border-jade bg-card px-2 py-1.5'
              : 'border-b border-hair px-2.5 py-1'
          }`}
        >
          <Mark row={row} />
          <Words row={row} isolatedAt={isolatedAt} onPair={onPair} />
          <Figure row={row} now={row.id === inHand} />
        </li>
      ))}
    </ol>
  );
}

/** A tick, the number of the pair, a stroke where it read too high; each has its word in the figure. */
function Mark({ row }: { row: SafeRow }) {
  const done = row.kind === 'pair' ? row.state === 'proven' : row.done;
  const text = done ? '✓' : row.kind === 'pair' ? String(row.n) : '–';
  return (
    <span aria-hidden="true" className={`figure ${done ? 'text-jade' : 'text-soft'}`}>
      {text}
    </span>
  );
}

function Words({
  row,
  isolatedAt,
  onPair,
}: {
  row: SafeRow;
  isolatedAt: string | undefined;
  onPair: (id: string) => void;
}) {
  if (row.kind === 'isolate')
    return (
      <span className="font-semibold">
        Isolate and lock
        {row.done && isolatedAt && (
          <span className="font-normal text-soft"> at {clockTime(isolatedAt)}</span>
        )}
      </span>
    );
  if (row.kind === 'meter')
    return (
      <span className={row.done ? '' : 'text-soft'}>
        {row.again ? 'The meter again' : 'The meter'} <Dial fn={row.function} />
      </span>
    );
  return (
    <button
      type="button"
      onClick={() => onPair(row.id)}
      className="-my-1 min-h-11 min-w-0 cursor-pointer text-left"
    >
      <span className="font-semibold">{row.pair.name}</span> <Dial fn={row.pair.function} />
    </button>
  );
}

/** Where the dial stands, boxed as on the meter. */
export function Dial({ fn }: { fn: VoltsFunction }) {
  return (
    <span
      aria-label={METER_FUNCTIONS[fn].words}
      role="img"
      className="figure inline-block border border-ink px-1.5 text-[13px] leading-5 font-semibold"
    >
      {fn}
    </span>
  );
}

function Figure({ row, now }: { row: SafeRow; now: boolean }) {
  if (row.kind === 'isolate') return null;
  if (row.kind === 'meter')
    return <span className="figure text-[15px] text-soft">{row.figure ?? (now ? 'now' : '')}</span>;
  const [words, look] = {
    proven: [row.figure, 'text-jade font-semibold'],
    measured: [row.figure, 'text-ink'],
    high: [row.figure, 'text-brick font-semibold'],
    open: [row.figure, 'text-soft'],
  }[row.state];
  return (
    <span className={`figure text-[16px] ${look}`}>
      {words ?? (now ? 'now' : '')}
      {row.state === 'high' && <span className="sr-only">, too high</span>}
      {row.state === 'proven' && <span className="sr-only">, proven</span>}
    </span>
  );
}

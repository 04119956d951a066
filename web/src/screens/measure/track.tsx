/** A series drawn over time as it grows: figures, the line between them, the event, and what is wanted. */
import { formatQuantity } from '@jeitinho/core';
import {
  secondsOf,
  wantedOf,
  type Series,
  type SeriesExpectation,
  type Wanted,
} from '@jeitinho/core/judge';
import { rangeOf } from './track-range';

const W = 480;
const H = 170;
const [LEFT, RIGHT, TOP, FOOT] = [10, 70, 12, 22];
/** More marks than this would be one black bar. */
const MOST_MARKS = 150;

export function Track({ series, expect }: { series: Series; expect: SeriesExpectation }) {
  const { samples, event } = series;
  if (samples.length === 0) return null;
  const wanted = wantedOf(expect, series);
  const edges = wanted.flatMap(({ low, high }) => [low, high]).filter((v) => v !== undefined);
  const last = Math.max(samples.at(-1)!.t, event ?? 0, secondsOf(expect), 1);
  const all = samples.map(({ value }) => value);
  const { low, high, zoomed } = rangeOf(all, edges);
  const x = (t: number) => LEFT + (t / last) * (W - LEFT - RIGHT);
  const y = (value: number) => H - FOOT - ((value - low) / (high - low)) * (H - TOP - FOOT);
  const show = (value: number) => formatQuantity(value, expect.unit, 3);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full border border-hair bg-card"
      role="img"
      aria-label={`Track of ${samples.length} figures over ${Math.round(samples.at(-1)!.t)} s: ${all.slice(-12).map(show).join(', ')}${event === undefined ? '' : `; event at ${Math.round(event)} s`}`}
    >
      {wanted.map((band, i) => (
        <Band key={i} band={band} x={x} y={y} last={last} ends={[low, high]} show={show} />
      ))}
      <line
        x1={LEFT}
        x2={W - RIGHT}
        y1={y(low)}
        y2={y(low)}
        stroke="var(--soft)"
        strokeDasharray={zoomed ? '2 4' : undefined}
      />
      {zoomed && (
        <text x={LEFT} y={H - 6} fontSize="13" fill="var(--soft)" className="figure">
          from {show(low)}
        </text>
      )}
      <polyline
        points={samples.map(({ t, value }) => `${x(t)},${y(value)}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {samples.length <= MOST_MARKS &&
        samples.map(({ t, value }, i) => (
          <circle key={i} cx={x(t)} cy={y(value)} r="3.5" fill="var(--ink)" />
        ))}
      <text
        x={W - RIGHT + 6}
        y={y(all.at(-1)!) + 4}
        fontSize="13"
        fontWeight="700"
        className="figure"
        fill="var(--ink)"
      >
        {show(all.at(-1)!)}
      </text>
      {event !== undefined && (
        <line
          x1={x(event)}
          x2={x(event)}
          y1={TOP}
          y2={H - FOOT}
          stroke="var(--marigold)"
          strokeWidth="2"
          strokeDasharray="4 3"
        />
      )}
      <text
        x={W - RIGHT}
        y={H - 6}
        fontSize="13"
        textAnchor="end"
        fill="var(--soft)"
        className="figure"
      >
        {Math.round(last)} s
      </text>
    </svg>
  );
}

interface BandProps {
  readonly band: Wanted;
  readonly x: (t: number) => number;
  readonly y: (value: number) => number;
  readonly last: number;
  readonly ends: readonly [number, number];
  readonly show: (value: number) => string;
}

function Band({ band, x, y, last, ends, show }: BandProps) {
  const left = x(Math.min(last, band.from ?? 0));
  const right = x(Math.min(last, band.to ?? last));
  const top = y(Math.min(ends[1], band.high ?? ends[1]));
  const foot = y(Math.max(ends[0], band.low ?? ends[0]));
  return (
    <g>
      <rect
        x={left}
        y={top}
        width={Math.max(0, right - left)}
        height={Math.max(1, foot - top)}
        fill="var(--jade-tint)"
        stroke="var(--jade)"
        strokeDasharray="5 4"
      />
      {band.high !== undefined && (
        <text x={left + 4} y={top + 12} fontSize="11" fill="var(--jade)" className="figure">
          {show(band.high)}
        </text>
      )}
      {band.low !== undefined && band.low !== band.high && (
        <text x={left + 4} y={foot - 3} fontSize="11" fill="var(--jade)" className="figure">
          {show(band.low)}
        </text>
      )}
    </g>
  );
}

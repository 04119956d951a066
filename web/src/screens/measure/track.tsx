/** A series drawn over time: figures, the line between them, the event. */
import { formatQuantity, type Series, type SeriesExpectation } from '@jeitinho/core';

const W = 480;
const H = 150;

export function Track({ series, expect }: { series: Series; expect: SeriesExpectation }) {
  const { samples, event } = series;
  if (samples.length === 0) return null;
  const last = Math.max(samples.at(-1)!.t, event ?? 0, 1);
  const all = samples.map(({ value }) => value);
  const low = Math.min(0, ...all);
  const high = Math.max(...all, low + 1e-12);
  const x = (t: number) => 10 + (t / last) * (W - 20);
  const y = (value: number) => H - 24 - ((value - low) / (high - low)) * (H - 48);
  const show = (value: number) => formatQuantity(value, expect.unit, 3);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mt-2 block w-full border border-hair bg-card"
      role="img"
      aria-label={`Track of ${samples.length} figures over ${Math.round(last)} s: ${all.map(show).slice(-12).join(', ')}${event === undefined ? '' : `; event at ${Math.round(event)} s`}`}
    >
      <line x1="10" x2={W - 10} y1={y(0)} y2={y(0)} stroke="var(--hair)" />
      <polyline
        points={samples.map(({ t, value }) => `${x(t)},${y(value)}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {samples.map(({ t, value }, i) => (
        <circle key={i} cx={x(t)} cy={y(value)} r="3" fill="var(--ink)" />
      ))}
      {event !== undefined && (
        <line
          x1={x(event)}
          x2={x(event)}
          y1="8"
          y2={H - 20}
          stroke="var(--marigold)"
          strokeWidth="2"
          strokeDasharray="4 3"
        />
      )}
      <text x="10" y="16" fontSize="13" fill="var(--soft)" className="figure">
        {show(high)}
      </text>
      <text
        x={W - 10}
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

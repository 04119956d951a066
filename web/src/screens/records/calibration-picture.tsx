/** Of all that was called so likely, how much was so: a ring a band, its size by how many, and where it should lie. */
import type { RightResource } from '@jeitinho/core';
import { bandInterval } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';

type Band = RightResource['bands'][number];

const [SIDE, LEFT, TOP] = [320, 58, 28];
const TICKS = [0, 0.25, 0.5, 0.75, 1];

const x = (p: number) => LEFT + p * SIDE;
const y = (p: number) => TOP + (1 - p) * SIDE;

/** Rings stay apart and can be seen: area by count, within bounds. */
const radius = (count: number, most: number) => 6 + 14 * Math.sqrt(count / most);

export function CalibrationPicture({ bands }: { readonly bands: readonly Band[] }) {
  const most = Math.max(...bands.map(({ count }) => count));
  return (
    <svg
      viewBox={`0 0 ${LEFT + SIDE + 24} ${TOP + SIDE + 52}`}
      className="w-full max-w-[460px] bg-card"
      role="img"
      aria-label={`What was said against what was so, ${bands.length} bands; the table beside it has the figures.`}
    >
      <rect x={LEFT} y={TOP} width={SIDE} height={SIDE} fill="none" stroke="var(--soft)" />
      {TICKS.map((p) => (
        <g key={p} fontSize="13" fill="var(--soft)">
          <line x1={x(p)} x2={x(p)} y1={TOP} y2={TOP + SIDE} stroke="var(--hair)" />
          <line x1={LEFT} x2={LEFT + SIDE} y1={y(p)} y2={y(p)} stroke="var(--hair)" />
          <text x={x(p)} y={TOP + SIDE + 18} textAnchor="middle">
            {percent(p)}
          </text>
          <text x={LEFT - 8} y={y(p) + 4} textAnchor="end">
            {percent(p)}
          </text>
        </g>
      ))}
      <line x1={x(0)} y1={y(0)} x2={x(1)} y2={y(1)} stroke="var(--ink)" strokeDasharray="6 5" />
      {bands.map(({ from, count, right, sumP }) => {
        const [low, high] = bandInterval({ count, right });
        const at = x(sumP / count);
        return (
          <g key={from}>
            <line x1={at} x2={at} y1={y(low)} y2={y(high)} stroke="var(--jade)" strokeWidth="3" />
            <circle
              cx={at}
              cy={y(right / count)}
              r={radius(count, most)}
              fill="var(--jade-tint)"
              stroke="var(--jade)"
              strokeWidth="2.5"
            />
            <text
              x={at}
              y={y(right / count) + 4.5}
              fontSize="12"
              fontWeight="600"
              fill="var(--ink)"
              textAnchor="middle"
            >
              {count}
            </text>
          </g>
        );
      })}
      <text
        x={LEFT + SIDE / 2}
        y={TOP + SIDE + 42}
        fontSize="14"
        fill="var(--ink)"
        textAnchor="middle"
      >
        how likely it was called
      </text>
      <text
        x={16}
        y={TOP + SIDE / 2}
        fontSize="14"
        fill="var(--ink)"
        textAnchor="middle"
        transform={`rotate(-90 16 ${TOP + SIDE / 2})`}
      >
        how often it was so
      </text>
    </svg>
  );
}

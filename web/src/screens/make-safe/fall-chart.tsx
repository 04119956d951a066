/** Readings of a store over time, the forecast through them, and the limits. */
import { formatQuantity, type Discharge, type PairReading } from '@jeitinho/core';

const W = 460;
const H = 120;
const [LEFT, RIGHT, TOP, FOOT] = [8, 64, 8, 18];
const STEPS = 40;

export interface FallChartProps {
  readonly readings: readonly PairReading[];
  readonly fall: Discharge;
  readonly now: number;
}

export function FallChart({ readings, fall, now }: FallChartProps) {
  const read = readings.flatMap(({ time, reading }) =>
    reading.kind === 'value' ? [{ time, volts: Math.abs(reading.value) }] : [],
  );
  const start = read[0]?.time;
  if (start === undefined) return null;
  const end = Math.max(now, ...fall.limits.map(({ at }) => at ?? 0), start + 60_000);
  const most = Math.max(...read.map(({ volts }) => volts), ...fall.limits.map((l) => l.below));
  const x = (time: number) => LEFT + ((time - start) / (end - start)) * (W - LEFT - RIGHT);
  const y = (volts: number) => H - FOOT - (volts / (most * 1.08)) * (H - TOP - FOOT);
  const { tau } = fall;
  const curve =
    tau === undefined || fall.stuck
      ? ''
      : Array.from({ length: STEPS + 1 }, (_, i) => {
          const time = fall.from + ((end - fall.from) * i) / STEPS;
          const volts = fall.volts * Math.exp(-(time - fall.from) / 1000 / tau);
          return `${i === 0 ? 'M' : 'L'}${x(time).toFixed(1)} ${y(volts).toFixed(1)}`;
        }).join('');
  // Limits close to each other keep their figures apart.
  const labels = fall.limits.map((limit) => y(limit.below) + 4);
  for (let i = labels.length - 2; i >= 0; i -= 1)
    labels[i] = Math.min(labels[i]!, labels[i + 1]! - 12);
  const seconds = (time: number) => Math.round((time - start) / 1000);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mt-2 block w-full border border-hair bg-card"
      role="img"
      aria-label={`Readings: ${read.map(({ time, volts }) => `${formatQuantity(volts, 'V')} at ${seconds(time)} s`).join(', ')}. Limits: ${fall.limits.map((l) => `${l.title} below ${formatQuantity(l.below, 'V')}${l.at === undefined || l.reached ? '' : `, foretold at ${seconds(l.at)} s`}`).join('; ')}.`}
    >
      {fall.limits.map((limit, i) => (
        <g key={limit.id}>
          <line
            x1={LEFT}
            x2={W - RIGHT}
            y1={y(limit.below)}
            y2={y(limit.below)}
            stroke="var(--jade)"
            strokeDasharray="5 4"
          />
          <text x={W - RIGHT + 4} y={labels[i]} fontSize="12" className="figure" fill="var(--jade)">
            {formatQuantity(limit.below, 'V')}
          </text>
        </g>
      ))}
      {curve && (
        <path d={curve} fill="none" stroke="var(--soft)" strokeWidth="1.5" strokeDasharray="3 3" />
      )}
      <line x1={x(now)} x2={x(now)} y1={TOP} y2={H - FOOT} stroke="var(--hair)" strokeWidth="2" />
      {read.map(({ time, volts }) => (
        <circle key={time} cx={x(time)} cy={y(volts)} r="4" fill="var(--ink)" />
      ))}
      <line x1={LEFT} x2={W - RIGHT} y1={H - FOOT} y2={H - FOOT} stroke="var(--soft)" />
      <text x={W - RIGHT} y={H - 4} fontSize="12" textAnchor="end" fill="var(--soft)">
        {seconds(end)} s
      </text>
    </svg>
  );
}

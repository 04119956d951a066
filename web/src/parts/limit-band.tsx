/** The limit band: acceptable region, watch region, and readings with their uncertainty. */
import { formatQuantity } from '@jeitinho/core';
import { limitsOf, limitWords, type Expectation } from '@jeitinho/core/judge';
import { bandScale } from './band-scale';

export interface BandMark {
  readonly label: string;
  /** Corrected value; Infinity for OL. */
  readonly value: number;
  /** Half-width of the meter's limits of error. */
  readonly half: number;
  readonly kind: 'now' | 'typed' | 'other';
}

const WIDTH = 320;
const X = (share: number) => 8 + share * (WIDTH - 16);

export function LimitBand({ expect, marks }: { expect: Expectation; marks: readonly BandMark[] }) {
  const limits = limitsOf(expect);
  const scale = bandScale(limits);
  const left = limits.low === -Infinity ? 0 : scale.at(limits.low);
  const right = limits.high === Infinity ? 1 : scale.at(limits.high);
  const show = (value: number) => formatQuantity(value, expect.unit);
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDTH} 66`}
        className="block w-full"
        role="img"
        aria-label={describe(expect, marks)}
      >
        <line x1="4" x2={WIDTH - 4} y1="24" y2="24" stroke="var(--hair)" strokeWidth="2" />
        {expect.watch && (
          <rect
            x={X(scale.at(expect.watch.low))}
            width={X(scale.at(expect.watch.high)) - X(scale.at(expect.watch.low))}
            y="15"
            height="18"
            fill="var(--marigold-tint)"
            stroke="var(--marigold)"
            strokeDasharray="3 3"
          />
        )}
        <rect
          x={X(left)}
          width={Math.max(2, X(right) - X(left))}
          y="11"
          height="26"
          fill="var(--jade-tint)"
          stroke="var(--jade)"
        />
        {marks.map((mark, i) => (
          <Mark key={i} mark={mark} x={X(scale.at(mark.value))} scale={scale.at} />
        ))}
        {limits.low !== -Infinity && (
          <Tick
            x={X(left)}
            text={show(limits.low)}
            anchor={limits.high === Infinity ? 'middle' : 'middle'}
          />
        )}
        {limits.high !== Infinity && <Tick x={X(right)} text={show(limits.high)} anchor="middle" />}
      </svg>
    </figure>
  );
}

function Tick({ x, text, anchor }: { x: number; text: string; anchor: 'middle' }) {
  return (
    <text x={x} y="60" textAnchor={anchor} className="figure" fontSize="14" fill="var(--soft)">
      {text}
    </text>
  );
}

function Mark({ mark, x, scale }: { mark: BandMark; x: number; scale: (value: number) => number }) {
  if (mark.kind === 'other')
    return <line x1={x} x2={x} y1="14" y2="34" stroke="var(--soft)" strokeWidth="2" />;
  const spread =
    Number.isFinite(mark.value) && mark.half > 0
      ? [X(scale(mark.value - mark.half)), X(scale(mark.value + mark.half))]
      : undefined;
  return (
    <g stroke="var(--ink)" strokeWidth="2">
      {spread && (
        <path
          d={`M${spread[0]} 24H${spread[1]}M${spread[0]} 19v10M${spread[1]} 19v10`}
          fill="none"
        />
      )}
      <path
        d={`M${x} 14l8 10-8 10-8-10z`}
        fill={mark.kind === 'now' ? 'var(--ink)' : 'var(--card)'}
      />
    </g>
  );
}

function describe(expect: Expectation, marks: readonly BandMark[]): string {
  const figures = marks.map((mark) =>
    mark.value === Infinity
      ? `${mark.label} OL`
      : `${mark.label} ${formatQuantity(mark.value, expect.unit)}`,
  );
  return [`Limit ${limitWords(expect)}`, ...figures].join('; ');
}

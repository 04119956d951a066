/** What counts as dead beside what a live one would read: one look tells how far from either. */
import { formatQuantity } from '@jeitinho/core';

const [W, H] = [460, 64];
const X = (share: number) => 6 + share * (W - 12);

export interface VoltsBandProps {
  readonly deadBelow: number;
  /** About what it would read if it were live or charged. */
  readonly live: number;
  readonly liveWords: string;
  readonly value: number | undefined;
}

export function VoltsBand({ deadBelow, live, liveWords, value }: VoltsBandProps) {
  const top = Math.max(live, deadBelow * 1.5);
  // By the root, so that the small figures that matter have room.
  const at = (volts: number) => X(Math.sqrt(Math.min(1, Math.max(0, volts / top))));
  const x = value === undefined ? undefined : at(value);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full max-w-[520px]"
      role="img"
      aria-label={`Dead below ${formatQuantity(deadBelow, 'V')}; ${liveWords}${value === undefined ? '' : `; it reads ${formatQuantity(value, 'V')}`}`}
    >
      <line x1="6" x2={W - 6} y1="22" y2="22" stroke="var(--hair)" strokeWidth="2" />
      <rect
        x={X(0)}
        width={at(deadBelow) - X(0)}
        y="9"
        height="26"
        fill="var(--jade-tint)"
        stroke="var(--jade)"
      />
      {x !== undefined && (
        <path d={`M${x} 12l8 10-8 10-8-10z`} fill="var(--ink)" stroke="var(--ink)" />
      )}
      <text x={X(0)} y="56" fontSize="14" className="figure" fill="var(--soft)">
        0
      </text>
      <text
        x={at(deadBelow)}
        y="56"
        fontSize="14"
        textAnchor="middle"
        className="figure"
        fill="var(--soft)"
      >
        {formatQuantity(deadBelow, 'V')}
      </text>
      <text x={W - 6} y="56" fontSize="14" textAnchor="end" fill="var(--soft)">
        {liveWords}
      </text>
    </svg>
  );
}

import { FLAG, type Box } from './flag-places';

/** The flag carries its word in both themes; the black one stays black by night, with an outline. */
export function Flag({
  word,
  box,
  to,
}: {
  word: 'RED' | 'BLACK';
  box: Box;
  to: readonly [number, number];
}) {
  const red = word === 'RED';
  const line = red ? 'var(--lead-red)' : 'var(--ink)';
  const cx = box.x + FLAG.w / 2;
  const cy = box.y + FLAG.h / 2;
  return (
    <g>
      <line x1={cx} y1={cy} x2={to[0]} y2={to[1]} stroke={line} strokeWidth="1.1" />
      <circle
        cx={to[0]}
        cy={to[1]}
        r="2.9"
        fill={red ? 'var(--lead-red)' : '#0b0f0d'}
        stroke={red ? 'none' : 'var(--ink)'}
        strokeWidth="0.7"
      />
      <rect
        x={box.x}
        y={box.y}
        width={box.w}
        height={box.h}
        fill={red ? '#b32a18' : '#0b0f0d'}
        stroke={red ? '#b32a18' : 'var(--ink)'}
        strokeWidth="0.7"
      />
      <text
        x={cx}
        y={cy + 2.4}
        textAnchor="middle"
        fontSize="6.6"
        fontWeight="700"
        fill="#ffffff"
        letterSpacing="0.3"
      >
        {word}
      </text>
    </g>
  );
}

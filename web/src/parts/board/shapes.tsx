/** What is drawn on a board: marks, connectors with painted wires, points. */
import type { Board, BoardMark, Connector, Pin, Place } from '@jeitinho/core/sheet';
import { nameBelow, perRow, PITCH, pinAt, pointName, pointNameBelow } from './geometry';

const PIN = 6;

/** Paint for a named wire; what has no paint here is drawn in ink and told by its name. */
const WIRE_PAINT: Readonly<Record<string, string>> = {
  black: '#111111',
  brown: '#7a4a21',
  red: '#c5281c',
  orange: '#e07b18',
  yellow: '#e6c229',
  green: '#3a8f3f',
  blue: '#2b62b8',
  violet: '#7a4fa3',
  grey: '#8c8c8c',
  white: '#ffffff',
};

/** Paint of a wire by its English name; undefined where it is told by its name only. */
export const paintOf = (wire: string | undefined): string | undefined =>
  wire === undefined ? undefined : WIRE_PAINT[wire];

export function MarkShape({ mark }: { mark: BoardMark }) {
  const [x, y] = mark.at;
  const [w, h] = mark.size ?? [6, 6];
  const stroke = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 0.6, opacity: 0.75 };
  return (
    <g>
      {mark.kind === 'capacitor' ? (
        <circle cx={x + w / 2} cy={y + h / 2} r={w / 2} {...stroke} />
      ) : mark.kind === 'heatsink' ? (
        <path d={fins(x, y, w, h)} {...stroke} strokeWidth={1} opacity={0.4} />
      ) : mark.kind === 'led' ? (
        <path
          d={`M${x} ${y + h / 2}l${w / 2} ${-h / 2} ${w / 2} ${h / 2} ${-w / 2} ${h / 2}z`}
          {...stroke}
        />
      ) : (
        <rect x={x} y={y} width={w} height={h} {...stroke} />
      )}
      {mark.name && (
        <text
          x={x + w / 2}
          y={nameBelow(mark) ? y + h + 6.5 : y + h / 2 + 2}
          textAnchor="middle"
          fontSize="6.2"
          fill="var(--soft)"
        >
          {mark.name}
        </text>
      )}
    </g>
  );
}

function fins(x: number, y: number, w: number, h: number): string {
  const count = Math.max(2, Math.floor(h / 6));
  return Array.from({ length: count }, (_, i) => `M${x} ${y + (i * h) / (count - 1)}h${w}`).join(
    '',
  );
}

export function ConnectorShape({
  connector,
  hot,
  numbered,
  onTouch,
}: {
  connector: NonNullable<Board['connectors']>[number];
  hot: readonly (Place | undefined)[];
  /** Pin numbers beside the pins: only where the view is close enough to read them. */
  numbered: boolean;
  onTouch: (connector: Connector, pin: Pin) => void;
}) {
  const columns = perRow(connector);
  const [x, y] = connector.at;
  return (
    <g>
      <text x={x - 4} y={y + (connector.rows ?? 1) * PITCH + 2.6} fontSize="6.2" fill="var(--soft)">
        {connector.id} {connector.name}
      </text>
      <rect
        x={x - 5}
        y={y - 5}
        width={columns * PITCH + 1}
        height={(connector.rows ?? 1) * PITCH + 1}
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth="0.6"
      />
      {connector.pins.map((pin, i) => {
        const [px, py] = pinAt(connector.at, i, columns);
        const isHot = hot.some((place) => place?.kind === 'pin' && place.pin === pin);
        return (
          <g key={pin.n} onClick={() => onTouch(connector, pin)} className="cursor-pointer">
            {/* A finger needs more than six millimetres of board. */}
            <rect
              x={px - PITCH / 2}
              y={py - PITCH}
              width={PITCH}
              height={2 * PITCH}
              fill="transparent"
            />
            <rect
              x={px - PIN / 2}
              y={py - PIN / 2}
              width={PIN}
              height={PIN}
              fill={paintOf(pin.wire) ?? 'none'}
              stroke={isHot ? 'var(--copper)' : 'var(--soft)'}
              strokeWidth={isHot ? 1.6 : 0.6}
            />
            {numbered && (
              <text
                x={px}
                y={py + 1.6}
                fontSize="4.4"
                textAnchor="middle"
                fontWeight="700"
                fill={isPale(pin.wire) ? '#111111' : '#ffffff'}
                stroke={pin.wire ? 'none' : 'var(--card)'}
                strokeWidth={pin.wire ? 0 : 0.2}
              >
                {pin.n}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Whether a number on this paint must be dark. */
function isPale(wire: string | undefined): boolean {
  const paint = paintOf(wire);
  if (!paint) return true;
  const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(paint.slice(i, i + 2), 16));
  return 0.299 * r! + 0.587 * g! + 0.114 * b! > 140;
}

export function PointShape({
  point,
  hot,
}: {
  point: NonNullable<Board['points']>[number];
  hot: boolean;
}) {
  const [x, y] = point.at;
  const r = point.shape === 'pad' ? 3 : 5;
  const name = { fontSize: '6.2', fill: hot ? 'var(--ink)' : 'var(--soft)' };
  return (
    <g>
      <g opacity={hot ? 1 : 0.6} fill="var(--card)" stroke="var(--copper)" strokeWidth="1.2">
        {point.shape === 'pad' ? (
          <rect x={x - r} y={y - r} width={2 * r} height={2 * r} />
        ) : (
          <circle cx={x} cy={y} r={r} />
        )}
      </g>
      {pointNameBelow(point) ? (
        <text x={x} y={y + r + 6} textAnchor="middle" {...name}>
          {pointName(point)}
        </text>
      ) : (
        <text x={x + 8} y={y + 2.2} fontWeight="700" {...name}>
          {pointName(point)}
        </text>
      )}
    </g>
  );
}

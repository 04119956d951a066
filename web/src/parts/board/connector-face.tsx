/**
 * One connector, large: every pin with its number, wire and signal, the two flags on their pins. Seen
 * from the pin side as on the board, or from the wire side, where left and right change places.
 */
import type { Connector, Pin, Place } from '@jeitinho/core/sheet';
import { perRow } from './geometry';
import { paintOf } from './shapes';

export type Side = 'pin' | 'wire';

const CELL = 44;
const GAP = 26;

export interface ConnectorFaceProps {
  readonly connector: Connector;
  readonly side: Side;
  readonly red: Place | undefined;
  readonly black: Place | undefined;
  readonly onTouch: (pin: Pin) => void;
}

export function ConnectorFace({ connector, side, red, black, onTouch }: ConnectorFaceProps) {
  const columns = perRow(connector);
  const rows = connector.rows ?? 1;
  const w = columns * CELL + 16;
  const h = rows * (CELL + GAP) + 12;
  const latchLeft = (connector.key === 'left') === (side === 'pin');
  const flagOf = (pin: Pin) =>
    red?.kind === 'pin' && red.pin === pin
      ? 'red'
      : black?.kind === 'pin' && black.pin === pin
        ? 'black'
        : undefined;
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      className="mx-auto block max-h-[300px] w-full max-lg:max-h-[120px]"
      style={{ maxWidth: `${w * 1.5}px` }}
      role="img"
      aria-label={describe(connector, side, red, black)}
    >
      <rect
        x="2"
        y="2"
        width={w - 4}
        height={h - 4}
        fill="var(--board)"
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      {connector.key && (
        <rect x={latchLeft ? 0 : w - 6} y={h / 2 - 10} width="6" height="20" fill="var(--ink)" />
      )}
      {connector.pins.map((pin, i) => {
        const column = i % columns;
        const row = Math.floor(i / columns);
        const x = 8 + (side === 'pin' ? column : columns - 1 - column) * CELL;
        const y = 8 + row * (CELL + GAP);
        const flag = flagOf(pin);
        return (
          <g key={pin.n} onClick={() => onTouch(pin)} className="cursor-pointer">
            <rect x={x} y={y} width={CELL} height={CELL + GAP} fill="transparent" />
            <rect
              x={x + 8}
              y={y + 4}
              width={CELL - 16}
              height={CELL - 16}
              fill={paintOf(pin.wire) ?? 'var(--card)'}
              stroke={flag === 'red' ? 'var(--lead-red)' : flag ? 'var(--ink)' : 'var(--soft)'}
              strokeWidth={flag ? 5 : 1}
            />
            <text
              x={x + CELL / 2}
              y={y + CELL + 2}
              fontSize="13"
              fontWeight={flag ? 700 : 400}
              textAnchor="middle"
              className="figure"
              fill="var(--ink)"
            >
              {pin.n}
            </text>
            <text
              x={x + CELL / 2}
              y={y + CELL + 15}
              fontSize="9.5"
              textAnchor="middle"
              fontWeight={flag ? 700 : 400}
              fill={flag === 'red' ? 'var(--lead-red)' : 'var(--soft)'}
            >
              {flag ? flag.toUpperCase() : (pin.wire ?? '')}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function describe(
  connector: Connector,
  side: Side,
  red: Place | undefined,
  black: Place | undefined,
): string {
  const columns = perRow(connector);
  const order = connector.pins.slice(0, columns).map(({ n }) => n);
  if (side === 'wire') order.reverse();
  const at = (place: Place | undefined) =>
    place?.kind === 'pin' && place.connector === connector ? place.pin : undefined;
  const flag = (word: string, pin: Pin | undefined) =>
    pin && `${word} on pin ${pin.n}${pin.wire ? `, ${pin.wire} wire` : ''}`;
  return [
    `Connector ${connector.id} seen from the ${side} side: pins ${order.join(', ')} from left to right`,
    flag('red', at(red)),
    flag('black', at(black)),
  ]
    .filter(Boolean)
    .join('; ');
}

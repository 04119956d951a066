/** A board drawn from the sheet, with a flag at each of the two points to touch. */
import {
  locate,
  placeDetail,
  placeName,
  type Board,
  type Pin,
  type BoardMark,
  type Place,
  type Sheet,
} from '@jeitinho/core';
import { useState } from 'react';
import { closeView } from './close-view';
import { FLAG, placeFlag, type Box } from './flag-places';
import { useSmallScreen } from './small-screen';

const PITCH = 9;
const PIN = 6;
const MARGIN = 4;

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

const pinAt = (at: readonly number[], index: number, perRow: number): [number, number] => [
  at[0]! + (index % perRow) * PITCH,
  at[1]! + Math.floor(index / perRow) * PITCH,
];

export interface BoardDrawingProps {
  readonly sheet: Sheet;
  readonly red: string;
  readonly black: string;
}

export function BoardDrawing({ sheet, red, black }: BoardDrawingProps) {
  const redPlace = locate(sheet, red);
  const blackPlace = locate(sheet, black);
  const boards = [...new Set([redPlace?.board, blackPlace?.board])].filter((b) => b !== undefined);
  return (
    <div className="flex flex-col gap-3">
      {boards.map((board) => (
        <OneBoard
          key={board.id}
          board={board}
          red={redPlace?.board === board ? redPlace : undefined}
          black={blackPlace?.board === board ? blackPlace : undefined}
        />
      ))}
    </div>
  );
}

interface OneBoardProps {
  readonly board: Board;
  readonly red: Place | undefined;
  readonly black: Place | undefined;
}

function OneBoard({ board, red, black }: OneBoardProps) {
  const [w, h] = board.size;
  const small = useSmallScreen();
  const [touched, setTouched] = useState<string>();
  const outline = { x: 0, y: 0, w, h };
  const clear = obstacles(board);
  const blackFlag = black && placeFlag(centreOf(black), outline, clear);
  const redFlag =
    red && placeFlag(centreOf(red), outline, [...clear, ...(blackFlag ? [grown(blackFlag)] : [])]);
  const around = { x: -MARGIN, y: -MARGIN, w: w + 2 * MARGIN, h: h + 2 * MARGIN };
  const hot = [red, black].filter((place) => place !== undefined).map((place) => pointBox(place));
  const flags = [redFlag, blackFlag].filter((flag) => flag !== undefined);
  const view = small ? closeView(around, [...hot, ...flags]) : around;
  return (
    <figure className="m-0 border border-hair bg-card p-2 max-lg:p-1.5">
      <figcaption className="px-1 pb-1 text-[14px] text-soft max-lg:text-[13px]">
        {board.name}
        {touched && <span className="text-ink"> · {touched}</span>}
      </figcaption>
      <svg
        viewBox={`${view.x} ${view.y} ${view.w} ${view.h}`}
        className="mx-auto block max-h-[330px] w-full max-lg:max-h-[128px]"
        role="img"
        aria-label={describe(board, red, black)}
      >
        <rect width={w} height={h} fill="var(--board)" stroke="var(--ink)" strokeWidth="0.8" />
        {board.marks?.map((mark) => (
          <MarkShape key={mark.id} mark={mark} />
        ))}
        {board.connectors?.map((connector) => (
          <ConnectorShape
            key={connector.id}
            connector={connector}
            hot={[red, black]}
            onTouch={setTouched}
          />
        ))}
        {board.points?.map((point) => (
          <PointShape
            key={point.id}
            point={point}
            hot={[red, black].some((p) => p?.kind === 'point' && p.point === point)}
          />
        ))}
        {black && blackFlag && <Flag word="BLACK" box={blackFlag} to={centreOf(black)} />}
        {red && redFlag && <Flag word="RED" box={redFlag} to={centreOf(red)} />}
      </svg>
    </figure>
  );
}

function centreOf(place: Place): [number, number] {
  if (place.kind === 'point') return [place.point.at[0], place.point.at[1]];
  const { connector, pin } = place;
  return pinAt(connector.at, connector.pins.indexOf(pin), perRow(connector));
}

const perRow = (connector: { rows?: number | undefined; pins: readonly unknown[] }) =>
  Math.ceil(connector.pins.length / (connector.rows ?? 1));

/** A point with its label. */
function pointBox(place: Place): Box {
  const [x, y] = centreOf(place);
  return { x: x - 6, y: y - 6, w: 22, h: 14 };
}

const grown = (box: Box): Box => ({ x: box.x - 2, y: box.y - 2, w: box.w + 4, h: box.h + 4 });

/** Fins and lights have no room inside for their name. */
const nameBelow = (mark: BoardMark) => mark.kind === 'heatsink' || mark.kind === 'led';

/** The name of a mark, roughly as wide as it is set. */
function nameBox(mark: BoardMark): Box[] {
  if (!mark.name) return [];
  const [w, h] = mark.size ?? [6, 6];
  const wide = mark.name.length * 2.9;
  const top = nameBelow(mark) ? mark.at[1] + h + 1 : mark.at[1] + h / 2 - 4;
  return [{ x: mark.at[0] + w / 2 - wide / 2, y: top, w: wide, h: 7 }];
}

function obstacles(board: Board): Box[] {
  return [
    ...(board.marks ?? []).flatMap(nameBox),
    ...(board.connectors ?? []).map((connector) => ({
      x: connector.at[0] - 5,
      y: connector.at[1] - 5,
      w: perRow(connector) * PITCH + 2,
      h: (connector.rows ?? 1) * PITCH + 9,
    })),
    ...(board.points ?? []).map((point) => ({
      x: point.at[0] - 7,
      y: point.at[1] - 7,
      w: 26,
      h: 14,
    })),
  ];
}

function MarkShape({ mark }: { mark: BoardMark }) {
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

function ConnectorShape({
  connector,
  hot,
  onTouch,
}: {
  connector: NonNullable<Board['connectors']>[number];
  hot: readonly (Place | undefined)[];
  onTouch: (words: string) => void;
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
          <g
            key={pin.n}
            onClick={() => onTouch(pinWords(connector.id, pin))}
            className="cursor-pointer"
          >
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
              fill={(pin.wire && WIRE_PAINT[pin.wire]) ?? 'none'}
              stroke={isHot ? 'var(--copper)' : 'var(--soft)'}
              strokeWidth={isHot ? 1.6 : 0.6}
            />
          </g>
        );
      })}
    </g>
  );
}

/** What the sheet knows of a pin, for the one who touches it in the drawing. */
function pinWords(connector: string, pin: Pin): string {
  const facts = [pin.signal, pin.wire && `${pin.wire} wire`].filter(Boolean).join(', ');
  return `${connector} pin ${pin.n}: ${facts || 'nothing noted'}`;
}

function PointShape({ point, hot }: { point: NonNullable<Board['points']>[number]; hot: boolean }) {
  const [x, y] = point.at;
  const r = point.shape === 'pad' ? 3 : 5;
  return (
    <g opacity={hot ? 1 : 0.6}>
      {point.shape === 'pad' ? (
        <rect
          x={x - r}
          y={y - r}
          width={2 * r}
          height={2 * r}
          fill="var(--card)"
          stroke="var(--copper)"
          strokeWidth="1.2"
        />
      ) : (
        <circle cx={x} cy={y} r={r} fill="var(--card)" stroke="var(--copper)" strokeWidth="1.2" />
      )}
      {point.shape === 'pad' ? (
        <text x={x} y={y + 9} textAnchor="middle" fontSize="6.2" fill="var(--ink)">
          {point.name ?? point.id}
        </text>
      ) : (
        <text x={x + 8} y={y + 2.2} fontSize="6.4" fontWeight="700" fill="var(--ink)">
          {point.name ?? point.id}
        </text>
      )}
    </g>
  );
}

/** The flag carries its word in both themes; the black one stays black by night, with an outline. */
function Flag({
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

function describe(board: Board, red: Place | undefined, black: Place | undefined): string {
  const say = (colour: string, place: Place | undefined) => {
    if (!place) return undefined;
    const detail = placeDetail(place);
    return `${colour} on ${placeName(place)}${detail ? ` (${detail})` : ''}`;
  };
  const flags = [say('red', red), say('black', black)].filter(Boolean).join(', ');
  return `Drawing of the ${board.name}: ${flags}.`;
}

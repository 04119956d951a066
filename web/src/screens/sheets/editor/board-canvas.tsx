/**
 * A board to be drawn: connectors, points and marks are dragged to their place, or moved by the arrow
 * keys a millimetre at a time, or set by numbers in the form below.
 */
import type { Board } from '@jeitinho/core/sheet';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { perRow, PITCH } from '../../../parts/board/geometry';
import { ConnectorShape, MarkShape, PointShape } from '../../../parts/board/shapes';

export interface Piece {
  readonly list: 'connectors' | 'points' | 'marks';
  readonly index: number;
}

export interface BoardCanvasProps {
  readonly board: Board;
  readonly picked: Piece | undefined;
  readonly onPick: (piece: Piece | undefined) => void;
  readonly onMove: (piece: Piece, at: [number, number]) => void;
}

interface Drag {
  readonly piece: Piece;
  readonly offset: readonly [number, number];
}

export function BoardCanvas({ board, picked, onPick, onMove }: BoardCanvasProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag>();
  const [w, h] = board.size;

  /** Board millimetres under the pointer. */
  const place = (event: PointerEvent): [number, number] => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.current!.getScreenCTM()!.inverse(),
    );
    return [point.x, point.y];
  };
  const inside = ([x, y]: readonly [number, number]): [number, number] => [
    Math.round(Math.min(w, Math.max(0, x))),
    Math.round(Math.min(h, Math.max(0, y))),
  ];

  const pieces = (list: Piece['list']) =>
    (board[list] ?? []).map((each, index) => {
      const piece: Piece = { list, index };
      const at = each.at as [number, number];
      const name = 'name' in each && each.name ? `${each.id} ${each.name}` : each.id;
      const isPicked = picked?.list === list && picked.index === index;
      const onKeyDown = (event: KeyboardEvent) => {
        const step = event.shiftKey ? 10 : 1;
        const by = {
          ArrowLeft: [-step, 0],
          ArrowRight: [step, 0],
          ArrowUp: [0, -step],
          ArrowDown: [0, step],
        }[event.key];
        if (by) {
          event.preventDefault();
          onMove(piece, inside([at[0] + by[0]!, at[1] + by[1]!]));
        } else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          onPick(piece);
        }
      };
      return (
        <g
          key={`${list}-${index}`}
          role="button"
          tabIndex={0}
          aria-label={`${name} at ${at[0]}, ${at[1]} millimetres. Arrow keys move it.`}
          aria-pressed={isPicked}
          className="cursor-grab outline-none [&:focus-visible>rect:first-child]:stroke-[var(--jade)]"
          onKeyDown={onKeyDown}
          onFocus={() => onPick(piece)}
          onPointerDown={(event) => {
            const [x, y] = place(event);
            setDrag({ piece, offset: [x - at[0], y - at[1]] });
            onPick(piece);
            svg.current!.setPointerCapture(event.pointerId);
          }}
        >
          <Halo piece={piece} board={board} on={isPicked} />
          <Drawn piece={piece} board={board} />
        </g>
      );
    });

  return (
    <svg
      ref={svg}
      viewBox={`-4 -4 ${w + 8} ${h + 8}`}
      className="block max-h-[440px] w-full touch-none border border-hair bg-card select-none"
      aria-label={`Drawing of ${board.name}, ${w} by ${h} millimetres`}
      onPointerMove={(event) => {
        if (!drag) return;
        const [x, y] = place(event);
        onMove(drag.piece, inside([x - drag.offset[0], y - drag.offset[1]]));
      }}
      onPointerUp={() => setDrag(undefined)}
      onPointerCancel={() => setDrag(undefined)}
    >
      <rect width={w} height={h} fill="var(--board)" stroke="var(--ink)" strokeWidth="0.8" />
      <Grid w={w} h={h} />
      {pieces('marks')}
      {pieces('connectors')}
      {pieces('points')}
    </svg>
  );
}

/** Ten millimetres apart, to see how far things stand. */
function Grid({ w, h }: { w: number; h: number }) {
  const lines = (size: number) =>
    Array.from({ length: Math.floor(size / 10) }, (_, i) => (i + 1) * 10);
  return (
    <path
      d={
        lines(w)
          .map((x) => `M${x} 0V${h}`)
          .join('') +
        lines(h)
          .map((y) => `M0 ${y}H${w}`)
          .join('')
      }
      stroke="var(--hair)"
      strokeWidth="0.2"
      fill="none"
    />
  );
}

function Drawn({ piece, board }: { piece: Piece; board: Board }) {
  if (piece.list === 'connectors')
    return (
      <ConnectorShape
        connector={board.connectors![piece.index]!}
        numbered={false}
        hot={[]}
        onTouch={() => undefined}
      />
    );
  if (piece.list === 'points') return <PointShape point={board.points![piece.index]!} hot />;
  return <MarkShape mark={board.marks![piece.index]!} />;
}

/** The frame of the piece in hand, which is also what a finger catches. */
function Halo({ piece, board, on }: { piece: Piece; board: Board; on: boolean }) {
  const box = boxOf(piece, board);
  return (
    <rect
      {...box}
      fill="transparent"
      stroke={on ? 'var(--jade)' : 'transparent'}
      strokeWidth="1.4"
      strokeDasharray="3 2"
    />
  );
}

function boxOf({ list, index }: Piece, board: Board) {
  if (list === 'connectors') {
    const connector = board.connectors![index]!;
    return {
      x: connector.at[0] - 8,
      y: connector.at[1] - 8,
      width: perRow(connector) * PITCH + 7,
      height: (connector.rows ?? 1) * PITCH + 14,
    };
  }
  if (list === 'points') {
    const [x, y] = board.points![index]!.at;
    return { x: x - 9, y: y - 9, width: 18, height: 20 };
  }
  const { at, size } = board.marks![index]!;
  return { x: at[0] - 3, y: at[1] - 3, width: (size?.[0] ?? 6) + 6, height: (size?.[1] ?? 6) + 6 };
}

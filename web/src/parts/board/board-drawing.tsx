/** A board drawn from the sheet, with a flag at each of the two points to touch. */
import { locate, placeDetail, placeName, type Board, type Place, type Sheet } from '@jeitinho/core';
import { useState } from 'react';
import { useSmallScreen } from '../small-screen';
import { closeView } from './close-view';
import { Flag } from './flag';
import { placeFlag } from './flag-places';
import { centreOf, grown, MARGIN, obstacles, pointBox } from './geometry';
import { ConnectorShape, MarkShape, PointShape } from './shapes';

export interface BoardDrawingProps {
  readonly sheet: Sheet;
  readonly red?: string | undefined;
  readonly black?: string | undefined;
}

export function BoardDrawing({ sheet, red, black }: BoardDrawingProps) {
  const redPlace = red === undefined ? undefined : locate(sheet, red);
  const blackPlace = black === undefined ? undefined : locate(sheet, black);
  const boards = [...new Set([redPlace?.board, blackPlace?.board])].filter((b) => b !== undefined);
  return (
    <div className="flex flex-col gap-3">
      {boards.map((board) => (
        <BoardFigure
          key={board.id}
          board={board}
          red={redPlace?.board === board ? redPlace : undefined}
          black={blackPlace?.board === board ? blackPlace : undefined}
        />
      ))}
    </div>
  );
}

export interface BoardFigureProps {
  readonly board: Board;
  readonly red?: Place | undefined;
  readonly black?: Place | undefined;
}

/** One board, whole on a wide screen; on a small one the neighbourhood of its flags. */
export function BoardFigure({ board, red, black }: BoardFigureProps) {
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

function describe(board: Board, red: Place | undefined, black: Place | undefined): string {
  const say = (colour: string, place: Place | undefined) => {
    if (!place) return undefined;
    const detail = placeDetail(place);
    return `${colour} on ${placeName(place)}${detail ? ` (${detail})` : ''}`;
  };
  const flags = [say('red', red), say('black', black)].filter(Boolean).join(', ');
  return flags ? `Drawing of the ${board.name}: ${flags}.` : `Drawing of the ${board.name}.`;
}

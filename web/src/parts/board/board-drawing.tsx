/** A board drawn from the sheet, with a flag at each of the two points to touch. */
import {
  locate,
  placeDetail,
  placeName,
  type Board,
  type Connector,
  type Pin,
  type Place,
  type Sheet,
} from '@jeitinho/core/sheet';
import { useRef, useState, type MouseEvent } from 'react';
import { useSmallScreen } from '../small-screen';
import { closeView } from './close-view';
import { ConnectorFace } from './connector-face';
import { Flag } from './flag';
import { placeFlag, type Box } from './flag-places';
import { centreOf, grown, MARGIN, obstacles, pointBox } from './geometry';
import { ConnectorShape, MarkShape, PointShape } from './shapes';
import { useSide, useView, ViewChoice, type View } from './view-choice';

export interface BoardDrawingProps {
  readonly sheet: Sheet;
  readonly red?: string | undefined;
  readonly black?: string | undefined;
  /** What is known of a place beyond the sheet: what was read there. */
  readonly known?: (ref: string) => string | undefined;
}

export function BoardDrawing({ sheet, red, black, known }: BoardDrawingProps) {
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
          known={known}
        />
      ))}
    </div>
  );
}

export interface BoardFigureProps {
  readonly board: Board;
  readonly red?: Place | undefined;
  readonly black?: Place | undefined;
  readonly known?: ((ref: string) => string | undefined) | undefined;
  /** Always the whole board, without a choice of views. */
  readonly plain?: boolean;
  /** A spot marked on it, and marking one by touch, in its millimetres. */
  readonly spot?: readonly [number, number] | undefined;
  readonly onSpot?: (at: [number, number]) => void;
}

const connectorOf = (place: Place | undefined) =>
  place?.kind === 'pin' ? place.connector : undefined;

export function BoardFigure(props: BoardFigureProps) {
  const { board, red, black, known, plain = false } = props;
  const small = useSmallScreen();
  const [kept, setView] = useView(small);
  const [touched, setTouched] = useState<string>();
  const connectors = [...new Set([connectorOf(red), connectorOf(black)])].filter(
    (each) => each !== undefined,
  );
  const views: View[] =
    connectors.length > 0 ? ['whole', 'close', 'connector'] : ['whole', 'close'];
  const view = plain ? 'whole' : views.includes(kept) ? kept : 'close';
  const touch = (connector: Connector, pin: Pin) => {
    const ref = `${board.id}.${connector.id}.${pin.n}`;
    const facts = [pin.signal, pin.wire && `${pin.wire} wire`, known?.(ref)].filter(Boolean);
    setTouched(`${connector.id} pin ${pin.n}: ${facts.join(', ') || 'nothing noted'}`);
  };
  const choice = !plain && <ViewChoice view={view} views={views} onView={setView} />;
  return (
    <figure className="m-0 border border-hair bg-card p-2 max-lg:p-1">
      <figcaption className="flex items-center justify-between gap-2 px-1 text-[14px] text-soft max-lg:text-[13px]">
        <span className="min-w-0">
          <span className={small && view !== 'whole' ? 'sr-only' : ''}>
            {[board.name, ...(plain ? (board.numbers ?? []) : [])].join(' · ')}
          </span>
          <span role="status" className="text-ink">
            {touched && ` · ${touched}`}
          </span>
        </span>
        {!small && choice}
      </figcaption>
      <div className="flex items-stretch">
        <div className="min-w-0 flex-1">
          {view === 'connector' ? (
            connectors.map((connector) => (
              <Face
                key={connector.id}
                connector={connector}
                red={red}
                black={black}
                onTouch={touch}
              />
            ))
          ) : (
            <WholeBoard {...props} close={view === 'close'} onTouch={touch} />
          )}
        </div>
        {small && choice}
      </div>
    </figure>
  );
}

function Face({
  connector,
  red,
  black,
  onTouch,
}: {
  connector: Connector;
  red: Place | undefined;
  black: Place | undefined;
  onTouch: (connector: Connector, pin: Pin) => void;
}) {
  const [side, setSide] = useSide();
  return (
    <div>
      <div className="flex items-center justify-between gap-2 px-1">
        <strong>
          {connector.id} {connector.name}
        </strong>
        <button
          type="button"
          onClick={() => setSide(side === 'pin' ? 'wire' : 'pin')}
          aria-label={`Seen from the ${side} side. Turn it round`}
          className="min-h-11 cursor-pointer px-2 text-[15px] underline decoration-hair underline-offset-4"
        >
          seen from the <strong>{side} side</strong> ⇄
        </button>
      </div>
      <ConnectorFace
        connector={connector}
        side={side}
        red={red}
        black={black}
        onTouch={(pin) => onTouch(connector, pin)}
      />
      <ul className="sr-only" aria-label={`Pins of ${connector.id}`}>
        {connector.pins.map((pin) => (
          <li key={pin.n}>
            Pin {pin.n}: {[pin.signal, pin.wire && `${pin.wire} wire`].filter(Boolean).join(', ')}
          </li>
        ))}
      </ul>
    </div>
  );
}

interface WholeBoardProps extends BoardFigureProps {
  readonly close: boolean;
  readonly onTouch: (connector: Connector, pin: Pin) => void;
}

function WholeBoard({ board, red, black, close, spot, onSpot, onTouch }: WholeBoardProps) {
  const [w, h] = board.size;
  const drawing = useRef<SVGSVGElement>(null);
  const outline = { x: 0, y: 0, w, h };
  const clear = obstacles(board);
  const blackFlag = black && placeFlag(centreOf(black), outline, clear);
  const redFlag =
    red && placeFlag(centreOf(red), outline, [...clear, ...(blackFlag ? [grown(blackFlag)] : [])]);
  const around = { x: -MARGIN, y: -MARGIN, w: w + 2 * MARGIN, h: h + 2 * MARGIN };
  const hot = [red, black].filter((place) => place !== undefined).map((place) => pointBox(place));
  const flags = [redFlag, blackFlag].filter((flag) => flag !== undefined);
  const view: Box = close ? closeView(around, [...hot, ...flags]) : around;
  const mark = (event: MouseEvent) => {
    const toBoard = drawing.current?.getScreenCTM()?.inverse();
    if (!onSpot || !toBoard) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(toBoard);
    onSpot([Math.round(at.x), Math.round(at.y)]);
  };
  return (
    <svg
      ref={drawing}
      viewBox={`${view.x} ${view.y} ${view.w} ${view.h}`}
      className={`mx-auto block max-h-[min(330px,38dvh)] w-full max-lg:max-h-[128px] ${onSpot ? 'cursor-crosshair' : ''}`}
      role="img"
      aria-label={describe(board, red, black)}
      onClick={onSpot && mark}
    >
      <rect width={w} height={h} fill="var(--board)" stroke="var(--ink)" strokeWidth="0.8" />
      {board.marks?.map((each) => (
        <MarkShape key={each.id} mark={each} />
      ))}
      {board.connectors?.map((connector) => (
        <ConnectorShape
          key={connector.id}
          connector={connector}
          hot={[red, black]}
          numbered={close}
          onTouch={onTouch}
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
      {spot && (
        <path
          d={`M${spot[0] - 6} ${spot[1]}h12M${spot[0]} ${spot[1] - 6}v12`}
          stroke="var(--brick)"
          strokeWidth="2"
        />
      )}
    </svg>
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

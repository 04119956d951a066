/** Where things lie on a drawn board, in its own millimetres. */
import type { Board, BoardMark, BoardPoint, Place } from '@jeitinho/core/sheet';
import type { Box } from './flag-places';

export const PITCH = 9;
/** Air around the outline. */
export const MARGIN = 4;

export const pinAt = (at: readonly number[], index: number, perRow: number): [number, number] => [
  at[0]! + (index % perRow) * PITCH,
  at[1]! + Math.floor(index / perRow) * PITCH,
];

export function centreOf(place: Place): [number, number] {
  if (place.kind === 'point') return [place.point.at[0], place.point.at[1]];
  const { connector, pin } = place;
  return pinAt(connector.at, connector.pins.indexOf(pin), perRow(connector));
}

export const perRow = (connector: { rows?: number | undefined; pins: readonly unknown[] }) =>
  Math.ceil(connector.pins.length / (connector.rows ?? 1));

/** Roughly how wide a letter of a name is set. */
const LETTER = 2.9;
/** Longer names than a rail's or a phase's have no room beside a terminal. */
const LONGEST_BESIDE = 3;

export const pointName = (point: BoardPoint) => point.name ?? point.id;

/** Whether the name stands under the point, centred; short ones stand at its right. */
export const pointNameBelow = (point: BoardPoint) =>
  point.shape === 'pad' || pointName(point).length > LONGEST_BESIDE;

/** A place with its label. */
export function pointBox(place: Place): Box {
  const [x, y] = centreOf(place);
  return place.kind === 'point' ? labelledPoint(place.point) : { x: x - 6, y: y - 6, w: 22, h: 14 };
}

function labelledPoint(point: BoardPoint): Box {
  const [x, y] = point.at;
  if (!pointNameBelow(point)) return { x: x - 7, y: y - 7, w: 26, h: 14 };
  const w = Math.max(14, pointName(point).length * LETTER + 2);
  return { x: x - w / 2, y: y - 7, w, h: 20 };
}

export const grown = (box: Box): Box => ({
  x: box.x - 2,
  y: box.y - 2,
  w: box.w + 4,
  h: box.h + 4,
});

/** Fins and lights have no room inside for their name. */
export const nameBelow = (mark: BoardMark) => mark.kind === 'heatsink' || mark.kind === 'led';

/** The name of a mark, roughly as wide as it is set. */
function nameBox(mark: BoardMark): Box[] {
  if (!mark.name) return [];
  const [w, h] = mark.size ?? [6, 6];
  const wide = mark.name.length * LETTER;
  const top = nameBelow(mark) ? mark.at[1] + h + 1 : mark.at[1] + h / 2 - 4;
  return [{ x: mark.at[0] + w / 2 - wide / 2, y: top, w: wide, h: 7 }];
}

export function obstacles(board: Board): Box[] {
  return [
    ...(board.marks ?? []).flatMap(nameBox),
    ...(board.connectors ?? []).map((connector) => ({
      x: connector.at[0] - 5,
      y: connector.at[1] - 5,
      w: perRow(connector) * PITCH + 2,
      h: (connector.rows ?? 1) * PITCH + 9,
    })),
    ...(board.points ?? []).map(labelledPoint),
  ];
}

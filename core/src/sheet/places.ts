/** Finding the place that a reference such as `inv.CN2.1` or `inv.P` names. */
import type { Board, BoardPoint, Connector, Pin, Sheet } from './schema';

export type Place = { readonly board: Board; readonly ref: string } & (
  | { readonly kind: 'pin'; readonly connector: Connector; readonly pin: Pin }
  | { readonly kind: 'point'; readonly point: BoardPoint }
);

/** @param ref - `main.CN4`; a pin’s own reference will do. */
export function findConnector(
  { boards }: Pick<Sheet, 'boards'>,
  ref: string,
): Connector | undefined {
  const [board, id] = ref.split('.');
  return boards.find((each) => each.id === board)?.connectors?.find((each) => each.id === id);
}

/** The connector that a place belongs to, `main.CN4` of `main.CN4.1`; undefined for a point of a board. */
export function connectorOf(ref: string | undefined): string | undefined {
  const parts = ref?.split('.');
  return parts?.length === 3 ? parts.slice(0, 2).join('.') : undefined;
}

/** @returns undefined where the sheet has no such place. */
export function locate(sheet: Pick<Sheet, 'boards'>, ref: string): Place | undefined {
  const [boardId, second, third] = ref.split('.');
  const board = sheet.boards.find((each) => each.id === boardId);
  if (!board || second === undefined) return undefined;
  if (third === undefined) {
    const point = board.points?.find((each) => each.id === second);
    return point && { kind: 'point', board, ref, point };
  }
  const connector = findConnector(sheet, ref);
  const pin = connector?.pins.find((each) => String(each.n) === third);
  return connector && pin && { kind: 'pin', board, ref, connector, pin };
}

/** Two places that the leads lie on; either may be open. */
interface Leads {
  readonly red?: string | undefined;
  readonly black?: string | undefined;
}

/** Whether the leads lie on the same two places, either way round. */
export const sameLeads = (a: Leads, b: Leads): boolean =>
  (a.red === b.red && a.black === b.black) || (a.red === b.black && a.black === b.red);

/** Short name on the flag and in the placement line: `CN5 pin 3`, `N`. */
export function placeName(place: Place): string {
  return place.kind === 'pin'
    ? `${place.connector.id} pin ${place.pin.n}`
    : (place.point.name ?? place.point.id);
}

/** On which side of a supply's isolation it lies; undefined where nothing is said. */
export const sideOf = (place: Place): 'hot' | 'cold' | undefined =>
  place.kind === 'pin' ? place.pin.side : place.point.side;

/** What is known of the place: signal and wire, for a pin; undefined where nothing is. */
export function placeDetail(place: Place): string | undefined {
  if (place.kind === 'point') return undefined;
  const { signal, wire } = place.pin;
  const parts = [signal, wire && `${wire} wire`].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : undefined;
}

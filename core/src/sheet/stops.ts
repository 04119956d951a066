/** Paths: what a current goes through, place by place, from where it comes to where it returns. */
import { locate, placeName, type Place } from './places';
import type { Board, BoardMark, Harness, Sheet, SheetPath } from './schema';

/** One stop of a path. Places can be probed; between two stops lies a link, which can be broken. */
export type PathStop = { readonly ref: string; readonly name: string } & (
  | { readonly kind: 'place'; readonly place: Place }
  | { readonly kind: 'wire'; readonly harness: Harness }
  | { readonly kind: 'joint'; readonly harness: Harness }
  | { readonly kind: 'mark'; readonly board: Board; readonly mark: BoardMark }
);

type Where = Pick<Sheet, 'boards' | 'harnesses'>;

/** @returns undefined where nothing of the sheet is meant: `board.place`, `board.mark`, `harness`, `harness#joint`. */
export function stopAt(sheet: Where, ref: string): PathStop | undefined {
  const place = locate(sheet, ref);
  if (place) return { kind: 'place', ref, name: placeName(place), place };
  const [id, joint] = ref.split('#');
  const harness = sheet.harnesses?.find((each) => each.id === id);
  if (harness && joint === undefined)
    return { kind: 'wire', ref, name: harness.name ?? harness.id, harness };
  if (harness?.joints?.includes(joint ?? '')) return { kind: 'joint', ref, name: joint!, harness };
  const [boardId, markId] = ref.split('.');
  const board = sheet.boards.find((each) => each.id === boardId);
  const mark = board?.marks?.find((each) => each.id === markId);
  return board && mark && { kind: 'mark', ref, name: mark.name ?? mark.id, board, mark };
}

/** What of a path the sheet knows, in its order; a checked sheet knows all of it. */
export const stopsOf = (sheet: Where, path: SheetPath): readonly PathStop[] =>
  path.through.flatMap((ref) => stopAt(sheet, ref) ?? []);

/** A path that a place is on, with what comes before and after it there. */
export interface OnPath {
  readonly path: SheetPath;
  readonly before?: PathStop | undefined;
  readonly after?: PathStop | undefined;
}

export const pathsAt = (sheet: Where & Pick<Sheet, 'paths'>, ref: string): readonly OnPath[] =>
  (sheet.paths ?? []).flatMap((path) => {
    const stops = stopsOf(sheet, path);
    const at = stops.findIndex((stop) => stop.ref === ref);
    return at < 0 ? [] : [{ path, before: stops[at - 1], after: stops[at + 1] }];
  });

/** `24 V~ to the igniter: from X2 pin 3, to the loom`. */
export function onPathWords({ path, before, after }: OnPath): string {
  const ways = [before && `from ${before.name}`, after && `to ${after.name}`].filter(Boolean);
  return `${path.carries}: ${ways.join(', ')}`;
}

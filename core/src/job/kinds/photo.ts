import { Type } from '@sinclair/typebox';
import { findTest } from '../../sheet/lookup';
import { locate, placeName } from '../../sheet/places';
import type { Sheet } from '../../sheet/schema';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, Place, strict } from '../log/words';
import type { Picture } from '../state/facts';
import { defineKind } from './kind';

/** A picture, kept by its hash; on a place of a board where it belongs to one. */
export const photo = defineKind({
  kind: 'photo',
  body: strict({
    hash: Type.String({ pattern: '^[0-9a-f]{64}$', description: 'SHA-256 of the file' }),
    width: Type.Integer({ minimum: 1, maximum: 20_000 }),
    height: Type.Integer({ minimum: 1, maximum: 20_000 }),
    bytes: Type.Integer({ minimum: 1, maximum: 2_000_000 }),
    caption: Type.String({ maxLength: 400 }),
    /** A pin or point of the sheet. */
    place: Type.Optional(Place),
    /** Or a spot on a board, millimetres. */
    spot: Type.Optional(strict({ board: Id, at: Type.Tuple([Type.Number(), Type.Number()]) })),
    test: Type.Optional(Id),
  }),
  group: 'notes',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    const { place, spot, test } = body;
    const known =
      (place === undefined || locate(sheet, place)) &&
      (spot === undefined || sheet.boards.some((board) => board.id === spot.board)) &&
      (test === undefined || findTest(sheet, test));
    return known
      ? undefined
      : refuse('unknown-place', 'The picture is of a place that this job’s sheet does not have.');
  },
  apply(draft, entry) {
    draft.photos.push(entry);
  },
  words: (body, sheet) =>
    ['Photo', photoPlace(sheet, body), body.caption].filter(Boolean).join(': '),
  place: ({ test }) => (test === undefined ? undefined : { stage: 'measure', test }),
});

/** `Inverter board, CN2 pin 1`; empty for a picture of the whole. */
export function photoPlace(sheet: Sheet, { place, spot }: Pick<Picture, 'place' | 'spot'>): string {
  const at = place === undefined ? undefined : locate(sheet, place);
  if (at) return `${at.board.name}, ${placeName(at)}`;
  return sheet.boards.find((board) => board.id === spot?.board)?.name ?? '';
}

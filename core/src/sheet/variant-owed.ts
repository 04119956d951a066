/** What a test hangs on that nobody has looked at yet: which variant of the machine it is. */
import { locate } from './places';
import { isMeasured, type Sheet, type Test, type TestPoint, type Variant } from './schema';
import { variantsOf } from './expand/variants';

/** Questions about the machine that are not answered yet. */
export const unanswered = ({ questions = [], chosen = {} }: Sheet): readonly Variant[] =>
  questions.filter(({ id }) => chosen[id] === undefined);

/** The question to answer before a test, or one point of it, can be taken; undefined where none is. */
export function variantOwed(sheet: Sheet, test: Test, point?: TestPoint): Variant | undefined {
  const open = unanswered(sheet);
  if (open.length === 0) return undefined;
  const points = point ? [point] : isMeasured(test) ? test.points : [];
  const left = new Set(
    [
      test.only,
      ...points.map(({ only }) => only),
      ...points.flatMap(({ red, black }) => [...placeOnly(sheet, red), ...placeOnly(sheet, black)]),
    ].flatMap((only) => only ?? []),
  );
  return open.find((question) => variantsOf(question).some((id) => left.has(id)));
}

function placeOnly(
  sheet: Sheet,
  ref: string | undefined,
): readonly (readonly string[] | undefined)[] {
  const place = ref === undefined ? undefined : locate(sheet, ref);
  if (!place) return [];
  return place.kind === 'pin'
    ? [place.board.only, place.connector.only, place.pin.only]
    : [place.board.only, place.point.only];
}

/** Where the leads go, in words. */
import { locate, placeName } from './places';
import type { Sheet, TestPoint } from './schema';

/** The same point with its black probe on the other place that does as well, where it has one. */
export const otherEnd = (point: TestPoint): TestPoint =>
  point.or === undefined ? point : { ...point, black: point.or };

/** The placement line: `Red on CN2 pin 1, black on CN2 pin 2`, `At CN4 pin 1`, `Nothing to touch`. */
export function placementWords(
  sheet: Sheet,
  point: { readonly red?: string | undefined; readonly black?: string | undefined },
): string {
  const name = (ref: string) => {
    const place = locate(sheet, ref);
    return place ? placeName(place) : ref;
  };
  if (point.red === undefined) return 'Nothing to touch';
  if (point.black === undefined) return `At ${name(point.red)}`;
  return `Red on ${name(point.red)}, black on ${name(point.black)}`;
}

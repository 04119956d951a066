/** Paths go through what is there, each link once, and can be probed. */
import { stopAt, stopsOf } from '../sheet/stops';
import { testsOf } from '../sheet/all-tests';
import { isMeasured, type Sheet } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';

export function paths(sheet: Sheet): SheetProblem[] {
  const touched = new Set(
    testsOf(sheet).flatMap((test) =>
      isMeasured(test) ? test.points.flatMap(({ red, black }) => [red, black]) : [],
    ),
  );
  return (sheet.paths ?? []).flatMap((path, i): SheetProblem[] => {
    const at = `/paths/${i}/through`;
    const { through } = path;
    const strange = through.flatMap((ref, k) =>
      stopAt(sheet, ref)
        ? []
        : [
            problem(
              'unknown-reference',
              `${at}/${k}`,
              `No board, harness or joint is called “${ref}”: name a place, a harness, or harness#joint.`,
            ),
          ],
    );
    const places = stopsOf(sheet, path).filter(({ kind }) => kind === 'place');
    // There in one wire of a harness and back in another: only a place is passed once.
    const twice = through.findIndex(
      (ref, k) => through.indexOf(ref) < k && places.some((place) => place.ref === ref),
    );
    return [
      ...strange,
      ...(twice >= 0
        ? [
            problem(
              'duplicate-id',
              `${at}/${twice}`,
              `The path goes through “${through[twice]}” twice; a current does so once.`,
            ),
          ]
        : []),
      ...(strange.length === 0 && !places.some(({ ref }) => touched.has(ref))
        ? [
            warning(
              'path',
              at,
              `No test touches “${path.carries}” anywhere: nothing can be read on it.`,
            ),
          ]
        : []),
    ];
  });
}

/** Patterns of code schemes are patterns, and have the groups they speak of. */
import { codePattern } from '../sheet/codes/pattern';
import type { Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';

export function codes(sheet: Sheet): SheetProblem[] {
  return sheet.codes.schemes.flatMap((scheme, s) => {
    const path = `/codes/schemes/${s}`;
    if (scheme.pattern === undefined) return [];
    const pattern = codePattern(scheme.pattern);
    if (!pattern)
      return [
        problem(
          'pattern',
          `${path}/pattern`,
          `“${scheme.pattern}” is not a pattern: mend its brackets. Looking ahead or back ((?=…), \\1) is not read.`,
        ),
      ];
    const { groups } = pattern;
    return (['code', 'unit'] as const).flatMap((field) =>
      (scheme[field] ?? 0) > groups
        ? [
            problem(
              'pattern',
              `${path}/${field}`,
              `The pattern has ${groups} groups; ${field} asks for number ${scheme[field]}.`,
            ),
          ]
        : [],
    );
  });
}

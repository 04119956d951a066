/** Patterns of code schemes are patterns, and have the groups they speak of; a history compares what is there. */
import { decodeCode } from '../sheet/codes/match';
import { codePattern } from '../sheet/codes/pattern';
import { findTest } from '../sheet/lookup';
import { isMeasured, type Sheet } from '../sheet/schema';
import { problem, type SheetProblem } from '../validation/problem';

export const codes = (sheet: Sheet): SheetProblem[] => [
  ...patterns(sheet),
  ...flagged(sheet),
  ...compared(sheet),
];

function flagged(sheet: Sheet): SheetProblem[] {
  return sheet.codes.schemes.flatMap(({ flags = {} }, s) =>
    Object.entries(flags).flatMap(([bit, code]) => {
      const { listed, copies } = decodeCode(sheet, code);
      return listed || copies
        ? []
        : [
            problem(
              'reference',
              `/codes/schemes/${s}/flags/${bit}`,
              `The sheet lists no code “${code}”.`,
            ),
          ];
    }),
  );
}

function compared(sheet: Sheet): SheetProblem[] {
  return (sheet.codes.history?.compare ?? []).flatMap(
    ({ test: id, columns }, i): SheetProblem[] => {
      const path = `/codes/history/compare/${i}`;
      const test = findTest(sheet, id);
      if (!test || !isMeasured(test))
        return [problem('reference', `${path}/test`, `There is no test “${id}” with readings.`)];
      const rule = test.together?.find(({ kind }) => kind === 'witnesses');
      if (!rule)
        return [
          problem(
            'reference',
            `${path}/test`,
            `“${test.title}” has no rule of command and witnesses: nothing would be compared.`,
          ),
        ];
      return Object.entries(columns).flatMap(([heading, point]) =>
        test.points.some((each) => each.id === point)
          ? []
          : [
              problem(
                'reference',
                `${path}/columns/${heading}`,
                `“${test.title}” has no point “${point}”.`,
              ),
            ],
      );
    },
  );
}

function patterns(sheet: Sheet): SheetProblem[] {
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

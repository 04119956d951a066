/** Rules over several tests: what they name is there, can be compared, and is compared in sense. */
import { isOfOneMoment, ruleProblem, takesAnswers, type OverRule } from '../judge/groups/index';
import { isSeries } from '../judge/test-expectation';
import { expectOf, testsOf } from '../sheet/all-tests';
import { observableId, overPoints } from '../sheet/observables';
import { isMeasured, type Sheet } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';
import { fieldNaming } from './references';

/** What one observable is, as far as a rule minds. */
interface Named {
  readonly kind: 'figure' | 'series' | 'answer';
  readonly state: string;
}

export function overRules(sheet: Sheet): SheetProblem[] {
  const named = namedIn(sheet);
  const tests = new Set(testsOf(sheet).map(({ id }) => id));
  return (sheet.rules ?? []).flatMap((rule, i) => {
    const path = `/rules/${i}`;
    return [
      ...(tests.has(rule.id)
        ? [
            problem(
              'duplicate-id',
              `${path}/id`,
              `A test is called “${rule.id}” already; rename one.`,
            ),
          ]
        : []),
      ...ofRule(rule, named, path),
    ];
  });
}

function ofRule(rule: OverRule, named: ReadonlyMap<string, Named>, path: string): SheetProblem[] {
  const names = overPoints(rule);
  const unknown = names.filter((name) => !named.has(name));
  if (unknown.length > 0)
    return unknown.map((name) =>
      problem(
        'unknown-reference',
        `${path}/${rule.over?.includes(name) ? 'over' : fieldNaming(rule, name)}`,
        `There is no “${name}” to compare: name a test, or test@point.`,
      ),
    );
  const wrong = names.length < 2 ? 'Name two figures at least under over.' : undefined;
  const limits = wrong ?? ruleProblem(rule, names.length);
  if (limits !== undefined) return [problem('limits', path, limits)];
  const unfit = names.find((name) => {
    const { kind } = named.get(name)!;
    return kind === 'series' || (kind === 'answer' && !takesAnswers(rule));
  });
  if (unfit !== undefined)
    return [
      problem(
        'rule',
        path,
        `“${unfit}” has no single figure that “${rule.kind}” could compare; name one that has.`,
      ),
    ];
  const states = new Set(names.map((name) => named.get(name)!.state));
  return isOfOneMoment(rule) && states.size > 1
    ? [
        warning(
          'rule',
          path,
          `It compares figures of one moment, and these are never taken in one state: ${[...states].join(', ')}.`,
        ),
      ]
    : [];
}

const namedIn = (sheet: Sheet): ReadonlyMap<string, Named> =>
  new Map(
    testsOf(sheet).flatMap((test): [string, Named][] =>
      isMeasured(test)
        ? test.points.map((point) => [
            observableId(test, point.id),
            {
              kind: isSeries(expectOf(test, point)) ? 'series' : 'figure',
              state: point.state ?? test.state,
            },
          ])
        : [[test.id, { kind: 'answer', state: test.state }]],
    ),
  );

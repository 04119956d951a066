/** Units suit functions, dead-only functions stay off live states, limits make sense, probes have places. */
import { ruleProblem } from '../judge/groups/index';
import { limitProblem } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { curveProblem } from '../curves/curve';
import { expectOf, functionOf, testsOf } from '../sheet/all-tests';
import { findAccess } from '../sheet/lookup';
import { rulePoints } from '../sheet/observables';
import { isMeasured, type MeasureTest, type Sheet, type TestPoint } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';

export function measuring(sheet: Sheet): SheetProblem[] {
  return [
    ...testsOf(sheet).flatMap((test) => {
      if (!isMeasured(test)) return [];
      const listed = sheet.tests.indexOf(test);
      const path =
        listed >= 0
          ? `/tests/${listed}`
          : `/sequences/${sheet.sequences!.findIndex((each) => each.id === test.id)}`;
      return [
        ...ofPoints(sheet, test, path, listed >= 0 ? 'points' : 'expects'),
        ...ofRules(test, path),
        ...(test.purposes ?? []).flatMap((purpose, i) => {
          const bad = limitProblem(purpose.expect, sheet.curves ?? []);
          return bad ? [problem('limits', `${path}/purposes/${i}/expect`, `Limits: ${bad}.`)] : [];
        }),
      ];
    }),
    ...(sheet.curves ?? []).flatMap((curve, i) => {
      const bad = curveProblem(curve);
      return bad ? [problem('curve', `/curves/${i}/points`, `This is no curve: ${bad}.`)] : [];
    }),
  ];
}

function ofPoints(sheet: Sheet, test: MeasureTest, path: string, points: string): SheetProblem[] {
  const seen = new Set<string>();
  return test.points
    .flatMap((point, i): SheetProblem[] => {
      const here = `${path}/${points}/${i}`;
      const fn = functionOf(test, point);
      const expect = expectOf(test, point);
      const facts = METER_FUNCTIONS[fn];
      const { energy, offMachine, state } = { ...test, ...wantsOfPoint(point) };
      const energyThere = energy ?? sheet.states.find(({ id }) => id === state)?.energy;
      // In the hand it drives nothing but the part itself.
      const live = energyThere !== undefined && energyThere !== 'dead' && !offMachine;
      const found: SheetProblem[] = [];
      if (live && facts.deadOnly)
        found.push(
          problem(
            'dead-only',
            point.function ? `${here}/function` : `${path}/function`,
            `${facts.words} is for dead circuits only; choose a dead state, measure it off the machine, or take another function.`,
          ),
        );
      if (facts.unit !== undefined && expect.unit !== facts.unit)
        found.push(
          problem(
            'unit',
            point.expect ? `${here}/expect/unit` : `${path}/expect/unit`,
            `${facts.words} reads in ${facts.unit}, not ${expect.unit}; change the unit or the function.`,
          ),
        );
      if (expect.kind === 'curve' && expect.unit !== 'ohm')
        found.push(
          problem(
            'unit',
            `${here}/expect/unit`,
            'A sensor’s curve is in ohms; set the unit to ohm.',
          ),
        );
      const bad = limitProblem(expect, sheet.curves ?? []);
      if (bad && !bad.startsWith('there is no curve'))
        found.push(
          problem('limits', point.expect ? `${here}/expect` : `${path}/expect`, `Limits: ${bad}.`),
        );
      const places = [point.red, point.black].filter((each) => each !== undefined).length;
      const wanted = facts.placing === 'two' ? 2 : facts.placing === 'one' ? 1 : 0;
      if (places < wanted && !(wanted === 1 && places === 0 && !facts.metered))
        found.push(
          problem(
            'placing',
            here,
            wanted === 2
              ? `${facts.words} needs two places: give red and black.`
              : `${facts.words} needs a place: give red.`,
          ),
        );
      if (places === 2 && point.red === point.black)
        found.push(
          problem('placing', here, 'Red and black stand on the same place; move one of them.'),
        );
      const pulled = point.access ?? test.access ?? {};
      const isolates = point.isolates ?? test.isolates ?? [];
      const plugged = isolates.some(
        (id) => pulled[id] === 'out' && findAccess(sheet, id)?.energy === 'dead',
      );
      if (fn === 'insulation' && !plugged)
        found.push(
          warning(
            'isolation',
            `${path}/isolates`,
            'Insulation is tested with the electronics unplugged: name under isolates the plug that must be out, and under access that it is.',
          ),
        );
      return found;
    })
    .filter(({ path: where, message }) => !seen.has(where + message) && seen.add(where + message));
}

/** What a point says of energy for itself. */
const wantsOfPoint = ({ energy, offMachine, state }: TestPoint) => ({
  ...(energy !== undefined && { energy }),
  ...(offMachine !== undefined && { offMachine }),
  ...(state !== undefined && { state }),
});

function ofRules(test: MeasureTest, path: string): SheetProblem[] {
  return (test.together ?? []).flatMap((rule, i): SheetProblem[] => {
    const wrong = ruleProblem(rule, rulePoints(test, rule).length);
    return wrong === undefined ? [] : [problem('limits', `${path}/together/${i}`, wrong)];
  });
}

/**
 * A command and its witnesses: the controller says that the machine runs; amps, pressures and
 * temperatures say whether it does. Independent witnesses outweigh one display.
 *
 * Worked example: commanded 60 Hz, but 0.0 A at the motor and both pipes at room temperature: commanded
 * and not delivered, which accuses what lies between command and motor.
 */
import { Type } from '@sinclair/typebox';
import { judgeClasses } from '../figure';
import { likeliest } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { byPoint, type GroupReading } from './readings';
import { defineRule, Point } from './rule';

export const witnesses = defineRule({
  kind: 'witnesses',
  fields: { command: Point, witnesses: Type.Array(Point, { minItems: 1, maxItems: 12 }) },
  title: 'Command and witnesses',
  outcomes: ['ok', 'not-commanded', 'not-delivered', 'contradictory'],
  byJudgement: true,
  moment: true,
  points: (rule) => [rule.command, ...rule.witnesses],
  /**
   * Each reading's own limits are those of a machine at work, so its P(ok) is the chance that this witness
   * saw it work.
   */
  judge(rule, readings) {
    const at = byPoint(readings);
    const commanded = sawWork(at(rule.command));
    const seen = rule.witnesses.map((id) => sawWork(at(id)));
    const all = seen.reduce((product, each) => product * each, 1);
    const none = seen.reduce((product, each) => product * (1 - each), 1);
    const p = besides(allOf([commanded, ...seen]), {
      'not-commanded': 1 - commanded,
      'not-delivered': commanded * none,
      contradictory: commanded * Math.max(0, 1 - all - none),
    });
    const against = rule.witnesses.filter((id) => sawWork(at(id)) < 0.5);
    return judgeClasses(p, words(likeliest(p), against));
  },
});

const sawWork = ({ judgement }: GroupReading): number => judgement.p.ok ?? 0;

function words(outcome: string, against: readonly string[]): string {
  switch (outcome) {
    case 'not-commanded':
      return 'It is not commanded to run: look at permission, demand and sensors first.';
    case 'not-delivered':
      return 'Commanded, and nothing follows: the fault lies between the command and the motor.';
    case 'contradictory':
      return `The witnesses disagree: ${against.join(', ')} against the rest. Repeat those first.`;
    default:
      return 'Commanded, and every witness sees it work.';
  }
}

/**
 * A command and its witnesses: the controller says that the machine runs; amps, pressures and
 * temperatures say whether it does. Independent witnesses outweigh one display.
 *
 * Worked example: commanded 60 Hz, but 0.0 A at the motor and both pipes at room temperature: commanded
 * and not delivered, which accuses what lies between command and motor.
 */
import { judgeClasses } from '../figure';
import type { Judgement } from '../judge';
import type { GroupReading } from './readings';

export interface WitnessesRule {
  readonly kind: 'witnesses';
  readonly command: string;
  readonly witnesses: readonly string[];
}

export const WITNESSES_OUTCOMES = [
  'ok',
  'not-commanded',
  'not-delivered',
  'contradictory',
] as const;

/**
 * Each reading's own limits are those of a machine at work, so its P(ok) is the chance that this witness
 * saw it work.
 */
export function judgeWitnesses(rule: WitnessesRule, readings: readonly GroupReading[]): Judgement {
  const byId = new Map(readings.map((each) => [each.id, each.judgement.p.ok ?? 0]));
  const commanded = byId.get(rule.command)!;
  const seen = rule.witnesses.map((id) => byId.get(id)!);
  const all = seen.reduce((p, each) => p * each, 1);
  const none = seen.reduce((p, each) => p * (1 - each), 1);
  const p = {
    ok: commanded * all,
    'not-commanded': 1 - commanded,
    'not-delivered': commanded * none,
    contradictory: commanded * Math.max(0, 1 - all - none),
  };
  const judgement = judgeClasses(p, '');
  return {
    ...judgement,
    sentence: words(judgement.outcome, rule, byId) + (judgement.sentence ?? ''),
  };
}

function words(outcome: string, rule: WitnessesRule, byId: ReadonlyMap<string, number>): string {
  switch (outcome) {
    case 'not-commanded':
      return 'It is not commanded to run: look at permission, demand and sensors first.';
    case 'not-delivered':
      return 'Commanded, and nothing follows: the fault lies between the command and the motor.';
    case 'contradictory': {
      const against = rule.witnesses.filter((id) => byId.get(id)! < 0.5);
      return `The witnesses disagree: ${against.join(', ')} against the rest. Repeat those first.`;
    }
    default:
      return 'Commanded, and every witness sees it work.';
  }
}

/**
 * Rules that can be told before all of their readings are in, because nothing still to come could mend
 * them: one shorted pair decides a bridge, two figures too far apart decide an agreement.
 */
import type { Judgement } from '../judge';
import { judgeBalance } from './balance';
import { judgeMatrix } from './matrix';
import type { GroupReading } from './readings';
import type { TogetherRule } from './rules';

/**
 * @param readings - Those of the rule that stand so far.
 * @returns undefined while the rest could still decide otherwise.
 */
export function judgeEarly(
  rule: TogetherRule,
  readings: readonly GroupReading[],
): Judgement | undefined {
  const judgement = partly(rule, readings);
  return judgement?.verdict === 'out' ? judgement : undefined;
}

function partly(rule: TogetherRule, readings: readonly GroupReading[]): Judgement | undefined {
  switch (rule.kind) {
    case 'matrix': {
      const taken = new Set(readings.map(({ id }) => id));
      const standing = (ids: readonly string[]) => ids.filter((id) => taken.has(id));
      const part = {
        ...rule,
        forward: standing(rule.forward),
        blocked: standing(rule.blocked),
      };
      const judgement = judgeMatrix(part, readings);
      // Open and unequal may be a slipped probe that its repetition mends with the rest; a short stays.
      return judgement.outcome === 'short' ? judgement : undefined;
    }
    case 'balance':
      // A spread only grows; an unbalance in percent of the mean may shrink again.
      return rule.spread !== undefined && rule.percent === undefined && readings.length > 1
        ? judgeBalance(rule, readings)
        : undefined;
    default:
      return undefined;
  }
}

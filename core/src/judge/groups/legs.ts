/**
 * The legs of a supply, measured against each other: two pairs that are wrong share the leg that is lost;
 * the third pair is right. What the lost leg still shows against the others is fed backwards through a load
 * and proves nothing: a motor winding carries it.
 *
 * Worked example: 381, 194 and 187 V between L1-L2, L2-L3, L3-L1 of 380 V: L3 is lost, and what it shows is
 * fed backwards.
 */
import { Type } from '@sinclair/typebox';
import { nth } from '../../numeric/nth';
import { formatQuantity } from '../../units/format';
import { judgeClasses } from '../figure';
import { likeliest } from '../judge';
import { allOf, besides } from '../uncertainty/together';
import { byPoint, type GroupReading } from './readings';
import { defineRule, Point } from './rule';

export const legs = defineRule({
  kind: 'legs',
  fields: {
    /** Names of the legs: L1, L2, L3. */
    legs: Type.Array(Type.String({ minLength: 1, maxLength: 20 }), { minItems: 3, maxItems: 3 }),
    /** First to second, second to third, third to first. */
    pairs: Type.Array(Point, { minItems: 3, maxItems: 3 }),
  },
  title: 'The legs of the supply',
  outcomes: ['ok', 'lost', 'none', 'unequal'],
  moment: true,
  points: ({ pairs }) => pairs,
  judge(rule, readings) {
    const at = byPoint(readings);
    const three = rule.pairs.map(at);
    const right = three.map(({ judgement }) => judgement.p.ok ?? 0);
    const [a, b, c] = [nth(right, 0), nth(right, 1), nth(right, 2)];
    // The pair without the lost leg is right, the two that have it are not.
    const lost = [b * (1 - a) * (1 - c), c * (1 - a) * (1 - b), a * (1 - b) * (1 - c)];
    const p = besides(allOf(right), {
      lost: lost.reduce((sum, each) => sum + each, 0),
      none: (1 - a) * (1 - b) * (1 - c),
      unequal: a * b * (1 - c) + a * (1 - b) * c + (1 - a) * b * c,
    });
    return judgeClasses(p, sentence(likeliest(p), rule.legs, three, lost));
  },
});

/** Below this share of what the whole pair reads, nothing is fed back. */
const FED_BACK = 0.1;

function sentence(
  outcome: string,
  names: readonly string[],
  three: readonly GroupReading[],
  lost: readonly number[],
): string {
  switch (outcome) {
    case 'lost': {
      const leg = lost.indexOf(Math.max(...lost));
      const whole = volts(nth(three, (leg + 1) % 3));
      const back = Math.max(volts(nth(three, leg)), volts(nth(three, (leg + 2) % 3)));
      const fed =
        back > FED_BACK * whole
          ? ` The ${formatQuantity(back, nth(three, 0).unit, 3)} that it shows are fed backwards through the load.`
          : '';
      return `${nth(names, leg)} is lost: both pairs with it are wrong, the third is right.${fed}`;
    }
    case 'none':
      return 'No pair is right: two legs are lost, or the whole supply.';
    case 'unequal':
      return 'One pair alone is wrong: no lost leg does that. Repeat it.';
    default:
      return 'Every pair is right: all three legs are there.';
  }
}

const volts = ({ judgement }: GroupReading): number => Math.abs(judgement.corrected ?? 0);

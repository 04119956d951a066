import { unbalancePercent } from '../../judge/groups/balance';
import { defineFormula, number, optional, output } from '../define-formula';
import type { FormulaRemark } from '../formula';

/** A leg below this share of the largest is lost; an open neutral moves legs by less, or far past it. */
const LOST = 0.5;

export const supply = defineFormula({
  id: 'supply',
  title: 'Supply check',
  group: 'electricity',
  use: 'Legs to neutral and leg to leg: split-phase, or two legs of a three-phase star.',
  relation: 'split-phase: L1–L2 = L1–N + L2–N; star: L1–L2 = √3 · L–N',
  source: 'Phasor sums of the two systems',
  inputs: {
    l1: number('L1 to N', 'voltage', 126, { plusMinus: 1.5, min: 0 }),
    l2: number('L2 to N', 'voltage', 128, { plusMinus: 1.5, min: 0 }),
    ll: number('L1 to L2', 'voltage', 219, { plusMinus: 2.5, min: 0 }),
    l3: optional('L3 to N, if there is one', 'voltage', 127, { min: 0 }),
  },
  compute: ({ l1, l2, l3, ll }) => {
    const split = l1 + l2;
    // Two phasors 120° apart: |a − b|² = a² + b² + a·b.
    const star = Math.sqrt(l1 ** 2 + l2 ** 2 + l1 * l2);
    const legs = [l1, l2, ...(l3 === undefined ? [] : [l3])];
    const near = (wanted: number) => Math.abs(ll - wanted) <= 0.05 * wanted;
    const { text, tone } = kindOf();

    function kindOf(): Pick<FormulaRemark, 'text' | 'tone'> {
      // The phasor sum of a star is blind to a leg that is missing: 120 and 0 V have 120 V between them.
      if (Math.min(...legs) < LOST * Math.max(...legs))
        return { text: 'a leg is missing or far too low: look for what feeds it', tone: 'bad' };
      if (near(star)) return { text: 'two legs of a three-phase star', tone: 'good' };
      if (near(split)) return { text: 'split-phase, the legs opposite', tone: 'good' };
      return ll < 0.1 * split
        ? {
            text: 'both legs are the same one: something between is open, or they are bridged',
            tone: 'bad',
          }
        : { text: 'neither: look for an open neutral or a missing leg', tone: 'bad' };
    }
    return {
      outputs: [
        output('star', 'A star would give', 'voltage', star, true),
        output('split', 'Split-phase would give', 'voltage', split, true),
        output('unbalance', 'Unbalance of the legs', 'percent', unbalancePercent(legs)),
      ],
      remarks: [{ label: 'This supply is', text, ...(tone && { tone }) }],
    };
  },
});

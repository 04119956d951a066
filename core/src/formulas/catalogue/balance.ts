import { spreadOf, unbalancePercent } from '../../judge/groups/balance';
import { defineFormula, number, output } from '../define-formula';

export const balance = defineFormula({
  id: 'balance',
  title: 'Balance of three',
  group: 'electricity',
  use: 'Windings, phase voltages, outputs: how far the odd one is off the mean.',
  relation: 'unbalance = largest deviation from the mean ÷ mean',
  source: 'NEMA MG-1, 14.36',
  inputs: {
    a: number('First', 'resistance', 7.0, { plusMinus: 0.1 }),
    b: number('Second', 'resistance', 7.1, { plusMinus: 0.1 }),
    c: number('Third', 'resistance', 6.6, { plusMinus: 0.1 }),
  },
  compute: ({ a, b, c }) => {
    const all = [a, b, c];
    const mean = (a + b + c) / 3;
    return {
      outputs: [
        output('unbalance', 'Unbalance', 'percent', unbalancePercent(all), true),
        output('mean', 'Mean', 'resistance', mean),
        output('spread', 'Largest less smallest', 'resistance', spreadOf(all)),
      ],
      remarks: [],
    };
  },
  picture: {
    input: 'c',
    output: 'unbalance',
    from: ({ a, b }) => 0.8 * Math.min(a, b),
    to: ({ a, b }) => 1.2 * Math.max(a, b),
  },
});

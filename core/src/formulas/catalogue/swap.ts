import { swapCost } from '../business';
import { defineFormula, number, output } from '../define-formula';

export const swap = defineFormula({
  id: 'swap',
  title: 'Swap to find out',
  group: 'money and dates',
  use: 'What trying a returnable part costs on average. Prove the load sound first.',
  relation: 'p·price + (1 − p)·price·restock + labour',
  source: 'Expected value',
  inputs: {
    price: number('Price of the part', 'money', 420, { min: 0 }),
    restock: number('Restocking fee', 'percent', 15, { min: 0, max: 100 }),
    labour: number('Labour for fitting it', 'money', 90, { min: 0 }),
    chance: number('Chance that it is this part', 'percent', 60, { min: 0, max: 100 }),
  },
  compute: ({ price, restock, labour, chance }) => ({
    outputs: [
      output(
        'cost',
        'Expected cost',
        'money',
        swapCost({
          price,
          restock: restock / 100,
          labour,
          chance: chance / 100,
        }),
        true,
      ),
      output('wrong', 'If it was not the part', 'money', (price * restock) / 100 + labour),
    ],
    remarks: [],
  }),
  picture: { input: 'chance', output: 'cost', from: () => 0, to: () => 100 },
});

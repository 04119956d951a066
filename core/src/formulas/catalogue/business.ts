/** Warranty days, swapping a returnable part, the worth of an hour of outage. */
import { outageCost, swapCost, warrantyEnd } from '../business';
import type { Formula } from '../formula';
import { number, output } from './inputs';

export const warrantyFormula: Formula = {
  id: 'warranty',
  title: 'Warranty end',
  group: 'money and dates',
  use: 'The last day on which a claim counts.',
  relation: 'first day + months − 1 day',
  source: 'Calendar months',
  inputs: [
    { kind: 'day', id: 'from', label: 'Installed or handed over on', start: '2024-03-15' },
    number('months', 'Months', 'months', 24, { min: 1, max: 600 }),
  ],
  compute: ({ numbers, texts }) => ({
    outputs: [],
    remarks: [{ label: 'Last day', text: warrantyEnd(texts.from!, numbers.months!) }],
  }),
};

export const swapFormula: Formula = {
  id: 'swap',
  title: 'Swap to find out',
  group: 'money and dates',
  use: 'What trying a returnable part costs on average. Prove the load sound first.',
  relation: 'p·price + (1 − p)·price·restock + labour',
  source: 'Expected value',
  inputs: [
    number('price', 'Price of the part', 'money', 420, { min: 0 }),
    number('restock', 'Restocking fee', 'percent', 15, { min: 0, max: 100 }),
    number('labour', 'Labour for fitting it', 'money', 90, { min: 0 }),
    number('chance', 'Chance that it is this part', 'percent', 60, { min: 0, max: 100 }),
  ],
  compute: ({ numbers: { price, restock, labour, chance } }) => ({
    outputs: [
      output(
        'cost',
        'Expected cost',
        'money',
        swapCost({
          price: price!,
          restock: restock! / 100,
          labour: labour!,
          chance: chance! / 100,
        }),
        true,
      ),
      output('wrong', 'If it was not the part', 'money', (price! * restock!) / 100 + labour!),
    ],
    remarks: [],
  }),
  picture: { input: 'chance', output: 'cost', from: () => 0, to: () => 100 },
};

export const outageFormula: Formula = {
  id: 'outage',
  title: 'Worth of an outage',
  group: 'money and dates',
  use: 'What waiting for a part costs the customer.',
  relation: 'cost = worth of an hour · hours',
  source: 'Expected value',
  inputs: [
    number('perHour', 'An hour without service', 'money-rate', 180, { min: 0 }),
    number('hours', 'Hours until it runs again', 'hours', 48, { min: 0 }),
    number('express', 'Express delivery costs', 'money', 300, { min: 0, optional: true }),
    number('sooner', 'and is sooner by', 'hours', 24, { min: 0, optional: true }),
  ],
  compute: ({ numbers: { perHour, hours, express, sooner } }) => {
    const gain = perHour! * sooner! - express!;
    return {
      outputs: [
        output('cost', 'Outage', 'money', outageCost(perHour!, hours!), true),
        ...(Number.isFinite(gain) ? [output('gain', 'Express saves', 'money', gain)] : []),
      ],
      remarks: Number.isFinite(gain)
        ? [
            gain > 0
              ? { label: 'Express', text: 'worth it', tone: 'good' }
              : { label: 'Express', text: 'not worth it', tone: 'mind' },
          ]
        : [],
    };
  },
};

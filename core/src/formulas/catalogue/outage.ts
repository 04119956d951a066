import { outageCost } from '../business';
import { defineFormula, number, optional, output } from '../define-formula';

export const outage = defineFormula({
  id: 'outage',
  title: 'Worth of an outage',
  group: 'money and dates',
  use: 'What waiting for a part costs the customer.',
  relation: 'cost = worth of an hour · hours',
  source: 'Expected value',
  inputs: {
    perHour: number('An hour without service', 'money-rate', 180, { min: 0 }),
    hours: number('Hours until it runs again', 'hours', 48, { min: 0 }),
    express: optional('Express delivery costs', 'money', 300, { min: 0 }),
    sooner: optional('and is sooner by', 'hours', 24, { min: 0 }),
  },
  compute: ({ perHour, hours, express, sooner }) => {
    const gain =
      sooner === undefined || express === undefined ? undefined : perHour * sooner - express;
    return {
      outputs: [
        output('cost', 'Outage', 'money', outageCost(perHour, hours), true),
        ...(gain === undefined ? [] : [output('gain', 'Express saves', 'money', gain)]),
      ],
      remarks:
        gain === undefined
          ? []
          : [
              gain > 0
                ? { label: 'Express', text: 'worth it', tone: 'good' }
                : { label: 'Express', text: 'not worth it', tone: 'mind' },
            ],
    };
  },
});

import { defineFormula, number, output } from '../define-formula';
import { heaterOhms } from '../electricity';

export const heater = defineFormula({
  id: 'heater',
  title: 'Heater resistance',
  group: 'electricity',
  use: 'What an element should read, from its rating plate.',
  relation: 'R = V² / P',
  source: 'Joule’s law',
  inputs: {
    volts: number('Rated voltage', 'voltage', 220, { min: 0.1 }),
    watts: number('Rated power', 'power', 2200, { min: 0.1 }),
  },
  compute: ({ volts, watts }) => ({
    outputs: [
      output('ohms', 'Hot resistance', 'resistance', heaterOhms(volts, watts), true),
      output('amps', 'Current', 'current', watts / volts),
    ],
    remarks: [{ label: 'Cold', text: 'elements read a few percent less when cold' }],
  }),
  picture: {
    input: 'watts',
    output: 'ohms',
    from: () => 200,
    to: ({ watts }) => 2 * watts,
  },
});

import { resistanceAt } from '../../curves/curve';
import { defineFormula, number, output } from '../define-formula';
import { finite, PLATINUM, platinumChoice, platinumOf } from './shared/sensors';

export const rtd = defineFormula({
  ...PLATINUM,
  id: 'rtd',
  title: 'Platinum: ohms from temperature',
  use: 'What an oven or boiler probe should read.',
  inputs: {
    kind: platinumChoice,
    t: number('Temperature', 'temperature', 180, { plusMinus: 1, min: -200, max: 850 }),
  },
  compute: (values) => ({
    outputs: [
      output(
        'ohms',
        'Resistance',
        'resistance',
        finite(resistanceAt(platinumOf(values), values.t)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: { input: 't', output: 'ohms', from: () => -50, to: () => 350 },
});

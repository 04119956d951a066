import { resistanceAt } from '../../curves/curve';
import { defineFormula, number, output } from '../define-formula';
import { finite, NTC, NTC_INPUTS, ntcOf } from './shared/sensors';

export const ntc = defineFormula({
  ...NTC,
  id: 'ntc',
  title: 'NTC: ohms from temperature',
  use: 'What a sensor should read at the temperature beside it.',
  inputs: {
    ...NTC_INPUTS,
    t: number('Temperature', 'temperature', 4, { plusMinus: 0.5, min: -60, max: 300 }),
  },
  compute: (values) => ({
    outputs: [
      output(
        'ohms',
        'Resistance',
        'resistance',
        finite(resistanceAt(ntcOf(values), values.t)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: { input: 't', output: 'ohms', from: () => -20, to: () => 60 },
});

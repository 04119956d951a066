import { temperatureAt } from '../../curves/curve';
import { defineFormula, number, output } from '../define-formula';
import { finite, PLATINUM, platinumChoice, platinumOf } from './shared/sensors';

export const rtdInverse = defineFormula({
  ...PLATINUM,
  id: 'rtd-inverse',
  title: 'Platinum: temperature from ohms',
  use: 'What a probe believes the temperature to be.',
  inputs: {
    kind: platinumChoice,
    ohms: number('Reading', 'resistance', 1385, { plusMinus: 2, min: 1 }),
  },
  compute: (values) => ({
    outputs: [
      output(
        't',
        'Temperature',
        'temperature',
        finite(temperatureAt(platinumOf(values), values.ohms)),
        true,
      ),
    ],
    remarks: [],
  }),
});

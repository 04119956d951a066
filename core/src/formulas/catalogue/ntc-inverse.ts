import { temperatureAt } from '../../curves/curve';
import { defineFormula, number, output } from '../define-formula';
import { finite, NTC, NTC_INPUTS, ntcOf } from './shared/sensors';

export const ntcInverse = defineFormula({
  ...NTC,
  id: 'ntc-inverse',
  title: 'NTC: temperature from ohms',
  use: 'What a sensor believes the temperature to be.',
  inputs: {
    ...NTC_INPUTS,
    ohms: number('Reading', 'resistance', 25_000, { plusMinus: 250, min: 0.01 }),
  },
  compute: (values) => ({
    outputs: [
      output(
        't',
        'Temperature',
        'temperature',
        finite(temperatureAt(ntcOf(values), values.ohms)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: {
    input: 'ohms',
    output: 't',
    from: ({ r25 }) => r25 / 10,
    to: ({ r25 }) => 4 * r25,
  },
});

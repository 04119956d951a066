/** Temperature sensors, both ways. */
import { resistanceAt, temperatureAt } from '../../curves/curve';
import type { Curve } from '../../curves/schema';
import { InvalidInputError } from '../../errors';
import type { ChoiceInput, Formula, FormulaValues } from '../formula';
import { number, output } from './inputs';

const ntcOf = ({ numbers: { r25, beta } }: FormulaValues): Curve => ({
  id: 'ntc',
  kind: 'ntc-beta',
  r25: r25!,
  beta: beta!,
});

const NTC_INPUTS = [
  number('r25', 'Resistance at 25 °C', 'resistance', 10_000, { min: 1 }),
  number('beta', 'Beta', 'count', 3435, { min: 500, max: 10_000, hint: 'kelvin' }),
];

const finite = (value: number): number => {
  if (!Number.isFinite(value))
    throw new InvalidInputError('the sensor’s curve does not reach there');
  return value;
};

const NTC = {
  group: 'sensors',
  relation: 'R = R₂₅ · e^(β·(1/T − 1/298.15)), T in kelvin',
  source: 'Beta equation of NTC thermistors',
} as const;

export const ntcFormula: Formula = {
  ...NTC,
  id: 'ntc',
  title: 'NTC: ohms from temperature',
  use: 'What a sensor should read at the temperature beside it.',
  inputs: [
    ...NTC_INPUTS,
    number('t', 'Temperature', 'temperature', 4, { plusMinus: 0.5, min: -60, max: 300 }),
  ],
  compute: (values) => ({
    outputs: [
      output(
        'ohms',
        'Resistance',
        'resistance',
        finite(resistanceAt(ntcOf(values), values.numbers.t!)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: { input: 't', output: 'ohms', from: () => -20, to: () => 60 },
};

export const ntcInverseFormula: Formula = {
  ...NTC,
  id: 'ntc-inverse',
  title: 'NTC: temperature from ohms',
  use: 'What a sensor believes the temperature to be.',
  inputs: [
    ...NTC_INPUTS,
    number('ohms', 'Reading', 'resistance', 25_000, { plusMinus: 250, min: 0.01 }),
  ],
  compute: (values) => ({
    outputs: [
      output(
        't',
        'Temperature',
        'temperature',
        finite(temperatureAt(ntcOf(values), values.numbers.ohms!)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: {
    input: 'ohms',
    output: 't',
    from: ({ numbers }) => numbers.r25! / 10,
    to: ({ numbers }) => 4 * numbers.r25!,
  },
};

const PLATINUM = {
  group: 'sensors',
  relation: 'R = R₀ · (1 + A·t + B·t² + C·(t − 100)·t³), C below 0 °C only',
  source: 'IEC 60751:2022, Callendar–Van Dusen',
} as const;

const platinumChoice: ChoiceInput = {
  kind: 'choice',
  id: 'kind',
  label: 'Sensor',
  options: [
    { value: 'rtd-pt100', label: 'Pt100' },
    { value: 'rtd-pt1000', label: 'Pt1000' },
  ],
  start: 'rtd-pt1000',
};

const platinumOf = ({ texts }: FormulaValues): Curve => ({
  id: 'rtd',
  kind: texts.kind === 'rtd-pt100' ? 'rtd-pt100' : 'rtd-pt1000',
});

export const rtdFormula: Formula = {
  ...PLATINUM,
  id: 'rtd',
  title: 'Platinum: ohms from temperature',
  use: 'What an oven or boiler probe should read.',
  inputs: [
    platinumChoice,
    number('t', 'Temperature', 'temperature', 180, { plusMinus: 1, min: -200, max: 850 }),
  ],
  compute: (values) => ({
    outputs: [
      output(
        'ohms',
        'Resistance',
        'resistance',
        finite(resistanceAt(platinumOf(values), values.numbers.t!)),
        true,
      ),
    ],
    remarks: [],
  }),
  picture: { input: 't', output: 'ohms', from: () => -50, to: () => 350 },
};

export const rtdInverseFormula: Formula = {
  ...PLATINUM,
  id: 'rtd-inverse',
  title: 'Platinum: temperature from ohms',
  use: 'What a probe believes the temperature to be.',
  inputs: [platinumChoice, number('ohms', 'Reading', 'resistance', 1385, { plusMinus: 2, min: 1 })],
  compute: (values) => ({
    outputs: [
      output(
        't',
        'Temperature',
        'temperature',
        finite(temperatureAt(platinumOf(values), values.numbers.ohms!)),
        true,
      ),
    ],
    remarks: [],
  }),
};

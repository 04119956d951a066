import { defineFormula, number, output } from '../define-formula';
import { saturationTemperature } from '../refrigerants';
import { superheat as superheatOf } from '../refrigeration';
import { absolutePressure, altitude, fluidChoice, LICENCE } from './shared/refrigeration';

export const superheat = defineFormula({
  id: 'superheat',
  title: 'Superheat',
  group: 'refrigeration',
  use: 'How far the suction vapour is above its dew point.',
  relation: 'superheat = pipe temperature − dew temperature at suction pressure',
  source: 'Ancillary equations; altitude by ISO 2533',
  inputs: {
    fluid: fluidChoice,
    gauge: number('Suction pressure, gauge', 'pressure', 800_000, { plusMinus: 10_000 }),
    pipe: number('Suction pipe', 'temperature', 10, { plusMinus: 1 }),
    altitude,
  },
  compute: (values) => ({
    outputs: [
      output(
        'superheat',
        'Superheat',
        'temperature-difference',
        superheatOf(values.fluid, absolutePressure(values), values.pipe),
        true,
      ),
      output(
        'dew',
        'Dew temperature',
        'temperature',
        saturationTemperature(values.fluid, 'dew', absolutePressure(values)),
      ),
    ],
    remarks: [LICENCE],
  }),
  picture: {
    input: 'gauge',
    output: 'superheat',
    from: () => 100_000,
    to: ({ gauge }) => 2 * gauge,
  },
});

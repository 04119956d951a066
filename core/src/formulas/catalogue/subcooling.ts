import { defineFormula, number, output } from '../define-formula';
import { saturationTemperature } from '../refrigerants';
import { subcooling as subcoolingOf } from '../refrigeration';
import { absolutePressure, altitude, fluidChoice, LICENCE } from './shared/refrigeration';

export const subcooling = defineFormula({
  id: 'subcooling',
  title: 'Subcooling',
  group: 'refrigeration',
  use: 'How far the liquid is below its bubble point.',
  relation: 'subcooling = bubble temperature at liquid pressure − pipe temperature',
  source: 'Ancillary equations; altitude by ISO 2533',
  inputs: {
    fluid: fluidChoice,
    gauge: number('Liquid pressure, gauge', 'pressure', 2_400_000, { plusMinus: 20_000 }),
    pipe: number('Liquid pipe', 'temperature', 34, { plusMinus: 1 }),
    altitude,
  },
  compute: (values) => ({
    outputs: [
      output(
        'subcooling',
        'Subcooling',
        'temperature-difference',
        subcoolingOf(values.fluid, absolutePressure(values), values.pipe),
        true,
      ),
      output(
        'bubble',
        'Bubble temperature',
        'temperature',
        saturationTemperature(values.fluid, 'bubble', absolutePressure(values)),
      ),
    ],
    remarks: [LICENCE],
  }),
  picture: {
    input: 'gauge',
    output: 'subcooling',
    from: () => 500_000,
    to: ({ gauge }) => 1.5 * gauge,
  },
});

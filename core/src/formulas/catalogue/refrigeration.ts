/** Saturation, superheat, subcooling. */
import { airPressure, subcooling, superheat } from '../refrigeration';
import {
  criticalTemperature,
  isBlend,
  REFRIGERANT_NAMES,
  saturationPressure,
  saturationTemperature,
  type Refrigerant,
} from '../refrigerants';
import type { ChoiceInput, Formula, FormulaRemark, FormulaValues } from '../formula';
import { number, output } from './inputs';

const fluidChoice: ChoiceInput = {
  kind: 'choice',
  id: 'fluid',
  label: 'Refrigerant',
  options: REFRIGERANT_NAMES.map((name) => ({ value: name, label: name })),
  start: 'R-410A',
};
const altitude = number('altitude', 'Altitude of the site', 'altitude', 0, {
  min: -400,
  max: 5000,
});

const fluidOf = ({ texts }: FormulaValues) => texts.fluid as Refrigerant;
const absolute = ({ numbers }: FormulaValues) => numbers.gauge! + airPressure(numbers.altitude!);

const LICENCE: FormulaRemark = {
  label: 'Mind',
  text: 'gauges on a circuit are work for licensed hands; recover, do not vent',
  tone: 'mind',
};

export const saturationFormula: Formula = {
  id: 'saturation',
  title: 'Saturation pressure',
  group: 'refrigeration',
  use: 'The pressure that belongs to a temperature, and the other line of a blend.',
  relation: 'ln(p/pc) = (Tc/T) · Σ nᵢ·(1 − T/Tc)^tᵢ',
  source: 'Ancillary equations of the reference formulations',
  inputs: [
    fluidChoice,
    number('t', 'Temperature', 'temperature', 5, { plusMinus: 0.5, min: -60 }),
    altitude,
  ],
  compute: (values) => {
    const fluid = fluidOf(values);
    const { t } = values.numbers;
    const air = airPressure(values.numbers.altitude!);
    const dew = saturationPressure(fluid, 'dew', t!);
    const bubble = saturationPressure(fluid, 'bubble', t!);
    return {
      outputs: isBlend(fluid)
        ? [
            output('dew', 'Dew (vapour), gauge', 'pressure', dew - air, true),
            output('bubble', 'Bubble (liquid), gauge', 'pressure', bubble - air, true),
            output('dew-abs', 'Dew, absolute', 'pressure', dew),
            output('bubble-abs', 'Bubble, absolute', 'pressure', bubble),
          ]
        : [
            output('dew', 'Gauge', 'pressure', dew - air, true),
            output('dew-abs', 'Absolute', 'pressure', dew),
          ],
      remarks: [],
    };
  },
  picture: {
    input: 't',
    output: 'dew',
    from: () => -40,
    to: (values) => Math.min(65, criticalTemperature(fluidOf(values)) - 1),
  },
};

export const superheatFormula: Formula = {
  id: 'superheat',
  title: 'Superheat',
  group: 'refrigeration',
  use: 'How far the suction vapour is above its dew point.',
  relation: 'superheat = pipe temperature − dew temperature at suction pressure',
  source: 'Ancillary equations; altitude by ISO 2533',
  inputs: [
    fluidChoice,
    number('gauge', 'Suction pressure, gauge', 'pressure', 800_000, { plusMinus: 10_000 }),
    number('pipe', 'Suction pipe', 'temperature', 10, { plusMinus: 1 }),
    altitude,
  ],
  compute: (values) => ({
    outputs: [
      output(
        'superheat',
        'Superheat',
        'temperature-difference',
        superheat(fluidOf(values), absolute(values), values.numbers.pipe!),
        true,
      ),
      output(
        'dew',
        'Dew temperature',
        'temperature',
        saturationTemperature(fluidOf(values), 'dew', absolute(values)),
      ),
    ],
    remarks: [LICENCE],
  }),
  picture: {
    input: 'gauge',
    output: 'superheat',
    from: () => 100_000,
    to: ({ numbers }) => 2 * numbers.gauge!,
  },
};

export const subcoolingFormula: Formula = {
  id: 'subcooling',
  title: 'Subcooling',
  group: 'refrigeration',
  use: 'How far the liquid is below its bubble point.',
  relation: 'subcooling = bubble temperature at liquid pressure − pipe temperature',
  source: 'Ancillary equations; altitude by ISO 2533',
  inputs: [
    fluidChoice,
    number('gauge', 'Liquid pressure, gauge', 'pressure', 2_400_000, { plusMinus: 20_000 }),
    number('pipe', 'Liquid pipe', 'temperature', 34, { plusMinus: 1 }),
    altitude,
  ],
  compute: (values) => ({
    outputs: [
      output(
        'subcooling',
        'Subcooling',
        'temperature-difference',
        subcooling(fluidOf(values), absolute(values), values.numbers.pipe!),
        true,
      ),
      output(
        'bubble',
        'Bubble temperature',
        'temperature',
        saturationTemperature(fluidOf(values), 'bubble', absolute(values)),
      ),
    ],
    remarks: [LICENCE],
  }),
  picture: {
    input: 'gauge',
    output: 'subcooling',
    from: () => 500_000,
    to: ({ numbers }) => 1.5 * numbers.gauge!,
  },
};

import { defineFormula, number, output } from '../define-formula';
import { criticalTemperature, isBlend, saturationPressure } from '../refrigerants';
import { airPressure } from '../refrigeration';
import { altitude, fluidChoice } from './shared/refrigeration';

export const saturation = defineFormula({
  id: 'saturation',
  title: 'Saturation pressure',
  group: 'refrigeration',
  use: 'The pressure that belongs to a temperature, and the other line of a blend.',
  relation: 'ln(p/pc) = (Tc/T) · Σ nᵢ·(1 − T/Tc)^tᵢ',
  source: 'Ancillary equations of the reference formulations',
  inputs: {
    fluid: fluidChoice,
    t: number('Temperature', 'temperature', 5, { plusMinus: 0.5, min: -60 }),
    altitude,
  },
  compute: ({ fluid, t, altitude: metres }) => {
    const air = airPressure(metres);
    const dew = saturationPressure(fluid, 'dew', t);
    const bubble = saturationPressure(fluid, 'bubble', t);
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
    to: ({ fluid }) => Math.min(65, criticalTemperature(fluid) - 1),
  },
});

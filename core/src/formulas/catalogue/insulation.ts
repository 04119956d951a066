import { defineFormula, number, output } from '../define-formula';
import { insulationAt40, leastInsulation } from '../electricity';

export const insulation = defineFormula({
  id: 'insulation',
  title: 'Insulation at 40 °C',
  group: 'motors',
  use: 'Compare insulation readings taken at different winding temperatures.',
  relation: 'R₄₀ = R · 0.5^((40 − t)/10)',
  source: 'IEEE 43, halving per 10 K',
  inputs: {
    ohms: number('Reading after a minute', 'resistance', 24e6, { plusMinus: 1e6, min: 1 }),
    celsius: number('Winding temperature', 'temperature', 22, { min: -40, max: 180 }),
    rated: number('Rated voltage of the machine', 'voltage', 380, { min: 0 }),
  },
  compute: ({ ohms, celsius, rated }) => {
    const corrected = insulationAt40(ohms, celsius);
    const least = leastInsulation(rated);
    return {
      outputs: [
        output('corrected', 'At 40 °C', 'resistance', corrected, true),
        output('least', 'Floor: rated kV plus one, in MΩ', 'resistance', least),
      ],
      remarks: [
        corrected >= least
          ? { label: 'Against the floor', text: 'above it; the trend matters more', tone: 'good' }
          : { label: 'Against the floor', text: 'below it', tone: 'bad' },
      ],
    };
  },
  picture: { input: 'celsius', output: 'corrected', from: () => 0, to: () => 80 },
});

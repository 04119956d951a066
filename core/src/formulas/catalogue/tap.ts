import { defineFormula, number, optional, output } from '../define-formula';
import { nearestTap } from '../electricity';

export const tap = defineFormula({
  id: 'tap',
  title: 'Transformer tap',
  group: 'electricity',
  use: 'Which primary tap suits the supply, and what the secondary gives on it.',
  relation: 'V₂ = V₂ nominal · supply ÷ tap',
  source: 'Ideal transformer',
  inputs: {
    supply: number('Supply, measured', 'voltage', 228, { plusMinus: 2.5, min: 1 }),
    a: number('First tap', 'voltage', 208, { min: 1 }),
    b: number('Second tap', 'voltage', 220, { min: 1 }),
    c: optional('Third tap', 'voltage', 240, { min: 1 }),
    secondary: number('Secondary, nominal', 'voltage', 24, { min: 0.1 }),
  },
  compute: ({ supply, a, b, c, secondary }) => {
    const taps = c === undefined ? [a, b] : [a, b, c];
    const nearest = nearestTap(supply, taps);
    return {
      outputs: [
        output('tap', 'Nearest tap', 'voltage', nearest, true),
        output('gives', 'Secondary on it', 'voltage', (secondary * supply) / nearest),
        ...taps
          .filter((each) => each !== nearest)
          .map((each) =>
            output(`on-${each}`, `Secondary on ${each} V`, 'voltage', (secondary * supply) / each),
          ),
      ],
      remarks: [],
    };
  },
});

import { nameTerminals } from '../../judge/groups/sum';
import { defineFormula, number, output } from '../define-formula';

export const sum = defineFormula({
  id: 'sum-rule',
  title: 'Sum rule of a single-phase motor',
  group: 'motors',
  use: 'Whether three winding readings belong together, and which terminal is which.',
  relation: 'largest = sum of the other two',
  source: 'Two windings in series between the outer terminals',
  inputs: {
    r12: number('Terminals 1–2', 'resistance', 8.0, { plusMinus: 0.2, min: 0 }),
    r23: number('Terminals 2–3', 'resistance', 5.5, { plusMinus: 0.2, min: 0 }),
    r31: number('Terminals 3–1', 'resistance', 2.5, { plusMinus: 0.2, min: 0 }),
  },
  compute: ({ r12, r23, r31 }) => {
    const largest = Math.max(r12, r23, r31);
    const gap = 2 * largest - (r12 + r23 + r31);
    const names = nameTerminals([
      { red: '1', black: '2', value: r12 },
      { red: '2', black: '3', value: r23 },
      { red: '3', black: '1', value: r31 },
    ]);
    const off = largest > 0 ? (100 * Math.abs(gap)) / largest : 0;
    return {
      outputs: [
        output('gap', 'Largest less the sum of the others', 'resistance', gap, true),
        output('off', 'In percent of the largest', 'percent', off),
      ],
      remarks: names
        ? [
            { label: 'Common', text: `terminal ${names.common}` },
            { label: 'Run winding to', text: `terminal ${names.run}` },
            { label: 'Start winding to', text: `terminal ${names.start}` },
          ]
        : [],
    };
  },
});

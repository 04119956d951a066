import { defineFormula, choice, number, output } from '../define-formula';

const PREFIXES = [
  ['M', 'mega', 1e6],
  ['k', 'kilo', 1e3],
  ['', 'bare', 1],
  ['m', 'milli', 1e-3],
  ['µ', 'micro', 1e-6],
  ['n', 'nano', 1e-9],
  ['p', 'pico', 1e-12],
] as const;

export const prefix = defineFormula({
  id: 'prefixes',
  title: 'Prefixes',
  group: 'electricity',
  use: 'One figure in every prefix: is 0.0047 µF what 4.7 nF is?',
  relation: '1 M = 10⁶, 1 k = 10³, 1 m = 10⁻³, 1 µ = 10⁻⁶, 1 n = 10⁻⁹, 1 p = 10⁻¹²',
  source: 'SI Brochure, 9th edition',
  inputs: {
    figure: number('Figure', 'count', 0.0047),
    prefix: choice(
      'Its prefix',
      PREFIXES.map(([symbol, name]) => ({
        value: name,
        label: symbol === '' ? 'none' : `${symbol}, ${name}`,
      })),
      'micro',
    ),
  },
  compute: ({ figure, prefix: chosen }) => {
    const factor = PREFIXES.find(([, name]) => name === chosen)?.[2] ?? 1;
    const bare = figure * factor;
    // The prefix in which it reads most easily: one to a thousand.
    const easy = PREFIXES.find(([, , each]) => Math.abs(bare) >= each * (1 - 1e-12))?.[1];
    return {
      outputs: PREFIXES.map(([symbol, name, each]) =>
        output(
          name,
          symbol === '' ? 'without prefix' : `in ${symbol}`,
          'count',
          bare / each,
          name === easy,
        ),
      ),
      remarks: [],
    };
  },
});

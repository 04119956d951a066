import { defineFormula, number, optional, output } from '../define-formula';

export const band = defineFormula({
  id: 'band',
  title: 'Percent band',
  group: 'electricity',
  use: 'The limits of a nominal value, and whether a reading lies between them.',
  relation: 'limits = value · (1 ± percent/100)',
  source: 'Definition',
  inputs: {
    value: number('Nominal value', 'voltage', 127),
    percent: number('Tolerance', 'percent', 10, { min: 0, max: 100 }),
    reading: optional('Reading', 'voltage', 119, { plusMinus: 1.2 }),
  },
  compute: ({ value, percent, reading }) => {
    const half = (Math.abs(value) * percent) / 100;
    const off = reading === undefined ? undefined : (100 * (reading - value)) / value;
    return {
      outputs: [
        output('low', 'Lower limit', 'voltage', value - half, true),
        output('high', 'Upper limit', 'voltage', value + half, true),
        ...(off === undefined ? [] : [output('off', 'Reading is off by', 'percent', off)]),
      ],
      remarks:
        off === undefined
          ? []
          : [
              Math.abs(off) <= percent
                ? { label: 'Reading', text: 'between the limits', tone: 'good' }
                : { label: 'Reading', text: 'outside the limits', tone: 'bad' },
            ],
    };
  },
});

import { warrantyEnd } from '../business';
import { defineFormula, day, number } from '../define-formula';

export const warranty = defineFormula({
  id: 'warranty',
  title: 'Warranty end',
  group: 'money and dates',
  use: 'The last day on which a claim counts.',
  relation: 'first day + months − 1 day',
  source: 'Calendar months',
  inputs: {
    from: day('Installed or handed over on', '2024-03-15'),
    months: number('Months', 'months', 24, { min: 1, max: 600 }),
  },
  compute: ({ from, months }) => ({
    outputs: [],
    remarks: [{ label: 'Last day', text: warrantyEnd(from, months) }],
  }),
});

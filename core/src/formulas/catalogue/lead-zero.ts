import { defineFormula, number, output } from '../define-formula';

export const lead = defineFormula({
  id: 'lead-zero',
  title: 'Lead zero',
  group: 'electricity',
  use: 'What is left of a small resistance when the leads are taken off it.',
  relation: 'true = shown − leads',
  source: 'JCGM 100:2008, 5.1.2 for the uncertainty',
  inputs: {
    shown: number('Meter shows', 'resistance', 0.8, { plusMinus: 0.2, min: 0 }),
    leads: number('Leads alone', 'resistance', 0.3, { plusMinus: 0.2, min: 0 }),
  },
  compute: ({ shown, leads }) => ({
    outputs: [output('true', 'Without the leads', 'resistance', shown - leads, true)],
    remarks:
      shown < leads
        ? [{ label: 'Mind', text: 'less than the leads alone: zero them again', tone: 'mind' }]
        : [],
  }),
});

import { defineFormula, number, output } from '../define-formula';
import { dischargeTime } from '../electricity';

export const discharge = defineFormula({
  id: 'discharge',
  title: 'Time for a bus to fall, from C and R',
  group: 'electricity',
  use: 'How long the bleed resistor needs. A prediction, never a proof.',
  relation: 't = R · C · ln(V₀ / V)',
  source: 'First-order discharge',
  inputs: {
    farads: number('Capacitance', 'capacitance', 2200e-6, { min: 1e-12 }),
    ohms: number('Bleed resistance', 'resistance', 47_000, { min: 1e-3 }),
    from: number('From', 'voltage', 310, { min: 0 }),
    to: number('Down to', 'voltage', 24, { min: 0.1 }),
  },
  compute: ({ farads, ohms, from, to }) => ({
    outputs: [
      output('time', 'Time', 'time', dischargeTime(ohms, farads, from, to), true),
      output('tau', 'Time constant R·C', 'time', ohms * farads),
      output('energy', 'Energy at the start, in joules', 'count', 0.5 * farads * from ** 2),
    ],
    remarks: [
      {
        label: 'Mind',
        text: 'time alone is not proof: measure the bus before touching',
        tone: 'mind',
      },
    ],
  }),
  picture: {
    input: 'to',
    output: 'time',
    from: () => 5,
    to: ({ from }) => Math.max(10, from),
  },
});

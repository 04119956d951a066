import { defineFormula, number, output } from '../define-formula';

export const motorAmps = defineFormula({
  id: 'motor-amps',
  title: 'Motor amps against nameplate',
  group: 'motors',
  use: 'How hard a motor works, allowing for the voltage it gets.',
  relation: 'load ≈ (amps · volts) ÷ (rated amps · rated volts)',
  source: 'Constant power, for loads near the rated one',
  inputs: {
    amps: number('Amps measured', 'current', 7.4, { plusMinus: 0.2, min: 0 }),
    volts: number('Volts measured', 'voltage', 214, { plusMinus: 2.5, min: 1 }),
    ratedAmps: number('Nameplate amps', 'current', 8.2, { min: 0.01 }),
    ratedVolts: number('Nameplate volts', 'voltage', 220, { min: 1 }),
  },
  compute: ({ amps, volts, ratedAmps, ratedVolts }) => {
    const share = (100 * amps) / ratedAmps;
    return {
      outputs: [
        output('share', 'Of the nameplate amps', 'percent', share, true),
        output('load', 'Load, allowing for the voltage', 'percent', (share * volts) / ratedVolts),
      ],
      remarks: [
        share > 105
          ? {
              label: 'Amps',
              text: 'above the nameplate: look for load, low volts, a bad capacitor',
              tone: 'bad',
            }
          : share < 40
            ? { label: 'Amps', text: 'hardly any load: is it moving anything?', tone: 'mind' }
            : { label: 'Amps', text: 'within the nameplate', tone: 'good' },
      ],
    };
  },
});

import { defineFormula, number, optional, output } from '../define-formula';
import { capacitanceUnderLoad } from '../electricity';

export const capacitor = defineFormula({
  id: 'capacitor',
  title: 'Capacitor under load',
  group: 'motors',
  use: 'A run capacitor checked in operation, by clamp and voltmeter.',
  relation: 'C = I / (2π · f · V)',
  source: 'Reactance of a capacitor',
  inputs: {
    amps: number('Current in its lead', 'current', 3.9, { plusMinus: 0.1, min: 0.001 }),
    volts: number('Voltage across it', 'voltage', 290, { plusMinus: 3.5, min: 1 }),
    hertz: number('Mains frequency', 'frequency', 60, { min: 1 }),
    printed: optional('Printed on it', 'capacitance', 35e-6, { min: 1e-12 }),
  },
  compute: ({ amps, volts, hertz, printed }) => {
    const farads = capacitanceUnderLoad(amps, volts, hertz);
    const off = printed === undefined ? undefined : (100 * (farads - printed)) / printed;
    return {
      outputs: [
        output('farads', 'Capacitance', 'capacitance', farads, true),
        ...(off === undefined ? [] : [output('off', 'Off the printed value by', 'percent', off)]),
      ],
      remarks: [
        {
          label: 'Mind',
          text: 'live work: clamp round one lead, insulated probes, nothing unplugged under power',
          tone: 'mind',
        },
      ],
    };
  },
  picture: {
    input: 'amps',
    output: 'farads',
    from: () => 0.2,
    to: ({ amps }) => 2 * amps,
  },
});

import { defineFormula, number, output } from '../define-formula';
import { rectifiedPeak, rectifiedThreePhase } from '../electricity';

export const bus = defineFormula({
  id: 'bus',
  title: 'Bus voltage from mains',
  group: 'electricity',
  use: 'What a rectified bus should read, with and without load.',
  relation: 'peak = √2 · V; three-phase average = 3√2/π · V line to line',
  source: 'IEC 60146-1-1, uncontrolled bridges',
  inputs: {
    volts: number('Mains, as it arrives at the rectifier', 'voltage', 220, {
      plusMinus: 2.5,
      min: 0,
    }),
  },
  compute: ({ volts }) => ({
    outputs: [
      output('peak', 'Single-phase, unloaded', 'voltage', rectifiedPeak(volts), true),
      output('three', 'Three-phase, loaded', 'voltage', rectifiedThreePhase(volts), true),
      output('double', 'Behind a voltage doubler', 'voltage', 2 * rectifiedPeak(volts)),
    ],
    remarks: [
      {
        label: 'Mind',
        text: 'such a bus stays charged after isolation: wait, then measure',
        tone: 'mind',
      },
    ],
  }),
});

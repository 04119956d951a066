import { defineFormula, number, output } from '../define-formula';
import { timeConstant } from '../electricity';

export const twoReadings = defineFormula({
  id: 'two-readings',
  title: 'Time for a bus to fall, from two readings',
  group: 'electricity',
  use: 'Two readings some time apart say when the limit is reached.',
  relation: 'τ = t / ln(V₁/V₂), then t = τ · ln(V₂/V)',
  source: 'First-order discharge',
  inputs: {
    first: number('First reading', 'voltage', 180, { plusMinus: 1, min: 0 }),
    second: number('Second reading', 'voltage', 95, { plusMinus: 1, min: 0 }),
    seconds: number('Time between them', 'time', 60, { min: 0.1 }),
    to: number('Down to', 'voltage', 24, { min: 0.1 }),
  },
  compute: ({ first, second, seconds, to }) => {
    const tau = timeConstant(first, second, seconds);
    return {
      outputs: [
        output(
          'more',
          'From the second reading on',
          'time',
          second > to ? tau * Math.log(second / to) : 0,
          true,
        ),
        output('tau', 'Time constant', 'time', tau),
      ],
      remarks: [
        {
          label: 'Mind',
          text: 'measure again at that moment; only the figure proves it',
          tone: 'mind',
        },
      ],
    };
  },
});

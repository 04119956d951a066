/** Supplies, buses, heaters, transformers, capacitors, insulation. */
import { unbalancePercent } from '../../judge/groups/balance';
import {
  capacitanceUnderLoad,
  dischargeTime,
  heaterOhms,
  insulationAt40,
  leastInsulation,
  nearestTap,
  rectifiedPeak,
  rectifiedThreePhase,
  timeConstant,
} from '../electricity';
import type { Formula } from '../formula';
import { number, output } from './inputs';

export const supplyFormula: Formula = {
  id: 'supply',
  title: 'Supply check',
  group: 'electricity',
  use: 'Legs to neutral and leg to leg: split-phase, or two legs of a three-phase star.',
  relation: 'split-phase: L1–L2 = L1–N + L2–N; star: L1–L2 = √3 · L–N',
  source: 'Phasor sums of the two systems',
  inputs: [
    number('l1', 'L1 to N', 'voltage', 126, { plusMinus: 1.5, min: 0 }),
    number('l2', 'L2 to N', 'voltage', 128, { plusMinus: 1.5, min: 0 }),
    number('ll', 'L1 to L2', 'voltage', 219, { plusMinus: 2.5, min: 0 }),
    number('l3', 'L3 to N, if there is one', 'voltage', 127, { optional: true, min: 0 }),
  ],
  compute: ({ numbers: { l1, l2, l3, ll } }) => {
    const split = l1! + l2!;
    // Two phasors 120° apart: |a − b|² = a² + b² + a·b.
    const star = Math.sqrt(l1! ** 2 + l2! ** 2 + l1! * l2!);
    const near = (wanted: number) => Math.abs(ll! - wanted) <= 0.05 * wanted;
    const legs = [l1!, l2!, ...(Number.isFinite(l3) ? [l3!] : [])];
    const text = near(star)
      ? 'two legs of a three-phase star'
      : near(split)
        ? 'split-phase, the legs opposite'
        : ll! < 0.1 * split
          ? 'both legs are the same one: something between is open, or they are bridged'
          : 'neither: look for an open neutral or a missing leg';
    return {
      outputs: [
        output('star', 'A star would give', 'voltage', star, true),
        output('split', 'Split-phase would give', 'voltage', split, true),
        output('unbalance', 'Unbalance of the legs', 'percent', unbalancePercent(legs)),
      ],
      remarks: [
        { label: 'This supply is', text, tone: near(star) || near(split) ? 'good' : 'bad' },
      ],
    };
  },
};

export const busFormula: Formula = {
  id: 'bus',
  title: 'Bus voltage from mains',
  group: 'electricity',
  use: 'What a rectified bus should read, with and without load.',
  relation: 'peak = √2 · V; three-phase average = 3√2/π · V line to line',
  source: 'IEC 60146-1-1, uncontrolled bridges',
  inputs: [
    number('volts', 'Mains, as it arrives at the rectifier', 'voltage', 220, {
      plusMinus: 2.5,
      min: 0,
    }),
  ],
  compute: ({ numbers: { volts } }) => ({
    outputs: [
      output('peak', 'Single-phase, unloaded', 'voltage', rectifiedPeak(volts!), true),
      output('three', 'Three-phase, loaded', 'voltage', rectifiedThreePhase(volts!), true),
      output('double', 'Behind a voltage doubler', 'voltage', 2 * rectifiedPeak(volts!)),
    ],
    remarks: [
      {
        label: 'Mind',
        text: 'such a bus stays charged after isolation: wait, then measure',
        tone: 'mind',
      },
    ],
  }),
};

export const dischargeFormula: Formula = {
  id: 'discharge',
  title: 'Time for a bus to fall, from C and R',
  group: 'electricity',
  use: 'How long the bleed resistor needs. A prediction, never a proof.',
  relation: 't = R · C · ln(V₀ / V)',
  source: 'First-order discharge',
  inputs: [
    number('farads', 'Capacitance', 'capacitance', 2200e-6, { min: 1e-12 }),
    number('ohms', 'Bleed resistance', 'resistance', 47_000, { min: 1e-3 }),
    number('from', 'From', 'voltage', 310, { min: 0 }),
    number('to', 'Down to', 'voltage', 24, { min: 0.1 }),
  ],
  compute: ({ numbers: { farads, ohms, from, to } }) => ({
    outputs: [
      output('time', 'Time', 'time', dischargeTime(ohms!, farads!, from!, to!), true),
      output('tau', 'Time constant R·C', 'time', ohms! * farads!),
      output('energy', 'Energy at the start, in joules', 'count', 0.5 * farads! * from! ** 2),
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
    to: ({ numbers }) => Math.max(10, numbers.from!),
  },
};

export const twoReadingsFormula: Formula = {
  id: 'two-readings',
  title: 'Time for a bus to fall, from two readings',
  group: 'electricity',
  use: 'Two readings some time apart say when the limit is reached.',
  relation: 'τ = t / ln(V₁/V₂), then t = τ · ln(V₂/V)',
  source: 'First-order discharge',
  inputs: [
    number('first', 'First reading', 'voltage', 180, { plusMinus: 1, min: 0 }),
    number('second', 'Second reading', 'voltage', 95, { plusMinus: 1, min: 0 }),
    number('seconds', 'Time between them', 'time', 60, { min: 0.1 }),
    number('to', 'Down to', 'voltage', 24, { min: 0.1 }),
  ],
  compute: ({ numbers: { first, second, seconds, to } }) => {
    const tau = timeConstant(first!, second!, seconds!);
    return {
      outputs: [
        output(
          'more',
          'From the second reading on',
          'time',
          second! > to! ? tau * Math.log(second! / to!) : 0,
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
};

export const heaterFormula: Formula = {
  id: 'heater',
  title: 'Heater resistance',
  group: 'electricity',
  use: 'What an element should read, from its rating plate.',
  relation: 'R = V² / P',
  source: 'Joule’s law',
  inputs: [
    number('volts', 'Rated voltage', 'voltage', 220, { min: 0.1 }),
    number('watts', 'Rated power', 'power', 2200, { min: 0.1 }),
  ],
  compute: ({ numbers: { volts, watts } }) => ({
    outputs: [
      output('ohms', 'Hot resistance', 'resistance', heaterOhms(volts!, watts!), true),
      output('amps', 'Current', 'current', watts! / volts!),
    ],
    remarks: [{ label: 'Cold', text: 'elements read a few percent less when cold' }],
  }),
  picture: {
    input: 'watts',
    output: 'ohms',
    from: () => 200,
    to: ({ numbers }) => 2 * numbers.watts!,
  },
};

export const tapFormula: Formula = {
  id: 'tap',
  title: 'Transformer tap',
  group: 'electricity',
  use: 'Which primary tap suits the supply, and what the secondary gives on it.',
  relation: 'V₂ = V₂ nominal · supply ÷ tap',
  source: 'Ideal transformer',
  inputs: [
    number('supply', 'Supply, measured', 'voltage', 228, { plusMinus: 2.5, min: 1 }),
    number('a', 'First tap', 'voltage', 208, { min: 1 }),
    number('b', 'Second tap', 'voltage', 220, { min: 1 }),
    number('c', 'Third tap', 'voltage', 240, { min: 1, optional: true }),
    number('secondary', 'Secondary, nominal', 'voltage', 24, { min: 0.1 }),
  ],
  compute: ({ numbers: { supply, a, b, c, secondary } }) => {
    const taps = [a!, b!, c!].filter(Number.isFinite);
    const tap = nearestTap(supply!, taps);
    return {
      outputs: [
        output('tap', 'Nearest tap', 'voltage', tap, true),
        output('gives', 'Secondary on it', 'voltage', (secondary! * supply!) / tap),
        ...taps
          .filter((each) => each !== tap)
          .map((each) =>
            output(
              `on-${each}`,
              `Secondary on ${each} V`,
              'voltage',
              (secondary! * supply!) / each,
            ),
          ),
      ],
      remarks: [],
    };
  },
};

export const capacitorFormula: Formula = {
  id: 'capacitor',
  title: 'Capacitor under load',
  group: 'motors',
  use: 'A run capacitor checked in operation, by clamp and voltmeter.',
  relation: 'C = I / (2π · f · V)',
  source: 'Reactance of a capacitor',
  inputs: [
    number('amps', 'Current in its lead', 'current', 3.9, { plusMinus: 0.1, min: 0.001 }),
    number('volts', 'Voltage across it', 'voltage', 290, { plusMinus: 3.5, min: 1 }),
    number('hertz', 'Mains frequency', 'frequency', 60, { min: 1 }),
    number('printed', 'Printed on it', 'capacitance', 35e-6, { optional: true, min: 1e-12 }),
  ],
  compute: ({ numbers: { amps, volts, hertz, printed } }) => {
    const farads = capacitanceUnderLoad(amps!, volts!, hertz!);
    const off = (100 * (farads - printed!)) / printed!;
    return {
      outputs: [
        output('farads', 'Capacitance', 'capacitance', farads, true),
        ...(Number.isFinite(off)
          ? [output('off', 'Off the printed value by', 'percent', off)]
          : []),
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
    to: ({ numbers }) => 2 * numbers.amps!,
  },
};

export const insulationFormula: Formula = {
  id: 'insulation',
  title: 'Insulation at 40 °C',
  group: 'motors',
  use: 'Compare insulation readings taken at different winding temperatures.',
  relation: 'R₄₀ = R · 0.5^((40 − t)/10)',
  source: 'IEEE 43, halving per 10 K',
  inputs: [
    number('ohms', 'Reading after a minute', 'resistance', 24e6, { plusMinus: 1e6, min: 1 }),
    number('celsius', 'Winding temperature', 'temperature', 22, { min: -40, max: 180 }),
    number('rated', 'Rated voltage of the machine', 'voltage', 380, { min: 0 }),
  ],
  compute: ({ numbers: { ohms, celsius, rated } }) => {
    const corrected = insulationAt40(ohms!, celsius!);
    const least = leastInsulation(rated!);
    return {
      outputs: [
        output('corrected', 'At 40 °C', 'resistance', corrected, true),
        output('least', 'Floor: rated kV plus one, in MΩ', 'resistance', least),
      ],
      remarks: [
        corrected >= least
          ? { label: 'Against the floor', text: 'above it; the trend matters more', tone: 'good' }
          : { label: 'Against the floor', text: 'below it', tone: 'bad' },
      ],
    };
  },
  picture: { input: 'celsius', output: 'corrected', from: () => 0, to: () => 80 },
};

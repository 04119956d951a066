/** Bands, balance, lead zero and the sum rule: what is reckoned beside nearly every reading. */
import { unbalancePercent, spreadOf } from '../../judge/groups/balance';
import { nameTerminals } from '../../judge/groups/sum';
import type { Formula } from '../formula';
import { number, output } from './inputs';

export const bandFormula: Formula = {
  id: 'band',
  title: 'Percent band',
  group: 'electricity',
  use: 'The limits of a nominal value, and whether a reading lies between them.',
  relation: 'limits = value · (1 ± percent/100)',
  source: 'Definition',
  inputs: [
    number('value', 'Nominal value', 'voltage', 127),
    number('percent', 'Tolerance', 'percent', 10, { min: 0, max: 100 }),
    number('reading', 'Reading', 'voltage', 119, { plusMinus: 1.2, optional: true }),
  ],
  compute: ({ numbers: { value, percent, reading } }) => {
    const half = (Math.abs(value!) * percent!) / 100;
    const off = (100 * (reading! - value!)) / value!;
    return {
      outputs: [
        output('low', 'Lower limit', 'voltage', value! - half, true),
        output('high', 'Upper limit', 'voltage', value! + half, true),
        ...(Number.isFinite(off) ? [output('off', 'Reading is off by', 'percent', off)] : []),
      ],
      remarks: Number.isFinite(off)
        ? [
            Math.abs(off) <= percent!
              ? { label: 'Reading', text: 'between the limits', tone: 'good' }
              : { label: 'Reading', text: 'outside the limits', tone: 'bad' },
          ]
        : [],
    };
  },
};

export const balanceFormula: Formula = {
  id: 'balance',
  title: 'Balance of three',
  group: 'electricity',
  use: 'Windings, phase voltages, outputs: how far the odd one is off the mean.',
  relation: 'unbalance = largest deviation from the mean ÷ mean',
  source: 'NEMA MG-1, 14.36',
  inputs: [
    number('a', 'First', 'resistance', 7.0, { plusMinus: 0.1 }),
    number('b', 'Second', 'resistance', 7.1, { plusMinus: 0.1 }),
    number('c', 'Third', 'resistance', 6.6, { plusMinus: 0.1 }),
  ],
  compute: ({ numbers: { a, b, c } }) => {
    const all = [a!, b!, c!];
    const mean = (a! + b! + c!) / 3;
    return {
      outputs: [
        output('unbalance', 'Unbalance', 'percent', unbalancePercent(all), true),
        output('mean', 'Mean', 'resistance', mean),
        output('spread', 'Largest less smallest', 'resistance', spreadOf(all)),
      ],
      remarks: [],
    };
  },
  picture: {
    input: 'c',
    output: 'unbalance',
    from: ({ numbers }) => 0.8 * Math.min(numbers.a!, numbers.b!),
    to: ({ numbers }) => 1.2 * Math.max(numbers.a!, numbers.b!),
  },
};

export const leadFormula: Formula = {
  id: 'lead-zero',
  title: 'Lead zero',
  group: 'electricity',
  use: 'What is left of a small resistance when the leads are taken off it.',
  relation: 'true = shown − leads',
  source: 'JCGM 100:2008, 5.1.2 for the uncertainty',
  inputs: [
    number('shown', 'Meter shows', 'resistance', 0.8, { plusMinus: 0.2, min: 0 }),
    number('leads', 'Leads alone', 'resistance', 0.3, { plusMinus: 0.2, min: 0 }),
  ],
  compute: ({ numbers: { shown, leads } }) => ({
    outputs: [output('true', 'Without the leads', 'resistance', shown! - leads!, true)],
    remarks:
      shown! < leads!
        ? [{ label: 'Mind', text: 'less than the leads alone: zero them again', tone: 'mind' }]
        : [],
  }),
};

export const sumFormula: Formula = {
  id: 'sum-rule',
  title: 'Sum rule of a single-phase motor',
  group: 'motors',
  use: 'Whether three winding readings belong together, and which terminal is which.',
  relation: 'largest = sum of the other two',
  source: 'Two windings in series between the outer terminals',
  inputs: [
    number('r12', 'Terminals 1–2', 'resistance', 8.0, { plusMinus: 0.2, min: 0 }),
    number('r23', 'Terminals 2–3', 'resistance', 5.5, { plusMinus: 0.2, min: 0 }),
    number('r31', 'Terminals 3–1', 'resistance', 2.5, { plusMinus: 0.2, min: 0 }),
  ],
  compute: ({ numbers: { r12, r23, r31 } }) => {
    const sorted = [r12!, r23!, r31!].sort((a, b) => a - b);
    const gap = sorted[2]! - sorted[1]! - sorted[0]!;
    const reading = (red: string, black: string, value: number) => ({
      id: `${red}${black}`,
      unit: 'ohm' as const,
      red: `t.${red}`,
      black: `t.${black}`,
      reading: { kind: 'value' as const, value },
      judgement: {
        verdict: 'in' as const,
        outcome: 'ok',
        p: { ok: 1 },
        corrected: value,
        limits: { low: 0, high: Infinity },
        edge: false,
        signFlagged: false,
        assumed: false,
        contactOwed: false,
      },
    });
    const names = nameTerminals([
      reading('1', '2', r12!),
      reading('2', '3', r23!),
      reading('3', '1', r31!),
    ]);
    const off = sorted[2]! > 0 ? (100 * Math.abs(gap)) / sorted[2]! : 0;
    return {
      outputs: [
        output('gap', 'Largest less the sum of the others', 'resistance', gap, true),
        output('off', 'In percent of the largest', 'percent', off),
      ],
      remarks: names
        ? [
            { label: 'Common', text: `terminal ${names.common}` },
            { label: 'Run winding to', text: `terminal ${names.run}` },
            { label: 'Start winding to', text: `terminal ${names.start}` },
          ]
        : [],
    };
  },
};

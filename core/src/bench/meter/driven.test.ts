import { readNetlist } from '../spice/read';
import { DrivenMeter } from './driven';
import { measure } from './measure';
import { type Probing } from './probing';
import type { Indication } from './shown';

const BOARD = readNetlist(
  [
    'a board',
    '.model D D(IS=2e-9 N=1.7)',
    'R1 a b 120',
    'R2 b 0 4.7k',
    'D1 b c D',
    'R3 c 0 22meg',
    'C1 c 0 2.2u',
    'R4 d 0 0.1',
    '*@ fuse R4 hold=1 i2t=2',
    'R5 c d 10meg',
    '*@ rated c 100',
  ].join('\n'),
);

const ROUNDS = (['ohm', 'diode', 'continuity', 'insulation', 'capacitance'] as const).flatMap(
  (fn) =>
    [
      ['a', 'b'],
      ['b', 'c'],
      ['c', 'b'],
      ['d', '0'],
      ['c', '0'],
      ['a', 'd'],
    ].map(([red, black]): Probing & { black: string } => ({
      function: fn,
      red: red!,
      black: black!,
    })),
);

/** What would be destroyed is told in volts that no display rounds. */
const rounded = ({ hazards, ...rest }: Indication) => ({
  ...rest,
  hazards: hazards.map((each) =>
    'volts' in each ? { ...each, volts: Math.round(each.volts * 1e3) } : each,
  ),
});

test('laid from place to place it reads what a meter put there afresh reads', () => {
  const meter = new DrivenMeter(BOARD, ROUNDS);
  for (const probing of [...ROUNDS, ...ROUNDS.toReversed()])
    expect([probing, rounded(meter.read(probing))]).toEqual([
      probing,
      rounded(measure(BOARD, probing)),
    ]);
});

test('one place reads the same whatever was read before: an insulation test leaves no trace', () => {
  const meter = new DrivenMeter(BOARD, ROUNDS);
  const ohms = () => meter.read({ function: 'ohm', red: 'd', black: '0' }).value;
  const before = ohms();
  const told = meter.read({ function: 'insulation', red: 'c', black: '0', testVolts: 500 });
  expect(told.hazards.map(({ kind }) => kind)).toEqual(['destroyed']);
  expect(ohms()).toBe(before);
  expect(before).toBeCloseTo(0.1 + 0.06, 2);
});

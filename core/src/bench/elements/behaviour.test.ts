import { ntcResistance } from '../../curves/ntc';
import { solveCircuit } from '../analyse';
import { readNetlist } from '../spice/read';

const solve = (...lines: string[]) => solveCircuit(readNetlist(['title', ...lines].join('\n')));
const at = (
  tran: { t: readonly number[]; nodes: { readonly [n: string]: readonly number[] } },
  node: string,
  t: number,
) => tran.nodes[node]![tran.t.findIndex((each) => each >= t - 1e-9)]!;

test('a fuse opens when its melting integral is full: 10 A through 4 A²s takes 40 ms', () => {
  const { tran } = solve(
    'V1 a 0 10',
    'R1 a b 0.001',
    '*@ fuse R1 hold=2 i2t=4',
    'R2 b 0 1',
    '.tran 1m 80m',
  );
  expect(at(tran!, 'b', 0.035)).toBeGreaterThan(9.9);
  expect(at(tran!, 'b', 0.045)).toBeLessThan(0.01);
});

test('a fuse holds what it is made to hold', () => {
  const { op } = solve('V1 a 0 10', 'R1 a b 0.01', '*@ fuse R1 hold=2 i2t=4', 'R2 b 0 5.5', '.op');
  expect(op!.nodes.b).toBeGreaterThan(9.9);
});

test('a varistor carries 1 mA at its voltage and clamps far above', () => {
  const { op } = solve('I1 0 a 1m', 'R1 a 0 1000meg', '*@ varistor R1 volts=430 alpha=30', '.op');
  expect(op!.nodes.a).toBeCloseTo(430, 0);
  const surge = solve('I1 0 a 100', 'R1 a 0 1000meg', '*@ varistor R1 volts=430 alpha=30', '.op');
  // 100 A is 10⁵ times as much: (10⁵)^(1/30) = 1.468.
  expect(surge.op!.nodes.a).toBeCloseTo(430 * 1e5 ** (1 / 30), 0);
});

test('thermistors take their temperature from a node', () => {
  const { op } = solve(
    'V1 t 0 5',
    'I1 0 a 1m',
    'R1 a 0 1',
    '*@ ntc R1 r25=10k beta=3435 temp=v(t)',
    '.op',
  );
  expect(op!.nodes.a).toBeCloseTo(ntcResistance(10_000, 3435, 5) * 1e-3, 6);
  const rtd = solve('I1 0 a 1m', 'R1 a 0 1', '*@ rtd R1 r0=1000 temp=100', '.op');
  expect(rtd.op!.nodes.a).toBeCloseTo(1.38506, 4);
});

test('a regulator holds, follows in dropout, limits, and is off without its enable', () => {
  const lines = (input: number, load: number, more = '') => [
    `V1 in 0 ${input}`,
    'E1 out 0 in 0 1',
    `*@ regulator E1 volts=5 dropout=1.2 limit=1 ohms=0.01 ${more}`,
    `R1 out 0 ${load}`,
    'VE en 0 0',
    'RE en 0 1k',
    '.op',
  ];
  const out = (...args: Parameters<typeof lines>) => solve(...lines(...args)).op!;
  expect(out(12, 100).nodes.out).toBeCloseTo(5, 2);
  expect(out(5, 100).nodes.out).toBeCloseTo(3.8, 2);
  expect(out(12, 2).nodes.out).toBeCloseTo(2, 6);
  // What it gives it draws: 50 mA of load at its input.
  expect(out(12, 100).branches.v1).toBeCloseTo(-0.05, 3);
  expect(out(12, 100, 'enable=v(en)>2').nodes.out).toBeCloseTo(0, 9);
});

test('a relay pulls on AC, and lets go only after its hold time', () => {
  const { tran } = solve(
    '.model K SW(VT=100 VH=10 RON=0.1 ROFF=1e9)',
    'V1 l 0 SIN(0 311 60)',
    'RS l g 1',
    // The coil is cut at 50 ms by a series switch that a pulse works.
    '.model C SW(VT=2 VH=0.2 RON=1 ROFF=1e9)',
    'VC c 0 PULSE(5 0 50m 1u 1u 1 2)',
    'S2 g coil c 0 C',
    'RC coil 0 10k',
    'VB b 0 24',
    'S1 b out coil 0 K',
    '*@ relay S1 hold=25m',
    'RL out 0 100',
    '.tran 1m 120m',
  );
  for (const t of [0.02, 0.03, 0.045, 0.06]) expect(at(tran!, 'out', t)).toBeGreaterThan(23);
  expect(at(tran!, 'out', 0.1)).toBeLessThan(0.1);
});

test('a sequencer closes after its time and opens after its stay', () => {
  const { tran } = solve(
    '.model S SW(RON=0.1 ROFF=1e9)',
    'VF f 0 PULSE(0 5 10m 1u 1u 1 2)',
    'VB b 0 24',
    'S1 b out f 0 S',
    '*@ sequencer S1 when=v(f)>2 after=20m for=30m',
    'RL out 0 100',
    '.tran 1m 100m',
  );
  expect(at(tran!, 'out', 0.025)).toBeLessThan(0.1);
  expect(at(tran!, 'out', 0.035)).toBeGreaterThan(23);
  expect(at(tran!, 'out', 0.055)).toBeGreaterThan(23);
  expect(at(tran!, 'out', 0.07)).toBeLessThan(0.1);
});

test('a half bridge of switch and freewheel diode carries a coil’s current on when it opens', () => {
  const { tran } = solve(
    '.model S SW(VT=2 RON=0.05 ROFF=1e9)',
    '.model DF D(IS=1e-8 N=1.6 RS=0.02)',
    'VP p 0 300',
    'VC c 0 PULSE(5 0 5m 1u 1u 1 2)',
    'S1 p u c 0 S',
    'D1 0 u DF',
    'L1 u x 50m',
    'R1 x 0 30',
    '.tran 0.1m 10m',
  );
  const before = at(tran!, 'x', 0.0049);
  const after = at(tran!, 'x', 0.0052);
  expect(after / before).toBeGreaterThan(0.8);
  // The diode clamps the output just below the minus rail.
  expect(at(tran!, 'u', 0.0052)).toBeGreaterThan(-1.5);
  expect(at(tran!, 'u', 0.0052)).toBeLessThan(0);
});

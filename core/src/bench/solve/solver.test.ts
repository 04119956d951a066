import fc from 'fast-check';
import { brokenNetlist, randomNetlist } from '../../../test/random-netlist';
import { CoreError } from '../../errors';
import { circuitOf } from '../circuit';
import { type Element } from '../elements/index';
import { FloatingNodeError, NetlistError, NoConvergenceError, SourceLoopError } from '../errors';
import { solveCircuit, type Solved } from '../analyse';
import { readNetlist } from '../spice/read';
import { System } from './system';
import { paceOf, runTransient } from './transient';

const solve = (...lines: string[]) => solveCircuit(readNetlist(['title', ...lines].join('\n')));

/** A ladder of series and parallel resistances, and what it amounts to from its end. */
interface Ladder {
  readonly elements: Element[];
  readonly ohms: number;
}

/** Built from the far end: series and parallel reduction, done by hand. */
function ladder(rungs: readonly (readonly [series: number, parallel: number])[]): Ladder {
  const elements: Element[] = [];
  let ohms = Infinity;
  const n = rungs.length;
  [...rungs].reverse().forEach(([series, parallel], i) => {
    const here = n - i;
    ohms = 1 / (1 / parallel + (Number.isFinite(ohms) ? 1 / ohms : 0)) + series;
    elements.push(
      { kind: 'resistor', name: `s${here}`, nodes: [`n${here - 1}`, `n${here}`], ohms: series },
      { kind: 'resistor', name: `p${here}`, nodes: [`n${here}`, '0'], ohms: parallel },
    );
  });
  return { elements, ohms };
}

const ohms = fc.double({ min: 0.1, max: 1e6, noNaN: true });

test('random ladders agree with series-parallel reduction', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(ohms, ohms), { minLength: 1, maxLength: 40 }), (rungs) => {
      const made = ladder(rungs);
      const { op } = solveCircuit(
        circuitOf([
          ...made.elements,
          {
            kind: 'voltage',
            name: 'v1',
            nodes: ['n0', '0'],
            wave: { kind: 'dc', value: 10 },
            ac: { magnitude: 0, phase: 0 },
          },
        ]),
      );
      const found = -10 / op!.branches.v1!;
      // 0.1 Ω before 1 MΩ: the current is the difference of voltages that agree in seven digits.
      expect(Math.abs(found / made.ohms - 1)).toBeLessThan(1e-7);
    }),
    { numRuns: 300, examples: [[[[0.1, 755360.2407933698]]]] },
  );
});

test('a divider, its current, and the sign of a source’s branch', () => {
  const { op } = solve('V1 a 0 12', 'R1 a b 1k', 'R2 b 0 2k', '.op');
  expect(op!.nodes.b).toBeCloseTo(8, 12);
  // From plus to minus inside the source: it delivers, so the current is negative.
  expect(op!.branches.v1).toBeCloseTo(-0.004, 15);
});

test('floating nodes are named', () => {
  expect.assertions(2);
  try {
    solve('V1 a 0 5', 'R1 a 0 1k', 'R2 x y 1k', 'C1 y 0 1u', '.op');
  } catch (error) {
    expect(error).toBeInstanceOf(FloatingNodeError);
    expect((error as FloatingNodeError).nodes).toEqual(['x', 'y']);
  }
});

test('an ungrounded ring of resistors floats instead of reading huge volts', () => {
  expect(() => solve('R1 a b 1', 'R2 b c 2', 'R3 c a 3', 'I1 a b 1m', '.op')).toThrow(
    FloatingNodeError,
  );
});

test('loops of sources are named, with their elements', () => {
  expect.assertions(2);
  try {
    solve('V1 a 0 5', 'E1 b a a 0 1', 'V2 b 0 9', 'R1 b 0 1k', '.op');
  } catch (error) {
    expect(error).toBeInstanceOf(SourceLoopError);
    expect([...(error as SourceLoopError).elements].sort()).toEqual(['e1', 'v1', 'v2']);
  }
});

test('a coil across a source has no direct current; coils in parallel alone are fine', () => {
  expect(() => solve('V1 a 0 5', 'L1 a 0 1m', '.op')).toThrow(SourceLoopError);
  const { op } = solve('V1 a 0 5', 'R1 a b 1k', 'L1 b 0 1m', 'L2 b 0 2m', '.op');
  expect(op!.nodes.b).toBeCloseTo(0, 6);
});

test.each([NaN, Infinity, 1e30])('a value of %d is refused by name', (value) => {
  expect(() =>
    solveCircuit(circuitOf([{ kind: 'resistor', name: 'r1', nodes: ['a', '0'], ohms: value }])),
  ).toThrow(NetlistError);
});

test('a relay that cuts its own coil is said to chatter, not given a figure', () => {
  const chatter = [
    '.model S SW(VT=3 VH=0.1 RON=0.1 ROFF=1e9)',
    'V1 a 0 12',
    'S1 a c 0 c S',
    'R1 c 0 100',
  ];
  // Closed while the coil is below −3 V … inverted control: it opens as soon as it has closed.
  const inverted = [
    '.model T SW(VT=-3 VH=0.1 RON=0.1 ROFF=1e9)',
    'V1 a 0 12',
    'S1 a c 0 c T',
    'R1 c 0 100',
  ];
  expect(solve(...chatter, '.op').op!.nodes.c).toBeCloseTo(0, 5);
  expect(() => solve(...inverted, '.op')).toThrow(NoConvergenceError);
  expect(() => solve(...inverted, '.op')).toThrow(/chatters/);
});

test('a switch that works itself over time is told at once, not after two million steps', () => {
  expect(() =>
    solve(
      '.model T SW(VT=2.5 VH=0.0001 RON=0.5 ROFF=1e9)',
      'V1 a 0 5',
      // It shorts what closes it, through a capacitor that recovers in nanoseconds.
      'R1 a c 1',
      'S1 c 0 c 0 T',
      'C1 c 0 1p',
      '.tran 0.5m 12m uic',
    ),
  ).toThrow(/time hardly moves on/);
});

test('a charging capacitor follows its exponential', () => {
  const { tran } = solve('V1 a 0 10', 'R1 a b 1k', 'C1 b 0 1u', '.tran 0.1m 5m uic');
  tran!.t.forEach((t, i) =>
    expect(Math.abs(tran!.nodes.b![i]! - 10 * (1 - Math.exp(-t / 1e-3)))).toBeLessThan(0.005),
  );
});

test('one hundred nodes of a grid are solved exactly as conductances say', () => {
  // A square grid fed at a corner: Kirchhoff's current law must hold at every node.
  const size = 10;
  const lines = ['V1 n0_0 0 1', `R0 n9_9 0 1`];
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j < size; j += 1) {
      if (i + 1 < size)
        lines.push(`Rv${i}_${j} n${i}_${j} n${i + 1}_${j} ${1 + ((i * 7 + j) % 5)}`);
      if (j + 1 < size)
        lines.push(`Rh${i}_${j} n${i}_${j} n${i}_${j + 1} ${1 + ((i + j * 3) % 4)}`);
    }
  const circuit = readNetlist(['grid', ...lines, '.op'].join('\n'));
  const { op } = solveCircuit(circuit);
  const sums = new Map<string, number>();
  for (const element of circuit.elements) {
    if (element.kind !== 'resistor') continue;
    const [p, m] = element.nodes;
    const amps = ((op!.nodes[p] ?? 0) - (op!.nodes[m] ?? 0)) / element.ohms;
    sums.set(p, (sums.get(p) ?? 0) + amps);
    sums.set(m, (sums.get(m) ?? 0) - amps);
  }
  for (const [node, sum] of sums)
    if (node !== '0' && node !== 'n0_0') expect(Math.abs(sum)).toBeLessThan(1e-12);
});

test('random netlists, sound or not, give finite figures or a typed failure', () => {
  const allFinite = (solved: Solved): boolean =>
    JSON.stringify(solved, (_, value: unknown) =>
      typeof value === 'number' && !Number.isFinite(value) ? 'BAD' : value,
    ).includes('BAD') === false;
  let solvedOnes = 0;
  fc.assert(
    fc.property(randomNetlist, (text) => {
      try {
        expect(allFinite(solveCircuit(readNetlist(text)))).toBe(true);
        solvedOnes += 1;
      } catch (error) {
        if (!(error instanceof CoreError)) throw error;
      }
    }),
    { numRuns: 400 },
  );
  expect(solvedOnes).toBeGreaterThan(20);
});

test('broken text never crashes the reader', () => {
  fc.assert(
    fc.property(brokenNetlist, (text) => {
      try {
        solveCircuit(readNetlist(text));
      } catch (error) {
        if (!(error instanceof CoreError)) throw error;
      }
    }),
    { numRuns: 600 },
  );
});

test('the same system solved again after other values keeps its accuracy', () => {
  // The pivot order is kept between factorings; a fuse that opens changes values by ten decades.
  const text = [
    't',
    'V1 a 0 12',
    'R1 a b 0.02',
    '*@ fuse R1 hold=2 i2t=1',
    'R2 b 0 1',
    'R3 b 0 1meg',
  ];
  const system = new System(readNetlist(text.join('\n')));
  system.operatingPoint();
  expect(system.blownFuses()).toEqual(['r1']);
  expect(system.volts('b')).toBeLessThan(1e-6);
});

test('a run in pieces that hands on its pace arrives where the whole one does, in hardly more steps', () => {
  const ringing = readNetlist(
    't\nV1 a 0 SIN(0 10 50)\nL1 a b 0.1\nR1 b c 5\nC1 c 0 100u\nD1 c d DX\nR2 d 0 200\n.model DX D(IS=1e-9)',
  );
  const run = (pieces: number, handsOn: boolean) => {
    const system = new System(ringing);
    system.operatingPoint();
    const pace = paceOf(system);
    let steps = 0;
    for (let i = 0; i < pieces; i += 1)
      runTransient(
        system,
        {
          ...{ from: (0.1 * i) / pieces, to: (0.1 * (i + 1)) / pieces, most: 2e-4 },
          ...(handsOn && { pace }),
        },
        () => void (steps += 1),
      );
    return { steps, volts: system.volts('c')! };
  };
  const whole = run(1, false);
  const pieces = run(25, true);
  expect(Math.abs(pieces.volts - whole.volts)).toBeLessThan(0.01);
  expect(pieces.steps).toBeLessThan(1.1 * whole.steps);
  expect(run(25, false).steps).toBeGreaterThan(1.2 * whole.steps);
});

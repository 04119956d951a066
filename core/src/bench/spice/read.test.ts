import fc from 'fast-check';
import { CircuitTooLargeError, NetlistError, TooMuchWorkError } from '../errors';
import { solveCircuit } from '../analyse';
import { randomNetlist } from '../../../test/random-netlist';
import { evaluate } from './expression';
import { spiceNumber } from './number';
import { MOST_ELEMENTS, readNetlist } from './read';
import { writeNetlist } from './write';

const deck = (...lines: string[]) => ['title', ...lines].join('\n');

test.each([
  ['4.7k', 4700],
  ['10uF', 1e-5],
  ['10µF', 1e-5],
  ['1meg', 1e6],
  ['1MEGohm', 1e6],
  ['2m', 0.002],
  ['1e-9', 1e-9],
  ['.5', 0.5],
  ['-3.3', -3.3],
  ['4k7', 4700],
  ['2R2', 2.2],
  ['0u47', 4.7e-7],
  ['1meg5', 1.5e6],
  ['47R', 47],
  ['60Hz', 60],
])('%s is %d', (text, value) => {
  expect(spiceNumber(text)).toBeCloseTo(value, 15);
});

test.each(['', 'k', '1..2', '1e999', 'NaN', 'Infinity', '0x10', '1 2', '6Cm', '4k7k'])(
  '“%s” is no figure',
  (text) => {
    expect(spiceNumber(text)).toBeUndefined();
  },
);

test('formulas know brackets, powers, names and functions', () => {
  const scope = new Map([['a', 3]]);
  expect(evaluate('2*(1+a)^2 - -1', scope)).toBe(33);
  expect(evaluate('max(a, 4k)/2', scope)).toBe(2000);
  for (const bad of ['1+', '(1', 'b', '1/0', '2 3', 'sqrt(-1)', 'a$'])
    expect(() => evaluate(bad, scope, 7)).toThrow(/^line 7: /);
});

test.each([
  ['R1 a 0', 2, /its resistance is missing/],
  ['R1 a 0 1k 2', 2, /“2” is not understood/],
  ['R1 a 0 0', 2, /joins two nodes/],
  ['R1 a 0 -5', 2, /below zero/],
  ['R1 a 0 abc', 2, /“abc” is not a figure/],
  ['Q1 a b c MOD', 2, /written as a switch: S1 collector/],
  ['M1 a b c d MOD', 2, /written as a switch: S1 drain/],
  ['.options shape=round', 2, /the option “shape” is not known/],
  ['.options tnom=50', 2, /hold at 27 °C/],
  ['.temp 9000', 2, /between −273 and 500/],
  ['.ic v(a)=5', 2, /IC=…/],
  ['.control', 2, /leave the commands out/],
  ['V1 a 0 6Cm', 2, /“6cm” is not a figure/],
  ['.op\n.tran 1m 2m\n.tran 1m 3m', 4, /two \.tran that differ/],
  ['.param a={b+1} b={2*a}', 2, /stands on itself/],
  ['D1 a 0 NONE', 2, /no \.model “none”/],
  ['.model X NPN(IS=1)', 2, /written as a switch/],
  ['.model X D(IS=1e-12 LEVEL=3)', 2, /“level=…” is not understood/],
  ['.model X D(CJO=-1p)', 2, /cjo is below zero/],
  ['X1 a 0 nosuch', 2, /no \.subckt “nosuch”/],
  ['.subckt s a', 2, /has no \.ends/],
  ['V1 a 0 SIN(1 2)', 2, /SIN takes/],
  ['V1 a 0 PWL(0 1 0 2)', 2, /must grow/],
  ['.tran 1m', 2, /the end is missing/],
  ['.ac dec 10 100 10', 2, /must grow/],
  ['*@ fuse R9 hold=1 i2t=1', 2, /no element “r9”/],
  ['*@ bang R1', 2, /“bang” is no block/],
  ['+ 1k', 2, /nothing before/],
  ['F1 a 0 V9 2', 2, /no voltage source/],
  ['K1 L1 L2 0.5', 2, /no coil/],
])('“%s” is refused with its line', (line, at, why) => {
  const read = () => readNetlist(deck(line));
  expect(read).toThrow(NetlistError);
  try {
    read();
  } catch (error) {
    expect((error as NetlistError).line).toBe(at);
    expect((error as NetlistError).message).toMatch(why);
  }
});

test('the line of a fault inside a subcircuit and behind continuations is the right one', () => {
  const text = deck('.subckt s a', 'R1 a 0', '+ 1k', 'R2 a 0 zz', '.ends', 'X1 n s');
  expect(() => readNetlist(text)).toThrow(/^line 5: /);
});

test('two elements of one name, and a subcircuit in itself, are refused', () => {
  expect(() => readNetlist(deck('R1 a 0 1', 'R1 b 0 1'))).toThrow(/two elements “r1”/);
  expect(() => readNetlist(deck('.subckt s a', 'X1 a s', '.ends', 'X1 n s'))).toThrow(
    /nest too deep/,
  );
});

test('5,000 elements are refused with the limit', () => {
  const lines = Array.from({ length: 5000 }, (_, i) => `R${i} n${i} n${i + 1} 1k`);
  expect(() => readNetlist(deck(...lines))).toThrow(CircuitTooLargeError);
  expect(() => readNetlist(deck(...lines))).toThrow(String(MOST_ELEMENTS));
});

test('behaviour blocks are comments to any other SPICE and change their element here', () => {
  const { elements, ratings } = readNetlist(
    deck(
      'R1 a b 0.05',
      '*@ fuse R1 hold=2 i2t=4',
      'R2 b 0 10k',
      '*@ ntc R2 r25=10k beta=3435 temp=v(t)',
      'V1 t 0 21',
      '*@ rated b 30',
    ),
  );
  expect(elements.map(({ kind }) => kind)).toEqual(['fuse', 'ntc', 'voltage']);
  expect(ratings).toEqual([{ node: 'b', volts: 30 }]);
});

test('what is written reads back as the same circuit, for any', () => {
  fc.assert(
    fc.property(randomNetlist, (text) => {
      const circuit = readNetlist(text);
      const again = readNetlist(writeNetlist(circuit));
      expect(again.elements).toEqual(circuit.elements);
      expect(again.analyses).toEqual(circuit.analyses);
    }),
    { numRuns: 200 },
  );
});

test('subcircuits written flat solve to the same figures', () => {
  const text = deck(
    '.subckt half in out r=1k',
    'R1 in out {r}',
    'R2 out 0 {2*r}',
    '.ends',
    'V1 a 0 9',
    'X1 a b half',
    'X2 b c half r=500',
    '.op',
  );
  const circuit = readNetlist(text);
  const flat = readNetlist(writeNetlist(circuit));
  expect(solveCircuit(flat).op!.nodes).toEqual(solveCircuit(circuit).op!.nodes);
});

describe('as people write them', () => {
  test('parameters in any order, options of another solver, a temperature, and what is asked for twice', () => {
    const { elements, analyses } = readNetlist(
      deck(
        '.options reltol=1e-4 noacct temp=47',
        '.param total={one+two}',
        'R1 a 0 {total} tc1=0.01',
        '.param one=4k7 two = {one / 47}',
        '.print tran v(a)',
        '.op',
        '.op',
      ),
    );
    // 4,700 + 100 Ω, and a fifth more at 20 °C above the nominal 27.
    expect(elements).toMatchObject([{ kind: 'resistor', ohms: expect.closeTo(5760, 6) }]);
    expect(analyses).toEqual([{ kind: 'op' }]);
  });

  test('a level beside a waveform is for the operating point, edges left out last one step', () => {
    const { elements } = readNetlist(
      deck('V1 a 0 DC 5 SIN(2 10 50)', 'V2 b 0 PULSE(0 1 0 0 2u 1m 3m)', '.tran 10u 5m'),
    );
    expect(elements).toMatchObject([
      { dc: 5, wave: { kind: 'sin', offset: 2 } },
      { wave: { rise: expect.closeTo(1e-5, 12), fall: expect.closeTo(2e-6, 12) } },
    ]);
    const op = (...lines: string[]) => solveCircuit(readNetlist(deck(...lines, '.op'))).op!.nodes;
    expect(op('V1 a 0 DC 5 SIN(2 10 50)', 'R1 a 0 1k')).toEqual({ a: 5 });
    expect(op('V1 a 0 SIN(2 10 50)', 'R1 a 0 1k')).toEqual({ a: 2 });
  });

  test('a junction that stores is written and read as the same', () => {
    const { elements } = readNetlist(deck('.model X D(CJO=100p TT=5u VJ=0.7)', 'D1 a 0 X'));
    expect(elements).toMatchObject([
      { model: { cjo: expect.closeTo(1e-10, 15), tt: expect.closeTo(5e-6, 12), vj: 0.7, m: 0.5 } },
    ]);
    expect(
      readNetlist(writeNetlist(readNetlist(deck('.model X D(CJO=1p)', 'D1 a 0 X')))),
    ).toMatchObject({ elements: [{ model: { cjo: 1e-12 } }] });
  });
});

describe('bombs are read, or refused by their size', () => {
  const many = (count: number, line: (i: number) => string) =>
    Array.from({ length: count }, (_, i) => line(i));

  test.each([
    ['empty continuations', ['R1 a 0 1k', '+\n'.repeat(300_000)]],
    ['blanks', [`R1 a 0${' '.repeat(900_000)}1k`]],
    ['blanks about a sign', [`R1 a 0 1k tc1${' '.repeat(400_000)}=${' '.repeat(400_000)}0`]],
    ['brackets', [`R1 a 0 1k${'('.repeat(900_000)}`]],
    ['one analysis five hundred times', ['R1 a 0 1k', ...many(500, () => '.op')]],
  ])('%s', (_, lines) => {
    expect(readNetlist(deck(...lines)).elements).toMatchObject([{ name: 'r1', ohms: 1000 }]);
  });

  test('empty subcircuits in each other are counted', () => {
    const nest = many(6, (i) =>
      [`.subckt s${i} a`, ...many(12, (k) => (i === 5 ? '' : `X${k} a s${i + 1}`)), '.ends'].join(
        '\n',
      ),
    );
    expect(() => readNetlist(deck(...nest, 'X1 n s0', 'R1 n 0 1'))).toThrow(CircuitTooLargeError);
  });

  test('a source of fifty thousand points, and parameters that stand on each other', () => {
    const points = many(50_000, (i) => `${i}u ${i % 7}`).join(' ');
    const text = deck(`V1 a 0 PWL(${points})`, 'R1 a b 1k', 'C1 b 0 1n', '.tran 1m 50m');
    expect(solveCircuit(readNetlist(text)).tran!.t.length).toBe(51);
    const chain = many(5000, (i) => `p${i}={p${i + 1}+1}`).join(' ');
    expect(() => readNetlist(deck(`.param ${chain} p5000=1`, 'R1 a 0 {p0}'))).toThrow(
      /stand on each other/,
    );
  });

  test('more computing than one circuit is given ends with its name, not with the patience', () => {
    const text = deck(
      'V1 a 0 SIN(0 5 1meg)',
      'D1 a b X',
      'C1 b 0 1u',
      'R1 b 0 1k',
      '.model X D',
      '.tran 1m 100',
    );
    expect(() => solveCircuit(readNetlist(text))).toThrow(TooMuchWorkError);
  });
});

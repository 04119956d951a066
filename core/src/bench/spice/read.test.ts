import fc from 'fast-check';
import { CircuitTooLargeError, NetlistError } from '../errors';
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

/** Random netlists, sound in their words; whether they can be solved is another matter. */
import fc from 'fast-check';

const node = fc.constantFrom('0', 'a', 'b', 'c', 'd', 'e');
const figure = fc.constantFrom('1', '47', '1k', '4.7k', '100k', '1meg', '2.2', '1e3');
const small = fc.constantFrom('1n', '100n', '1u', '47u');
const level = fc.constantFrom('0', '5', '-3', '12', '230');

const line = fc.oneof(
  fc.tuple(node, node, figure).map(([p, m, r]) => `R# ${p} ${m} ${r}`),
  fc.tuple(node, node, small).map(([p, m, c]) => `C# ${p} ${m} ${c}`),
  fc.tuple(node, node, small).map(([p, m, l]) => `L# ${p} ${m} ${l}`),
  fc.tuple(node, node, level).map(([p, m, v]) => `V# ${p} ${m} ${v}`),
  fc.tuple(node, node, level).map(([p, m, v]) => `V# ${p} ${m} SIN(0 ${v} 60)`),
  fc.tuple(node, node).map(([p, m]) => `V# ${p} ${m} PULSE(0 5 1m 1u 1u 2m 6m)`),
  fc.tuple(node, node).map(([p, m]) => `I# ${p} ${m} 1m`),
  fc.tuple(node, node).map(([p, m]) => `D# ${p} ${m} DX`),
  fc.tuple(node, node, node, node).map(([p, m, c, d]) => `S# ${p} ${m} ${c} ${d} SX`),
  fc.tuple(node, node, node, node).map(([p, m, c, d]) => `E# ${p} ${m} ${c} ${d} 2`),
  fc.tuple(node, node, node, node).map(([p, m, c, d]) => `G# ${p} ${m} ${c} ${d} 1m`),
  fc.tuple(node, node).map(([p, m]) => `R# ${p} ${m} 1meg\n*@ varistor R# volts=100 alpha=25`),
  fc.tuple(node, node).map(([p, m]) => `R# ${p} ${m} 0.1\n*@ fuse R# hold=1 i2t=2`),
  fc.tuple(node, node, node).map(([p, m, c]) => `S# ${p} ${m} ${c} 0 SX\n*@ relay S# hold=20m`),
  fc
    .tuple(node, node, node)
    .map(([p, m, c]) => `S# ${p} ${m} ${c} 0 SX\n*@ sequencer S# when=v(${c})>2 after=2m for=4m`),
  fc
    .tuple(node, node)
    .map(([p, m]) => `E# ${p} 0 ${m} 0 1\n*@ regulator E# volts=5 dropout=1 limit=1`),
);

const analysis = fc.constantFrom('.op', '.tran 0.5m 12m', '.tran 0.5m 12m uic', '.ac dec 3 10 1k');

/** Every node tied to ground, or left to what the lines make of it. */
const ties = fc.constantFrom<readonly string[]>(
  [],
  [...'abcde'].map((n) => `RT${n} ${n} 0 22k`),
);

export const randomNetlist = fc
  .tuple(fc.array(line, { minLength: 1, maxLength: 14 }), ties, analysis)
  .map(([lines, tied, last]) =>
    [
      'random',
      '.model DX D(IS=4e-9 N=1.7 RS=0.1 BV=60)',
      '.model SX SW(VT=2 VH=0.3 RON=0.1 ROFF=1e8)',
      ...lines.map((each, i) => each.replaceAll('#', String(i + 1))),
      ...tied,
      last,
    ].join('\n'),
  );

/** Words of the language in any order. */
export const brokenNetlist = fc
  .array(
    fc.constantFrom(
      'R1',
      ' a',
      ' 0',
      ' 1k',
      '\n',
      '{',
      '}',
      '(',
      ')',
      '=',
      '*@',
      '.model',
      '.subckt',
      ' x',
      '+',
      'V1',
      ' SIN(',
      ' pwl',
      'e',
      ',',
      "'",
      'X1',
      '.tran',
      '1e400',
    ),
    { maxLength: 60 },
  )
  .map((pieces) => `broken\n${pieces.join('')}`);

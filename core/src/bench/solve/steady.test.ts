/** What a meter sees of sources that are no plain sine, and of what bends them. */
import { readNetlist } from '../spice/read';
import type { Quantity } from './quantity';
import { steadyState } from './steady';

const circuit = (...lines: string[]) => readNetlist(['title', ...lines].join('\n'));
const at = (plus: string, minus = '0'): Quantity => ({ kind: 'volts', plus, minus });
const seen = (lines: readonly string[], quantity: Quantity) => {
  const { values, settled } = steadyState(circuit(...lines), [quantity], { air: 1e-12 });
  return { ...values[0]!, settled };
};
const DR = '.model DR D(IS=5e-9 N=1.7 RS=0.02)';
/** Within this share. */
const near = (value: number, wanted: number, share: number) =>
  expect(Math.abs(value / wanted - 1)).toBeLessThan(share);

describe('sources', () => {
  test('a pulse of half duty: 0 and 24 V at 1 kHz', () => {
    const { mean, rms, hertz } = seen(['V1 a 0 PULSE(0 24 0 1u 1u 499u 1m)', 'R1 a 0 1k'], at('a'));
    // A square wave's RMS about its mean is half its height.
    near(mean, 12, 1e-3);
    near(rms, 12, 1e-3);
    expect(hertz).toBeCloseTo(1000, 6);
  });

  test('two frequencies add their powers: 10 V peak at 50 Hz and at 400 Hz', () => {
    const lines = ['V1 a b SIN(0 10 50)', 'V2 b 0 SIN(0 10 400)', 'R1 a 0 1k'];
    // √(10²/2 + 10²/2) = 10.
    expect(seen(lines, at('a')).rms).toBeCloseTo(10, 9);
    // With a diode beside them the same comes out of turns in time.
    expect(seen([...lines, DR, 'D1 c a DR', 'R2 c 0 1meg'], at('a')).rms).toBeCloseTo(10, 2);
  });

  test('two without a common period are looked at for a second, and it is said', () => {
    const { rms, settled } = seen(
      [
        'V1 a b SIN(0 10 50)',
        'V2 b 0 SIN(0 10 61.37)',
        'R1 a 0 1k',
        DR,
        'D1 c a DR',
        'R2 c 0 1meg',
      ],
      at('a'),
    );
    expect(settled).toBe(false);
    near(rms, 10, 0.02);
  });

  test('a delay is a phase: three of 127 V stand 220 V apart', () => {
    const phase = (n: number) => `V${n + 1} l${n} 0 SIN(0 179.6 60 ${n * (1 / 180)})`;
    const lines = [0, 1, 2].flatMap((n) => [phase(n), `R${n} l${n} 0 1k`]);
    // 179.6 / √2 · √3.
    for (const pair of [at('l0', 'l1'), at('l1', 'l2'), at('l2', 'l0')])
      near(seen(lines, pair).rms, 219.96, 1e-4);
  });

  test('what dies away is gone at rest, its level stays', () => {
    expect(seen(['V1 a 0 SIN(3 10 60 0 100)', 'R1 a 0 1k'], at('a'))).toMatchObject({
      mean: 3,
      rms: 0,
      hertz: 0,
    });
  });

  test('what swings slower than the eye follows stands where it is', () => {
    const lines = ['V1 a 0 SIN(0 10 0.25)', 'R1 a 0 1k'];
    const { values } = steadyState(circuit(...lines), [at('a')], { at: 1 });
    expect(values[0]).toMatchObject({ mean: expect.closeTo(10, 6), rms: 0 });
  });

  test('a sine current into a diode', () => {
    const lines = [DR, 'I1 0 a SIN(0 10m 60)', 'D1 a 0 DR', 'R1 a 0 1k'];
    // One half wave goes through the diode at about 0.6 V, the other through 1 kΩ: −10 V / π and half of 0.58.
    const { mean } = seen(lines, at('a'));
    expect(mean).toBeGreaterThan(-10 / Math.PI + 0.2);
    expect(mean).toBeLessThan(-10 / Math.PI + 0.32);
  });
});

describe('rectifiers, to the figures of ngspice at fine steps', () => {
  const SIX = [
    DR,
    ...['r', 's', 't'].flatMap((name, i) => [
      `V${name} ${name}0 0 SIN(0 311 60 0 0 ${[0, -120, 120][i]})`,
      `R${name} ${name}0 ${name} 0.3`,
      `DU${name} ${name} p DR`,
      `DL${name} n ${name} DR`,
    ]),
    'RL p n 120',
    'RG n 0 1meg',
  ];
  const DROPPER = [
    DR,
    'V1 l 0 SIN(0 311 60)',
    'RS l a 100',
    'C1 a b 470n',
    'RD a b 1meg',
    'D1 b p DR',
    'D2 0 b DR',
    'C2 p 0 470u',
    'RL p 0 1k',
  ];
  test.each([
    ['six diodes and a bus', [...SIX, 'C1 p n 470u'], at('p', 'n'), 523.82, 5.088],
    ['six diodes alone', SIX, at('p', 'n'), 509.86, 21.464],
    ['a supply behind a capacitor', DROPPER, at('p'), 17.014, 0.11189],
    [
      'half wave with a choke',
      [DR, 'V1 l 0 SIN(0 170 60)', 'D1 l a DR', 'L1 a b 100m', 'RL b 0 50'],
      at('b'),
      48.173,
      53.477,
    ],
    [
      'half wave with a choke and a freewheel diode',
      [DR, 'V1 l 0 SIN(0 170 60)', 'D1 l a DR', 'DF 0 a DR', 'L1 a b 100m', 'RL b 0 50'],
      at('b'),
      53.29,
      49.999,
    ],
    [
      'a doubler',
      [
        DR,
        'V1 i 0 SIN(0 180 60)',
        'R1 i a 2',
        'C1 a x 100u',
        'D1 0 x DR',
        'D2 x o DR',
        'C2 o 0 100u',
        'RL o 0 4.7k',
      ],
      at('o'),
      340.31,
      3.2419,
    ],
    [
      'a step-down converter at 50 kHz',
      [
        DR,
        '.model SW1 SW(VT=2 VH=0.5 RON=0.1 ROFF=1e8)',
        'VC c 0 PULSE(0 5 0 100n 100n 4u 20u)',
        'VB b 0 24',
        'S1 b y c 0 SW1',
        'D1 0 y DR',
        'L1 y o 220u',
        'C1 o 0 100u',
        'RL o 0 5',
      ],
      at('o'),
      4.2516,
      0.0031634,
    ],
  ] as const)('%s', (_, lines, quantity, mean, rms) => {
    const found = seen(lines, quantity);
    expect(found.settled).toBe(true);
    near(found.mean, mean, 2e-3);
    near(found.rms, rms, 1e-2);
  });
});

test('a search that begins at the rest of a like circuit ends at the same figures', () => {
  const lines = (load: number) => [
    DR,
    'V1 l n SIN(0 311 60)',
    'D1 l p DR',
    'D2 n p DR',
    'D3 0 l DR',
    'D4 0 n DR',
    'C1 p 0 220u',
    `RL p 0 ${load}`,
  ];
  const { rest } = steadyState(circuit(...lines(470)), []);
  expect(rest!.stored.get('c1')).toBeGreaterThan(290);
  const cold = steadyState(circuit(...lines(300)), [at('p')]).values[0]!;
  const warm = steadyState(circuit(...lines(300)), [at('p')], { near: rest }).values[0]!;
  near(warm.mean, cold.mean, 5e-4);
  near(warm.rms, cold.rms, 5e-3);
});

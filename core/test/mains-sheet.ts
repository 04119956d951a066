/** The small machine on single-phase mains, with two stores and a cover: all that proving dead must mind. */
import type { BodyOf } from '../src/surface/job';
import type { Figure } from '../src/surface/judge';
import type { Sheet } from '../src/surface/sheet';
import { smallSheet, volts } from './small-sheet';

export const mainsSheet: Sheet = {
  ...structuredClone(smallSheet),
  id: 'mains',
  equipment: {
    ...smallSheet.equipment,
    supply: { system: 'single-phase', volts: 230, hertz: 50 },
  },
  boards: [
    ...structuredClone(smallSheet.boards),
    {
      id: 'in',
      name: 'Terminals',
      size: [80, 40],
      points: [
        { id: 'L', at: [10, 10] },
        { id: 'N', at: [30, 10] },
        { id: 'PE', at: [50, 10], name: 'frame' },
        { id: 'C1', at: [10, 30] },
        { id: 'C2', at: [30, 30] },
      ],
    },
  ],
  safety: {
    waitMinutes: 5,
    volts: 340,
    stores: [
      { name: 'Bus capacitors', at: 'b.P', volts: 325, farads: 0.001, bleed: 100_000 },
      { name: 'Fan capacitor', at: 'in.C1', volts: 300, farads: 0.00004 },
    ],
    prove: [
      { id: 'l-n', name: 'L to N', from: 'in.L', to: 'in.N', function: 'V~', deadBelow: 25 },
      { id: 'l-pe', name: 'L to frame', from: 'in.L', to: 'in.PE', function: 'V~', deadBelow: 25 },
      { id: 'n-pe', name: 'N to frame', from: 'in.N', to: 'in.PE', function: 'V~', deadBelow: 25 },
      {
        id: 'bus',
        name: 'Bus',
        from: 'b.P',
        to: 'b.N',
        function: 'V=',
        deadBelow: 24,
        unplugBelow: 60,
        access: ['lid'],
      },
      {
        id: 'fan',
        name: 'Fan capacitor',
        from: 'in.C1',
        to: 'in.C2',
        function: 'V=',
        deadBelow: 24,
      },
    ],
  },
  tests: [
    ...structuredClone(smallSheet.tests),
    {
      id: 'fan-cap',
      title: 'Fan capacitor',
      how: 'measure',
      state: 'dead',
      function: 'capacitance',
      points: [{ id: 'C', red: 'in.C1', black: 'in.C2' }],
      expect: { kind: 'nominal', value: 0.00004, percent: 10, unit: 'F' },
    },
    {
      id: 'fan-volts',
      title: 'Fan capacitor, volts',
      how: 'measure',
      state: 'dead',
      function: 'V=',
      points: [{ id: 'C', red: 'in.C2', black: 'in.C1' }],
      expect: { kind: 'atMost', high: 24, unit: 'V' },
    },
    {
      id: 'frame',
      title: 'Winding to frame',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      isolates: ['plug'],
      function: 'insulation',
      points: [{ id: 'U', red: 'b.U', black: 'in.PE' }],
      expect: { kind: 'atLeast', low: 1e6, unit: 'ohm' },
    },
    {
      id: 'bus-rest',
      title: 'Bus at rest',
      how: 'measure',
      state: 'dead',
      function: 'V=',
      points: [{ id: 'PN', red: 'b.P', black: 'b.N' }],
      expect: { kind: 'atMost', high: 24, unit: 'V' },
    },
  ],
};

/** The meter held to the supply before the isolator. */
export const onSupply = (value = 231): BodyOf<'safed'> => ({
  step: 'meter',
  function: 'V~',
  source: { kind: 'supply' },
  reading: volts(value),
  typed: String(value),
});

export const pairRead = (
  pair: string,
  fn: 'V~' | 'V=',
  reading: number | Figure,
): BodyOf<'safed'> => ({
  step: 'pair',
  pair,
  function: fn,
  reading: typeof reading === 'number' ? volts(reading) : reading,
  typed: '',
});

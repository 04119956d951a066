/** The small sheet with one of everything else: rules, a sequence, curves, series, label, purposes. */
import type { Sheet } from '../src/surface/sheet';
import { smallSheet } from './small-sheet';

export const wideSheet: Sheet = {
  ...structuredClone(smallSheet),
  id: 'wide',
  harnesses: [{ id: 'loom', joins: ['b.CN1'], part: 'board' }],
  curves: [
    { id: 'ntc', kind: 'ntc-beta', r25: 10_000, beta: 3435 },
    {
      id: 'steps',
      kind: 'table',
      points: [
        [0, 30_000],
        [25, 10_000],
        [50, 4000],
      ],
    },
  ],
  states: [...smallSheet.states, { id: 'burning', energy: 'live', lasts: 40 }],
  tests: [
    ...structuredClone(smallSheet.tests),
    {
      id: 'windings',
      title: 'Windings',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      isolates: ['plug'],
      function: 'ohm',
      points: [
        { id: 'UV', red: 'b.U', black: 'b.V' },
        { id: 'VP', red: 'b.V', black: 'b.P' },
        { id: 'PU', red: 'b.P', black: 'b.U' },
      ],
      expect: { kind: 'nominal', value: 7, percent: 20, unit: 'ohm' },
      together: [{ id: 'agree', kind: 'balance', percent: 4 }],
    },
    {
      id: 'sensor',
      title: 'Sensor',
      how: 'measure',
      state: 'dead',
      function: 'ohm',
      points: [{ id: '12', red: 'b.CN1.1', black: 'b.CN1.2' }],
      expect: { kind: 'curve', curve: 'steps', within: 2, unit: 'ohm' },
    },
    {
      id: 'rail-label',
      title: 'Rail off the sticker',
      how: 'measure',
      state: 'standby',
      function: 'V=',
      points: [{ id: 'PN', red: 'b.P', black: 'b.N' }],
      expect: { kind: 'label', asks: 'Vs on the sticker', percent: 2, unit: 'V' },
      purposes: [
        { id: 'unplug', title: 'unplug', expect: { kind: 'atMost', high: 60, unit: 'V' } },
      ],
    },
    {
      id: 'steady',
      title: 'Rail steady',
      how: 'measure',
      state: 'standby',
      function: 'V=',
      points: [{ id: '12', red: 'b.CN1.1', black: 'b.CN1.2' }],
      expect: { kind: 'steady', spread: 0.2, seconds: 5, unit: 'V' },
    },
  ],
  sequences: [
    {
      id: 'light-up',
      title: 'Light-up',
      state: 'burning',
      phases: [{ id: 'before', name: 'before flame', until: 'flame' }, { id: 'after' }],
      expects: [
        {
          id: 'on',
          red: 'b.P',
          black: 'b.N',
          phase: 'before',
          kind: 'nominal',
          value: 127,
          percent: 10,
          unit: 'V',
        },
        { id: 'off', red: 'b.P', black: 'b.N', phase: 'after', kind: 'atMost', high: 5, unit: 'V' },
      ],
    },
  ],
  faults: [
    ...structuredClone(smallSheet.faults),
    {
      id: 'motor',
      name: 'Winding shorted',
      part: 'power',
      prior: 1,
      shows: { windings: { low: 0.3, ok: 0.7 }, 'windings@agree': { unequal: 0.95, ok: 0.05 } },
    },
    {
      id: 'flame',
      name: 'No flame seen',
      part: 'board',
      prior: 1,
      shows: { 'light-up@off': { high: 0.9, ok: 0.1 } },
    },
  ],
  repairs: [{ id: 'solder', fixes: ['driver'], price: 3, minutes: 30, success: 0.8 }],
  procedures: [
    {
      id: 'fit',
      for: 'board',
      kind: 'fit',
      steps: [{ do: 'Photograph.', photo: true }],
      wireMap: [{ from: 'old R', to: 'new R' }],
    },
  ],
};

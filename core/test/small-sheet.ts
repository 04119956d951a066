/** A sheet small enough to reckon by hand: one board, four tests, three faults, two parts. */
import type { MeterProfile } from '../src/index';
import type { BodyOf, EntryKind, LogEntry, StoredEntry } from '../src/surface/job';
import type { Figure } from '../src/surface/judge';
import type { Sheet } from '../src/surface/sheet';

export const smallSheet: Sheet = {
  format: 'jeitinho.sheet/2',
  id: 'small',
  title: 'Small machine',
  revision: 1,
  // On a battery of cells: no mains legs to prove, one store.
  equipment: {
    maker: 'Nobody',
    kind: 'test machine',
    models: ['S-1'],
    supply: { system: 'DC bank', volts: 300, hertz: 0 },
  },
  source: { document: 'Small data', revision: 'A' },
  safety: {
    waitMinutes: 5,
    prove: [{ id: 'bus', name: 'Bus', from: 'b.P', to: 'b.N', function: 'V=', deadBelow: 24 }],
    volts: 300,
  },
  boards: [
    {
      id: 'b',
      name: 'Board',
      size: [100, 60],
      connectors: [
        {
          id: 'CN1',
          at: [10, 10],
          pins: [
            { n: 1, signal: '5 V', wire: 'red' },
            { n: 2, signal: 'ground', wire: 'black' },
          ],
        },
      ],
      points: [
        { id: 'P', at: [80, 10], shape: 'stud' },
        { id: 'N', at: [80, 50], shape: 'stud' },
        { id: 'U', at: [60, 10], shape: 'stud' },
        { id: 'V', at: [60, 30], shape: 'stud' },
      ],
    },
  ],
  codes: {
    schemes: [{ id: 'd', shown: 'digits' }],
    list: [{ code: 'E1', title: 'No output', suspects: { supply: 0.8, driver: 0.5 }, other: 0.05 }],
  },
  states: [
    { id: 'dead', energy: 'dead' },
    { id: 'standby', energy: 'live', name: 'standby' },
  ],
  access: [
    { id: 'lid', minutes: 2 },
    { id: 'plug', minutes: 1, needs: ['lid'], energy: 'dead' },
  ],
  tests: [
    {
      id: 'diode',
      title: 'Transistors',
      how: 'measure',
      state: 'dead',
      access: { plug: 'out' },
      function: 'diode',
      minutes: 2,
      points: [
        { id: 'U', red: 'b.N', black: 'b.U' },
        { id: 'V', red: 'b.N', black: 'b.V' },
      ],
      expect: { kind: 'between', low: 0.35, high: 0.6, unit: 'V' },
      page: '3',
    },
    {
      id: 'looks',
      title: 'By eye',
      how: 'look',
      state: 'dead',
      minutes: 1,
      asks: 'How does it look?',
      answers: { clean: 'ok', burnt: 'burnt' },
    },
    {
      id: 'rail',
      title: '5 V rail',
      how: 'measure',
      state: 'standby',
      function: 'V=',
      minutes: 1,
      points: [{ id: '12', red: 'b.CN1.1', black: 'b.CN1.2' }],
      expect: { kind: 'nominal', value: 5, percent: 5, unit: 'V' },
      page: '4',
    },
    {
      id: 'out',
      title: 'Output',
      how: 'measure',
      state: 'standby',
      function: 'V=',
      minutes: 1,
      points: [{ id: '12', red: 'b.P', black: 'b.N' }],
      expect: { kind: 'atLeast', low: 10, unit: 'V' },
      fedBy: ['rail'],
    },
  ],
  faults: [
    {
      id: 'supply',
      name: 'Supply dead',
      part: 'board',
      prior: 2,
      shows: { rail: { none: 0.6, low: 0.4 }, out: 'none' },
    },
    { id: 'driver', name: 'Driver dead', part: 'board', prior: 1, shows: { out: 'none' } },
    {
      id: 'shorted',
      name: 'Transistor shorted',
      part: 'power',
      prior: 1,
      shows: { 'diode@U': 'short', looks: { burnt: 0.5, ok: 0.5 } },
      brings: { driver: 0.5 },
    },
  ],
  parts: [
    { id: 'board', name: 'Control board', number: 'C-1', before: ['Photograph the plugs.'] },
    { id: 'power', name: 'Power board' },
  ],
};

export const smallMeter: MeterProfile = {
  id: 'm',
  name: 'Test meter',
  functions: [
    {
      function: 'V=',
      ranges: [
        { upTo: 60, resolution: 0.01, percent: 0.5, counts: 2 },
        { upTo: 600, resolution: 0.1, percent: 0.5, counts: 2 },
      ],
    },
    { function: 'diode', ranges: [{ upTo: 2, resolution: 0.001, percent: 1, counts: 2 }] },
    { function: 'ohm', ranges: [{ upTo: 600, resolution: 0.1, percent: 0.9, counts: 2 }] },
  ],
};

/** Writes a log: entries numbered and timed in the order they are asked for, a minute apart. */
export function logWriter(startedAt = Date.parse('2026-03-02T08:00:00.000Z')) {
  const entries: StoredEntry[] = [];
  let clock = startedAt;
  const make = <K extends EntryKind>(kind: K, body: BodyOf<K>): LogEntry => {
    const n = entries.length + 1;
    const id = `01950000-0000-7000-8000-${String(n).padStart(12, '0')}`;
    return {
      id,
      kind,
      at: new Date(clock).toISOString(),
      author: 'Ana',
      body,
    } as unknown as LogEntry;
  };
  return {
    entries,
    make,
    wait(minutes: number) {
      clock += minutes * 60_000;
    },
    add<K extends EntryKind>(kind: K, body: BodyOf<K>): StoredEntry {
      const entry = { ...make(kind, body), seq: entries.length + 1 } as StoredEntry;
      entries.push(entry);
      clock += 60_000;
      return entry;
    },
  };
}

export type LogWriter = ReturnType<typeof logWriter>;

export const volts = (value: number) => ({ kind: 'value' as const, value });

/** The meter held to a 9 V battery. */
export const onBattery = {
  step: 'meter',
  function: 'V=',
  source: { kind: 'battery' },
  reading: volts(9.1),
  typed: '9.1',
} as const satisfies BodyOf<'safed'>;

/** The bus of the small sheet, measured. */
export const busAt = (reading: Figure): BodyOf<'safed'> => ({
  step: 'pair',
  pair: 'bus',
  function: 'V=',
  reading,
  typed: '',
});

/** Opened, and proven dead with a bus of 3 V. */
export function provenDead(log: LogWriter = logWriter(), rules?: 2): LogWriter {
  log.add('opened', { complaint: 'does nothing', meter: smallMeter, ...(rules && { rules }) });
  return proveDead(log);
}

/** Isolated, waited, the bus at 3 V between two proofs of the meter. */
export function proveDead(log: LogWriter): LogWriter {
  log.add('safed', { step: 'isolated' });
  log.add('safed', onBattery);
  log.wait(5);
  log.add('safed', busAt(volts(3)));
  log.add('safed', onBattery);
  return log;
}

export const measured = (
  test: string,
  point: string,
  value: number,
  fn: 'V=' | 'diode' = 'V=',
) => ({
  test,
  point,
  function: fn,
  reading: volts(value),
  typed: String(value),
});

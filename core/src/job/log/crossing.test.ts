/** Two devices on one job, each without the other's entries: what folds first, and which energy holds. */
import fc from 'fast-check';
import { busAt, measured, onBattery, smallSheet, volts } from '../../../test/small-sheet';
import { elapsed } from '../../conditions/moment';
import { refusalOf } from '../admission/refusal-of';
import type { BodyOf, EntryKind, StoredEntry } from '../kinds/index';
import { foldJob } from '../fold/fold';
import { inLogOrder, sawEntry } from './log-order';

const START = Date.parse('2026-03-02T08:00:00.000Z');

/** An entry of a device at a minute; `seq` is when the server got it. */
function entry<K extends EntryKind>(
  seq: number,
  device: string,
  seen: number,
  minute: number,
  kind: K,
  body: BodyOf<K>,
  offset = 0,
): StoredEntry {
  return {
    id: `01950000-0000-7000-8000-${String(seq).padStart(12, '0')}`,
    seq,
    device,
    seen,
    kind,
    at: new Date(START + minute * 60_000).toISOString(),
    author: device,
    body,
    ...(offset !== 0 && { offset }),
  } as unknown as StoredEntry;
}
const opened = entry(1, 'office', 0, 0, 'opened', { complaint: '', meter: null });

/** Five steps that prove the small machine dead, from a minute on, numbered from `seq`. */
const proof = (device: string, seq: number, seen: number, from: number, offset = 0) =>
  (
    [
      [0, { step: 'isolated' }],
      [5, onBattery],
      [6, busAt(volts(3))],
      [7, onBattery],
    ] as [number, BodyOf<'safed'>][]
  ).map(([minute, body], i) => entry(seq + i, device, seen, from + minute, 'safed', body, offset));
const energised = (seq: number, device: string, seen: number, minute: number, offset = 0) =>
  entry(seq, device, seen, minute, 'energised', { precautions: true }, offset);
const kindOf = (...entries: StoredEntry[]) => foldJob(smallSheet, [opened, ...entries]).energy.kind;

describe('the more dangerous energy holds', () => {
  test('a late “dead proven” after another device’s “energised” does not show DEAD', () => {
    // B energised at minute 9 and was heard first; A had proven it dead from 1 to 8 without a network.
    expect(kindOf(energised(2, 'B', 1, 9), ...proof('A', 3, 1, 1))).toBe('live');
  });

  test('nor where A’s clock says that it came after', () => {
    expect(kindOf(energised(2, 'B', 1, 1), ...proof('A', 3, 1, 20))).toBe('live');
  });

  test('nor where A was heard first', () => {
    expect(kindOf(...proof('A', 2, 1, 1), energised(6, 'B', 1, 0.5))).toBe('live');
    expect(kindOf(...proof('A', 2, 1, 1), energised(6, 'B', 1, 30))).toBe('live');
  });

  test('a proof that had seen it stands; so does one of the same device', () => {
    expect(kindOf(energised(2, 'B', 1, 1), ...proof('A', 3, 2, 2))).toBe('dead');
    expect(kindOf(energised(2, 'A', 1, 1), ...proof('A', 3, 1, 2))).toBe('dead');
  });

  test('volts seen by one device take the other’s proof, whichever was heard first', () => {
    const seen = (seq: number) =>
      entry(seq, 'B', 5, 30, 'volts-seen', { function: 'V=', reading: volts(80) });
    const dead = proof('A', 2, 1, 1);
    expect(kindOf(...dead)).toBe('dead');
    expect(kindOf(...dead, seen(6))).toBe('not-proven');
    // A goes on and proves it once more before it heard of them.
    expect(kindOf(...dead, seen(6), ...proof('A', 7, 5, 31))).toBe('not-proven');
    expect(kindOf(...dead, seen(6), ...proof('A', 7, 6, 31))).toBe('dead');
  });

  test('what crossed is kept as what was done, and said to prove nothing', () => {
    const log = [opened, energised(2, 'B', 1, 9)];
    const [isolated] = proof('A', 3, 1, 1);
    const state = foldJob(smallSheet, log);
    expect(refusalOf(smallSheet, state, isolated!)).toBeUndefined();
    expect(foldJob(smallSheet, [...log, isolated!]).log).toHaveLength(3);
  });
});

describe('what was measured across', () => {
  const ohms = (seq: number, seen: number, minute: number) =>
    entry(seq, 'A', seen, minute, 'reading', measured('diode', 'U', 0.45, 'diode'));
  const live = (minute: number) => energised(2, 'B', 1, minute);

  test.each([
    ['before', 9.5],
    ['after', 1],
  ])('is kept and void, where A’s clock puts it %s the supply', (_, minute) => {
    const log = [opened, live(minute), ...proof('A', 3, 1, 1)];
    const figure = ohms(7, 1, 9);
    expect(refusalOf(smallSheet, foldJob(smallSheet, log), figure)).toBeUndefined();
    const state = foldJob(smallSheet, [...log, figure]);
    expect(state.current.get('diode@U')?.standing).toMatchObject({
      kind: 'void',
      because: expect.stringContaining('neither knowing of the other') as string,
    });
    expect(state.energy.kind).toBe('live');
    // The same figure by somebody who knew of it is refused.
    expect(refusalOf(smallSheet, state, ohms(8, 7, 10))?.code).toBe('dead-not-proven');
  });

  test('counts where B had seen it before energising', () => {
    const log = [...proof('A', 2, 1, 1), ohms(6, 1, 9), energised(7, 'B', 6, 10)];
    const state = foldJob(smallSheet, [opened, ...log]);
    expect(state.current.get('diode@U')?.standing.kind).toBe('counts');
  });
});

describe('clocks that disagree', () => {
  test('a device an hour ahead does not put its entries after the other’s', () => {
    const hour = 60;
    // Really at minutes 1 to 8, by a clock an hour fast; B energised at 20 and had seen all of it.
    const late = proof('A', 2, 1, 1 + hour, -hour * 60_000);
    expect(kindOf(...late, energised(6, 'B', 5, 20))).toBe('live');
    const order = inLogOrder([opened, energised(6, 'B', 1, 20), ...late]).map(({ seq }) => seq);
    expect(order).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('nobody waits too short because a clock was an hour off', () => {
    // A isolated by a clock an hour slow: the wait must run from its true moment.
    const isolated = entry(2, 'A', 1, 0 - 60, 'safed', { step: 'isolated' }, 60 * 60_000);
    const early = [
      entry(3, 'B', 2, 1, 'safed', onBattery),
      entry(4, 'B', 3, 2, 'safed', busAt(volts(3))),
      entry(5, 'B', 4, 3, 'safed', onBattery),
    ];
    expect(kindOf(isolated, ...early)).toBe('not-proven');
    const after = [
      entry(3, 'B', 2, 5, 'safed', onBattery),
      entry(4, 'B', 3, 6, 'safed', busAt(volts(3))),
      entry(5, 'B', 4, 7, 'safed', onBattery),
    ];
    expect(kindOf(isolated, ...after)).toBe('dead');
    const at = (time: number, device: string, offset: number) => ({ at: '', time, device, offset });
    expect(elapsed(at(0, 'A', 3_600_000), at(3_700_000, 'B', 0))).toBe(100_000);
    expect(elapsed(at(0, 'A', -3_600_000), at(100_000, 'B', 0))).toBe(100_000);
    expect(elapsed(at(0, 'A', 0), at(500, 'A', 9_999_999))).toBe(500);
  });

  test('a meter proven by one device proves nothing of the figures of another', () => {
    expect(
      kindOf(
        entry(2, 'A', 1, 1, 'safed', { step: 'isolated' }),
        entry(3, 'A', 2, 6, 'safed', onBattery),
        entry(4, 'B', 3, 7, 'safed', busAt(volts(3))),
        entry(5, 'A', 4, 8, 'safed', onBattery),
      ),
    ).toBe('not-proven');
  });
});

test('an access that two devices say differently is unknown until somebody looks', () => {
  const out = entry(2, 'A', 1, 1, 'access', { access: 'lid' });
  const shut = entry(3, 'B', 1, 2, 'access', { access: 'lid', back: true });
  const state = foldJob(smallSheet, [opened, out, shut]);
  expect([...state.accessUnknown]).toEqual(['lid']);
  expect(state.access.has('lid')).toBe(false);
  const looked = entry(4, 'B', 3, 3, 'access', { access: 'lid' });
  const after = foldJob(smallSheet, [opened, out, shut, looked]);
  expect(after.accessUnknown.size).toBe(0);
  expect(after.access.has('lid')).toBe(true);
});

describe('the order of a log', () => {
  /** Devices that write, send and fetch at random; the numbers are the server's. */
  const logs = fc
    .array(
      fc.record({
        device: fc.constantFrom('A', 'B', 'C'),
        act: fc.constantFrom('write', 'send', 'fetch'),
        minute: fc.integer({ min: 0, max: 500 }),
      }),
      { maxLength: 40 },
    )
    .map((acts) => {
      const server: StoredEntry[] = [];
      const unsent = new Map<string, StoredEntry[]>();
      const known = new Map<string, number>();
      let made = 0;
      for (const { device, act, minute } of acts) {
        const own = unsent.get(device) ?? [];
        if (act === 'write') {
          made += 1;
          own.push(entry(made, device, known.get(device) ?? 0, minute, 'observed', { text: 'x' }));
        } else if (act === 'send') {
          for (const each of own.splice(0)) server.push({ ...each, seq: server.length + 1 });
        } else known.set(device, server.length);
        unsent.set(device, own);
      }
      const waiting = [...unsent.values()]
        .flat()
        .map(({ seq: _seq, ...rest }) => rest as StoredEntry);
      return [...server, ...waiting];
    });

  test('keeps each device’s own, puts what was seen before, loses nothing, and is one for all', () => {
    fc.assert(
      fc.property(logs, fc.integer(), (log, turn) => {
        const ordered = inLogOrder(log);
        expect(new Set(ordered.map(({ id }) => id)).size).toBe(log.length);
        const shuffled = [...log].sort((a, b) => (a.id + turn < b.id + turn ? 1 : -1));
        expect(inLogOrder(shuffled).map(({ id }) => id)).toEqual(ordered.map(({ id }) => id));
        ordered.forEach((later, i) => {
          for (const earlier of ordered.slice(0, i)) {
            // Nothing stands before what it had seen itself.
            if (earlier.device !== later.device) expect(sawEntry(earlier, later)).toBe(false);
            else expect((earlier.seq ?? 1e9) <= (later.seq ?? 1e9)).toBe(true);
          }
        });
      }),
    );
  });

  test('entries from before devices had names keep the server’s order, whatever their clocks say', () => {
    const plain = [3, 1, 2].map((seq) => {
      const {
        device: _device,
        seen: _seen,
        ...rest
      } = entry(seq, '', 0, 100 - seq, 'observed', {
        text: 'x',
      });
      return rest as StoredEntry;
    });
    expect(inLogOrder(plain).map(({ seq }) => seq)).toEqual([1, 2, 3]);
  });
});

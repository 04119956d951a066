import fc from 'fast-check';
import { AutoHold, HOLD } from './auto-hold';
import type { MeterFunction } from './functions';
import type { MeterLine } from './stream';

/** Figures four times a second; null is OL. */
function feed(
  hold: AutoHold,
  values: readonly (number | null)[],
  fn: MeterFunction = 'ohm',
  from = 0,
) {
  return values.map((value, i) =>
    hold.feed({
      t: from + i / 4,
      fn,
      value,
      unit: 'ohm',
      flags: value === null ? ['OL'] : [],
    } as MeterLine),
  );
}
const kinds = (states: ReturnType<typeof feed>) => states.map(({ kind }) => kind);
const taken = (states: ReturnType<typeof feed>) =>
  states.flatMap((state) => (state.kind === 'take' ? [state.line.value] : []));

test('holds the worked example once, at the figure that stood', () => {
  const states = feed(new AutoHold(), [null, null, 7.31, 7.24, 7.22, 7.22, 7.22, 7.22, 7.22, 7.22]);
  expect(taken(states)).toEqual([7.22]);
  expect(kinds(states).slice(0, 2)).toEqual(['air', 'air']);
  expect(states.at(-1)!.kind).toBe('held');
});

test('the same placement is never taken twice, the next one after lifting is', () => {
  const steady = Array.from({ length: 12 }, () => 0.448);
  expect(taken(feed(new AutoHold(), [...steady, ...steady, null, ...steady]))).toEqual([
    0.448, 0.448,
  ]);
});

test('without lifting, a change beyond the stated one arms it again', () => {
  const at = (value: number) => Array.from({ length: 8 }, () => value);
  expect(taken(feed(new AutoHold(), [...at(100), ...at(102), ...at(120)]))).toEqual([100, 120]);
});

test('thin air is never taken: OL, and near nothing on volts', () => {
  expect(
    taken(
      feed(
        new AutoHold(),
        Array.from({ length: 40 }, () => null),
      ),
    ),
  ).toEqual([]);
  expect(
    taken(
      feed(
        new AutoHold(),
        Array.from({ length: 40 }, () => 0.004),
        'V=',
      ),
    ),
  ).toEqual([]);
});

test('a climbing figure is waited out', () => {
  const climbing = Array.from({ length: 40 }, (_, i) => 1000 + 30 * i);
  expect(taken(feed(new AutoHold(), climbing))).toEqual([]);
  const settled = [...climbing, ...Array.from({ length: 8 }, () => 2200)];
  expect(taken(feed(new AutoHold(), settled))).toEqual([2200]);
});

test('a test that settles slowly is given its time', () => {
  const steady = Array.from({ length: 13 }, () => 5);
  expect(taken(feed(new AutoHold({ ...HOLD, still: 4 }), steady))).toEqual([]);
  expect(taken(feed(new AutoHold({ ...HOLD, still: 2 }), steady))).toEqual([5]);
});

test('a figure with a voltage behind it is never held, however still it stands', () => {
  const hold = new AutoHold();
  const line = { fn: 'ohm', value: 20_000, unit: 'ohm', flags: ['auto', 'disturbed'] } as const;
  const states = Array.from({ length: 12 }, (_, i) => hold.feed({ t: i / 4, ...line }));
  expect(new Set(states.map(({ kind }) => kind))).toEqual(new Set(['air']));
});

test('turning the dial begins anew', () => {
  const hold = new AutoHold();
  feed(hold, [9, 9]);
  expect(taken(feed(hold, [9, 9], 'V=', 0.5))).toEqual([]);
});

test('a new card goes on with what still lies in the leads', () => {
  const hold = new AutoHold();
  feed(
    hold,
    Array.from({ length: 8 }, () => 7),
  );
  const next = new AutoHold(HOLD, hold);
  expect(kinds(feed(next, [7, 7, 7, 7, 7, 7], 'ohm', 3)).every((kind) => kind === 'held')).toBe(
    true,
  );
});

test('what is taken has always stood within the noise for its time', () => {
  const walk = fc.array(
    fc.oneof(fc.constant(null), fc.double({ min: 0.5, max: 50, noNaN: true })),
    { maxLength: 80 },
  );
  fc.assert(
    fc.property(walk, (values) => {
      const hold = new AutoHold();
      feed(hold, values).forEach((state, i) => {
        if (state.kind !== 'take') return;
        const stretch = values.slice(Math.max(0, i - Math.floor(HOLD.still * 4)), i + 1);
        for (const value of stretch)
          expect(Math.abs(value! - state.line.value!)).toBeLessThanOrEqual(
            HOLD.noise * Math.abs(state.line.value!) + 1e-12,
          );
      });
    }),
  );
});

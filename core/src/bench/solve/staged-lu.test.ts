import fc from 'fast-check';
import { Pattern } from './pattern';
import { StagedLu } from './staged-lu';

/** Gauss with full pivoting, the plain way. */
function plainly(matrix: readonly (readonly number[])[], b: readonly number[]): number[] {
  const n = b.length;
  const rows = matrix.map((row, i) => [...row, b[i]!]);
  for (let k = 0; k < n; k += 1) {
    const best = rows.reduce(
      (at, row, i) => (i >= k && Math.abs(row[k]!) > Math.abs(rows[at]![k]!) ? i : at),
      k,
    );
    [rows[k], rows[best]] = [rows[best]!, rows[k]!];
    for (let i = k + 1; i < n; i += 1) {
      const factor = rows[i]![k]! / rows[k]![k]!;
      for (let j = k; j <= n; j += 1) rows[i]![j]! -= factor * rows[k]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k -= 1)
    x[k] =
      rows[k]!.slice(k + 1, n).reduce((sum, a, j) => sum - a * x[k + 1 + j]!, rows[k]![n]!) /
      rows[k]![k]!;
  return x;
}

const conductance = fc.double({ min: 1e-3, max: 10, noNaN: true });
const N = 7;

/** A network of conductances: symmetric, and heavier on its diagonal. */
const network = fc.record({
  between: fc.array(fc.tuple(fc.nat(N - 1), fc.nat(N - 1), conductance), { maxLength: 18 }),
  ground: fc.array(conductance, { minLength: N, maxLength: N }),
  hot: fc.array(fc.tuple(fc.nat(N - 1), fc.nat(N - 1), conductance), { maxLength: 4 }),
  again: fc.array(conductance, { minLength: 4, maxLength: 4 }),
  b: fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: N, maxLength: N }),
});

test('a first stage whose matrix is the last one’s is not eliminated anew, and its right-hand side is', () => {
  const pattern = new Pattern(2);
  const a = new Float64Array(5);
  const put = (values: readonly [number, number, number]) => {
    a[pattern.slot(0, 0)] = values[0];
    a[pattern.slot(0, 1)] = values[1];
    a[pattern.slot(1, 0)] = values[1];
    a[pattern.slot(1, 1)] = values[2];
  };
  put([2, 1, 3]);
  const lu = new StagedLu(pattern, [], []);
  const solved = (b: readonly [number, number]) => {
    const x = new Float64Array(3);
    lu.begin(a.slice(0, pattern.count), Float64Array.from([...b, 0]));
    lu.resume(new Float64Array(pattern.count), new Float64Array(3));
    lu.solveLate(x);
    lu.solveEarly(x);
    return [...x.slice(0, 2)].map((each) => Number(each.toFixed(12)));
  };
  expect(solved([3, 4])).toEqual([1, 1]);
  expect(solved([4, 7])).toEqual([1, 2]);
  put([4, 1, 3]);
  expect(solved([5, 4])).toEqual([1, 1]);
  put([2, 1, 3]);
  expect(solved([3, 4])).toEqual([1, 1]);
});

test('two stages find what one elimination of the whole finds, also with other hot values', () => {
  fc.assert(
    fc.property(network, ({ between, ground, hot, again, b }) => {
      const pattern = new Pattern(N);
      const stamp = (into: Float64Array, p: number, m: number, g: number) => {
        if (p === m) return;
        into[pattern.slot(p, p)]! += g;
        into[pattern.slot(m, m)]! += g;
        into[pattern.slot(p, m)]! -= g;
        into[pattern.slot(m, p)]! -= g;
      };
      const stays = new Float64Array(N * N + 1);
      ground.forEach((g, i) => (stays[pattern.slot(i, i)]! += g));
      for (const [p, m, g] of between) stamp(stays, p, m, g);
      const slots = pattern.during(() => {
        for (const [p, m] of hot) stamp(new Float64Array(N * N + 1), p, m, 1);
      });
      const lu = new StagedLu(pattern, slots, []);
      lu.begin(stays.slice(0, pattern.count), Float64Array.from([...b, 0]));
      for (const values of [hot.map(([, , g]) => g), again]) {
        const changes = new Float64Array(N * N + 1);
        hot.forEach(([p, m], i) => stamp(changes, p, m, values[i]!));
        const more = Float64Array.from(
          hot.length > 0 ? [...b.map((v) => v / 3), 0] : [...b, 0].fill(0),
        );
        // Only rows of the second stage may be added to.
        const late = new Set(hot.flatMap(([p, m]) => (p === m ? [] : [p, m])));
        for (let i = 0; i < N; i += 1) if (!late.has(i)) more[i] = 0;
        expect(lu.resume(changes, more)).toEqual({ ok: true });
        const x = new Float64Array(N + 1);
        expect(lu.solveLate(x)).toBe(true);
        expect(lu.solveEarly(x)).toBe(true);
        const whole = Array.from({ length: N }, (_, r) =>
          Array.from({ length: N }, (_, c) => {
            const slot = pattern.slot(r, c);
            return (stays[slot] ?? 0) + (changes[slot] ?? 0);
          }),
        );
        const expected = plainly(
          whole,
          b.map((v, i) => v + more[i]!),
        );
        expected.forEach((v, i) => expect(x[i]).toBeCloseTo(v, 6));
      }
    }),
  );
});

test('a column with nothing in it is named, in either stage', () => {
  const pattern = new Pattern(3);
  const slots = [0, 1, 2].map((i) => pattern.slot(i, i));
  const alone = pattern.during(() => pattern.slot(2, 2));
  const lu = new StagedLu(pattern, alone, []);
  const a = new Float64Array(pattern.count);
  a[slots[0]!] = 1;
  a[slots[1]!] = 0;
  const hot = new Float64Array(pattern.count);
  hot[slots[2]!] = 1;
  lu.begin(a, new Float64Array(4));
  expect(lu.resume(hot, new Float64Array(4))).toEqual({ ok: false, unknown: 1 });
  a[slots[1]!] = 2;
  hot[slots[2]!] = 0;
  lu.begin(a, new Float64Array(4));
  expect(lu.resume(hot, new Float64Array(4))).toEqual({ ok: false, unknown: 2 });
});

/** A square net of conductances, tied to ground a little everywhere, with a junction's place at every third node. */
function squareNet(side: number) {
  const n = side * side;
  const pattern = new Pattern(n);
  const places: [p: number, m: number, g: number][] = [];
  for (let k = 0; k < n; k += 1) {
    if (k % side < side - 1) places.push([k, k + 1, 1 + (k % 7) / 10]);
    if (k < n - side) places.push([k, k + side, 1 + (k % 9) / 10]);
  }
  const stays = new Float64Array(6 * n);
  for (let k = 0; k < n; k += 1) stays[pattern.slot(k, k)]! += 0.01;
  for (const [p, m, g] of places) {
    stays[pattern.slot(p, p)]! += g;
    stays[pattern.slot(m, m)]! += g;
    stays[pattern.slot(p, m)]! -= g;
    stays[pattern.slot(m, p)]! -= g;
  }
  const hot = Array.from({ length: Math.floor(n / 3) }, (_, i) => 3 * i);
  return { n, pattern, stays, hot };
}

test('where every third unknown changes, all are eliminated in the order that is best for all', () => {
  const { n, pattern, stays, hot } = squareNet(24);
  const slots = pattern.during(() => hot.forEach((k) => pattern.slot(k, k)));
  const lu = new StagedLu(pattern, slots, []);
  const b = Float64Array.from({ length: n + 1 }, (_, i) => (i < n ? Math.sin(i) : 0));
  lu.begin(stays.slice(0, pattern.count), b);
  for (const more of [0.5, 2]) {
    const changes = new Float64Array(pattern.count);
    for (const slot of slots) changes[slot] = more;
    expect(lu.resume(changes, new Float64Array(n + 1))).toEqual({ ok: true });
    const x = new Float64Array(n + 1);
    expect(lu.solveLate(x) && lu.solveEarly(x)).toBe(true);
    for (let row = 0; row < n; row += 1) {
      let sum = -b[row]!;
      for (let slot = 1; slot < pattern.count; slot += 1)
        if (pattern.rows[slot] === row)
          sum += (stays[slot]! + changes[slot]!) * x[pattern.columns[slot]!]!;
      expect(Math.abs(sum)).toBeLessThan(1e-10);
    }
  }
  // Holding the 192 back would leave them nearly all joined: 224,000 multiplications each time.
  expect(lu.work).toBeLessThan(110_000);
});

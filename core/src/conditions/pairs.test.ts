/** Which pairs a sheet proves, what it leaves out, and how an older one is lifted. */
import { smallSheet } from '../../test/small-sheet';
import { mainsSheet } from '../../test/mains-sheet';
import { wideSheet } from '../../test/wide-sheet';
import { checkSheet } from '../checks/check';
import type { ProvePair, Sheet } from '../sheet/schema';
import { pairId } from '../sheet/store-observables';
import { readSheet } from '../validate';
import { legsOf, proveGaps } from './gaps';
import { pairsOf, provingOf } from './pairs';

const safety = (sheet: Sheet, more: Partial<Sheet['safety']>): Sheet => ({
  ...sheet,
  safety: { ...sheet.safety, ...more },
});
const prove = (change: (pairs: ProvePair[]) => ProvePair[]): Sheet =>
  safety(mainsSheet, { prove: change(structuredClone(mainsSheet.safety.prove!)) });
const gaps = (sheet: Sheet) => proveGaps(sheet).map(({ path, message }) => [path, message]);

describe('pairs of a sheet', () => {
  test('stand in their order, each on its function, with its wait, limits and store', () => {
    expect(pairsOf(mainsSheet)).toMatchObject([
      { id: 'l-n', function: 'V~', waitMinutes: 0, access: [] },
      { id: 'l-pe', function: 'V~' },
      { id: 'n-pe', function: 'V~' },
      {
        id: 'bus',
        function: 'V=',
        waitMinutes: 5,
        unplugBelow: 60,
        access: ['lid'],
        store: { name: 'Bus capacitors', highest: 340, usual: 325, farads: 0.001, bleed: 100_000 },
      },
      { id: 'fan', store: { name: 'Fan capacitor', farads: 0.00004 } },
    ]);
    expect(provingOf(mainsSheet).gap).toBeUndefined();
  });

  test('without id and name they are called by their places', () => {
    const [pair] = pairsOf(
      prove((pairs) => pairs.map(({ id: _id, name: _name, ...rest }) => rest)),
    );
    expect(pair).toMatchObject({ id: 'in.L~in.N', name: 'L to N' });
    expect(pairId({ from: 'a.P', to: 'a.N', function: 'V=', deadBelow: 1 })).toBe('a.P=a.N');
  });

  test('the limit for unplugging may stand with a test on the same two places', () => {
    expect(pairsOf(wideSheet)[0]).toMatchObject({ id: 'bus', unplugBelow: 60 });
    expect(pairsOf(smallSheet)[0]!.unplugBelow).toBeUndefined();
  });
});

describe('what keeps a machine from being proven dead', () => {
  test('a whole sheet has no gap, and neither has one without mains', () => {
    expect(proveGaps(mainsSheet)).toEqual([]);
    expect(proveGaps(smallSheet)).toEqual([]);
  });

  test('a store that no pair drains is named, with the sentence that mends it', () => {
    const sheet = prove((pairs) => pairs.filter(({ id }) => id !== 'fan'));
    expect(gaps(sheet)).toEqual([
      [
        '/safety/stores/1',
        '“Fan capacitor” stays charged and no pair proves it drained. Add a pair on V= across it under safety, “prove”, that begins or ends at “in.C1” or names it under “proves”.',
      ],
    ]);
    // One pair may prove several stores, where the sheet says so.
    const named = prove((pairs) =>
      pairs
        .filter(({ id }) => id !== 'fan')
        .map((pair) =>
          pair.id === 'bus' ? { ...pair, proves: ['Bus capacitors', 'Fan capacitor'] } : pair,
        ),
    );
    expect(proveGaps(named)).toEqual([]);
    // On AC it proves nothing.
    const onAc = prove((pairs) =>
      pairs.map((pair) => (pair.id === 'fan' ? { ...pair, function: 'V~' as const } : pair)),
    );
    expect(gaps(onAc)[0]![0]).toBe('/safety/stores/1');
  });

  test('a leg that is never measured to frame is named', () => {
    const sheet = prove((pairs) => pairs.filter(({ id }) => id !== 'n-pe'));
    expect(gaps(sheet)).toEqual([
      ['/safety/prove', expect.stringContaining('“in.N” to “in.PE” is never measured') as string],
    ]);
  });

  test('DC on the mains terminals is no proof: the AC pairs are missing', () => {
    const sheet = prove((pairs) =>
      pairs
        .filter(({ id }) => id !== 'l-pe' && id !== 'n-pe')
        .map((pair) => (pair.id === 'l-n' ? { ...pair, function: 'V=' as const } : pair)),
    );
    expect(gaps(sheet)[0]![1]).toContain('makes 3 pairs on V~');
  });

  test.each([
    ['single-phase', 2],
    ['two legs and neutral', 3],
    ['split-phase', 3],
    ['three-phase', 3],
    ['three-phase with neutral', 4],
    [undefined, 2],
  ])('a %s supply has %i legs', (system, legs) => {
    const supply = system === undefined ? undefined : { system, volts: 230, hertz: 50 };
    const { supply: _, ...equipment } = smallSheet.equipment;
    expect(legsOf({ ...smallSheet, equipment: { ...equipment, ...(supply && { supply }) } })).toBe(
      legs,
    );
  });

  test('a separate supply beside the mains needs its own pair only', () => {
    const sheet = prove((pairs) => [
      ...pairs,
      { from: 'b.CN1.1', to: 'b.CN1.2', function: 'V~', deadBelow: 5 },
    ]);
    expect(proveGaps(sheet)).toEqual([]);
  });

  test('such a sheet is refused when it is read, and the paths point at the place', () => {
    const sheet = prove((pairs) => pairs.filter(({ id }) => id !== 'fan'));
    const read = readSheet(JSON.parse(JSON.stringify(sheet)));
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems).toMatchObject([{ code: 'prove', path: '/safety/stores/1' }]);
  });
});

describe('an older sheet', () => {
  const { prove: _prove, stores: _stores, ...plain } = mainsSheet.safety;
  const old: Sheet = {
    ...mainsSheet,
    safety: { ...plain, bus: { red: 'b.P', black: 'b.N', below: 24, page: '7' } },
  };

  test('keeps its bus as a pair on DC, opens, and says what it lacks', () => {
    expect(pairsOf(old)).toMatchObject([
      { id: 'bus', name: 'Bus', function: 'V=', deadBelow: 24, page: '7', waitMinutes: 5 },
    ]);
    expect(provingOf(old).gap).toMatch(/where the mains legs and the frame are probed/);
    const found = checkSheet(old);
    expect(found.filter(({ severity }) => severity === 'problem')).toEqual([]);
    expect(found).toMatchObject([{ severity: 'warning', code: 'prove', path: '/safety/prove' }]);
    expect(readSheet(JSON.parse(JSON.stringify(old)))).toMatchObject({ ok: true });
  });

  test('without mains its one pair is all there is', () => {
    const dc: Sheet = { ...old, equipment: smallSheet.equipment };
    expect(provingOf(dc).gap).toBeUndefined();
    const two = safety(dc, { stores: mainsSheet.safety.stores! });
    expect(provingOf(two).gap).toMatch(/“Fan capacitor” stays charged/);
  });

  test('one that says nothing at all is refused', () => {
    const { bus: _bus, ...none } = old.safety;
    expect(checkSheet({ ...old, safety: none })).toMatchObject([
      { severity: 'problem', code: 'prove' },
    ]);
  });
});

describe('checks of the pairs themselves', () => {
  const first = (change: Partial<ProvePair>) =>
    checkSheet(
      prove((pairs) => pairs.map((pair, i) => (i === 3 ? { ...pair, ...change } : pair))),
    ).map(({ code, path }) => `${code} ${path}`);

  test.each<[string, Partial<ProvePair>, string]>([
    ['its two ends on one place', { to: 'b.P' }, 'placing /safety/prove/3'],
    [
      'a limit for plugs below the dead one',
      { unplugBelow: 20 },
      'limits /safety/prove/3/unplugBelow',
    ],
    ['an unknown place', { from: 'b.Q' }, 'unknown-reference /safety/prove/3/from'],
    ['an unknown cover', { access: ['hood'] }, 'unknown-reference /safety/prove/3/access/0'],
    ['an unknown board', { for: ['x'] }, 'unknown-reference /safety/prove/3/for/0'],
    ['an unknown store', { proves: ['x'] }, 'unknown-reference /safety/prove/3/proves/0'],
    ['the id of another', { id: 'fan' }, 'duplicate /safety/prove/4'],
    [
      'a cover that opens on a dead machine only',
      { access: ['plug'] },
      'reach /safety/prove/3/access',
    ],
  ])('%s', (_, change, found) => {
    expect(first(change)).toContain(found);
  });
});

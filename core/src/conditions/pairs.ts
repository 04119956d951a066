/**
 * Every pair of places that must be proven dead, in order, each on its own function: mains legs to each
 * other and to frame on AC, stores of charge on DC. A sheet lists them under `safety.prove`; an older one
 * has only its bus, which is lifted, and what it cannot say keeps it from being proven at all.
 */
import { testsOf } from '../sheet/all-tests';
import { locate, placeName, sameLeads } from '../sheet/places';
import { isMeasured, type ProvePair, type Sheet } from '../sheet/schema';
import { pairId } from '../sheet/store-observables';
import { proveGaps } from './gaps';
import { listedPairs } from './lift';
import { bleedOf, faradsOf, highestOf, storesProvenBy, unlistedStore } from './stores';

/** The two dials on which a pair is proven. */
export type VoltsFunction = ProvePair['function'];

export interface Pair {
  /** Stable within the sheet; entries name it. */
  readonly id: string;
  /** `L to frame`. */
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly function: VoltsFunction;
  /** Volts below which it counts as dead. */
  readonly deadBelow: number;
  /** Volts below which a plug may be pulled, where that is allowed earlier. */
  readonly unplugBelow?: number;
  /** Minutes after isolating before a figure proves anything; 0 where nothing is stored. */
  readonly waitMinutes: number;
  /** Boards that it alone concerns; absent: the whole machine. */
  readonly for?: readonly string[];
  /** What must be open before it can be reached. */
  readonly access: readonly string[];
  readonly place?: string;
  readonly note?: string;
  readonly page?: string;
  /** What it proves drained, with the figures that a forecast needs. */
  readonly store?: PairStore;
}

export interface PairStore {
  readonly name: string;
  /** Highest volts it can hold. */
  readonly highest: number;
  /** Volts it usually holds when the supply goes off. */
  readonly usual: number;
  readonly farads?: number;
  /** Ohms across it. */
  readonly bleed?: number;
}

export interface Proving {
  readonly pairs: readonly Pair[];
  /** Why this sheet cannot prove its machine dead, and what mends it; undefined where it can. */
  readonly gap?: string;
}

const known = new WeakMap<Sheet, Proving>();

/** The pairs of a sheet, and what it leaves unsaid. */
export function provingOf(sheet: Sheet): Proving {
  const before = known.get(sheet);
  if (before) return before;
  const gap = proveGaps(sheet)[0]?.message;
  const listed = listedPairs(sheet);
  const proving = {
    pairs: listed.map((pair) => fullPair(sheet, pair, listed)),
    ...(gap && { gap }),
  };
  known.set(sheet, proving);
  return proving;
}

export const pairsOf = (sheet: Sheet): readonly Pair[] => provingOf(sheet).pairs;

export const findPair = (sheet: Sheet, id: string): Pair | undefined =>
  pairsOf(sheet).find((pair) => pair.id === id);

/** The pair whose two places these are, either way round. */
export const pairAt = (
  sheet: Sheet,
  leads: { readonly red?: string | undefined; readonly black?: string | undefined },
): Pair | undefined =>
  pairsOf(sheet).find(({ from, to }) => sameLeads(leads, { red: from, black: to }));

/** Pairs that must be proven before a hand or a driving meter goes to these boards. */
export function pairsFor(sheet: Sheet, boards: readonly string[] | undefined): readonly Pair[] {
  return pairsOf(sheet).filter(
    (pair) => !pair.for || !boards || pair.for.some((board) => boards.includes(board)),
  );
}

function fullPair(sheet: Sheet, pair: ProvePair, listed: readonly ProvePair[]): Pair {
  const { safety } = sheet;
  const store = storeAt(sheet, pair, listed);
  const unplugBelow = pair.unplugBelow ?? unplugOf(sheet, pair);
  return {
    id: pairId(pair),
    name: pair.name ?? `${shortName(sheet, pair.from)} to ${shortName(sheet, pair.to)}`,
    from: pair.from,
    to: pair.to,
    function: pair.function,
    deadBelow: pair.deadBelow,
    ...(unplugBelow !== undefined && { unplugBelow }),
    waitMinutes: pair.waitMinutes ?? (pair.function === 'V=' ? safety.waitMinutes : 0),
    ...(pair.for && { for: pair.for }),
    access: pair.access ?? [],
    ...(pair.place !== undefined && { place: pair.place }),
    ...(pair.note !== undefined && { note: pair.note }),
    ...(pair.page !== undefined && { page: pair.page }),
    ...(store && { store }),
  };
}

function shortName(sheet: Sheet, ref: string): string {
  const place = locate(sheet, ref);
  if (!place) return ref;
  return place.kind === 'pin' && place.pin.signal ? place.pin.signal : placeName(place);
}

/** The limit for pulling a plug, where a test on the same two places says so. */
function unplugOf(sheet: Sheet, { from, to }: ProvePair): number | undefined {
  const told = testsOf(sheet).flatMap((test) =>
    isMeasured(test) && test.points.some(({ red, black }) => red === from && black === to)
      ? (test.purposes ?? []).filter(({ id }) => id === 'unplug')
      : [],
  )[0]?.expect;
  return told?.kind === 'atMost' ? told.high : undefined;
}

function storeAt(
  sheet: Sheet,
  pair: ProvePair,
  listed: readonly ProvePair[],
): PairStore | undefined {
  const { stores, capacitance, bleed, volts } = sheet.safety;
  if (pair.function !== 'V=') return undefined;
  const store = storesProvenBy(sheet, pair)[0];
  if (store) {
    const [farads, ohms] = [faradsOf(sheet, store), bleedOf(sheet, store)];
    const highest = highestOf(sheet, store);
    return {
      name: store.name,
      highest,
      usual: store.volts ?? highest,
      ...(farads !== undefined && { farads }),
      ...(ohms !== undefined && { bleed: ohms }),
    };
  }
  // Where no stores are listed, the machine's capacitance is that of its first pair on DC.
  const first = listed.find((each) => each.function === 'V=') === pair;
  if (stores || !first) return undefined;
  return {
    name: unlistedStore(sheet),
    highest: volts,
    usual: volts,
    ...(capacitance !== undefined && { farads: capacitance }),
    ...(bleed !== undefined && { bleed }),
  };
}

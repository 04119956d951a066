/**
 * What stays charged after isolation, and how much it can hold. Energy is reckoned from the highest volts
 * that are stated, not from the usual ones: W = C·V²/2.
 *
 * Worked example: 2,200 µF on a machine of at most 620 V hold 0.0022·620²/2 = 423 J; at the usual 510 V
 * they would hold 286 J, which is not what may stand there.
 */
import type { ProvePair, Sheet } from '../sheet/schema';

type SheetStore = NonNullable<Sheet['safety']['stores']>[number];

export interface Store {
  readonly name: string;
  readonly where: string;
  /** Highest volts it can hold: what is warned of and what is reckoned with. */
  readonly highest: number;
  /** Volts it usually holds when the supply goes off, where that is less. */
  readonly usual?: number;
  /** Energy at the highest volts, joules; absent only where no capacitance is known. */
  readonly joules?: number;
}

/** Joules in a capacitance of so many farads at so many volts. */
export const joulesIn = (farads: number, volts: number): number => (farads * volts ** 2) / 2;

/** What a store can hold at most: what is stated of it, else the machine's highest volts. */
export const highestOf = (
  { safety }: Sheet,
  store: Pick<SheetStore, 'highest' | 'volts'>,
): number => store.highest ?? Math.max(store.volts ?? 0, safety.volts);

/** Farads of a store: its own, else those of the machine, which are its first store's. */
export const faradsOf = ({ safety }: Sheet, store: SheetStore): number | undefined =>
  store.farads ?? (store === safety.stores?.[0] ? safety.capacitance : undefined);

export const bleedOf = ({ safety }: Sheet, store: SheetStore): number | undefined =>
  store.bleed ?? (store === safety.stores?.[0] ? safety.bleed : undefined);

/** The stores that a pair proves drained: those it names, else those that sit at one of its places. */
export function storesProvenBy({ safety }: Sheet, pair: ProvePair): SheetStore[] {
  if (pair.function !== 'V=') return [];
  return (safety.stores ?? []).filter(({ name, at }) =>
    pair.proves ? pair.proves.includes(name) : at === pair.from || at === pair.to,
  );
}

/** What charge is called where a sheet lists no stores. */
export const unlistedStore = ({ safety }: Sheet): string =>
  safety.capacitance === undefined ? 'Whatever hangs on the supply' : 'Bus capacitors';

/** What stores charge on this unit: what the sheet lists, else whatever its capacitance belongs to. */
export function storesOf(sheet: Sheet): Store[] {
  const { stores, capacitance, bus, prove, volts } = sheet.safety;
  if (stores)
    return stores.map((store) => {
      const highest = highestOf(sheet, store);
      const farads = faradsOf(sheet, store);
      return {
        name: store.name,
        where: boardOf(sheet, store.at),
        highest,
        ...(store.volts !== undefined && store.volts < highest && { usual: store.volts }),
        ...(farads !== undefined && { joules: joulesIn(farads, highest) }),
      };
    });
  const at = bus?.red ?? prove?.find((pair) => pair.function === 'V=')?.from;
  if (capacitance === undefined && at === undefined) return [];
  return [
    {
      name: unlistedStore(sheet),
      where: at === undefined ? '' : boardOf(sheet, at),
      highest: volts,
      ...(capacitance !== undefined && { joules: joulesIn(capacitance, volts) }),
    },
  ];
}

const boardOf = ({ boards }: Sheet, ref: string): string =>
  boards.find(({ id }) => id === ref.split('.')[0])?.name ?? ref;

/** Highest volts that may still stand after isolation; undefined where nothing is known to store any. */
export function highestStored(sheet: Sheet): number | undefined {
  const all = storesOf(sheet).map(({ highest }) => highest);
  return all.length > 0 ? Math.max(...all) : undefined;
}

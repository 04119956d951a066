/** What each part of a sheet costs this shop: its own list before the sheet's word, a superseded number followed to the one that is had. */
import type { Part, Sheet } from '../sheet/schema';
import { numberKey, type PriceRow } from './price-row';

export interface Offer {
  readonly part: string;
  /** As it is ordered: the number that took the old one's place. */
  readonly number?: string;
  /** Numbers that it went through, the part's own first; one alone where nothing took its place. */
  readonly numbers: readonly string[];
  readonly price?: number;
  readonly stock?: number;
  /** 0 where one lies here. */
  readonly leadHours: number;
  readonly returnable: boolean;
  /** Share of the price that is kept when it goes back. */
  readonly restock: number;
  readonly sendBackDays?: number;
  readonly partsMonths?: number;
  readonly labourMonths?: number;
  /** Whether the price is the shop's own. */
  readonly own: boolean;
  /** Its numbers lead back to each other: nobody knows which is had. */
  readonly circle?: true;
}

/** Share of a price that is kept when an unused part goes back, where nobody says it. */
const RESTOCK = 0.2;

export function offersOf({ parts }: Pick<Sheet, 'parts'>, rows: readonly PriceRow[]): Offer[] {
  const list = new Map(rows.map((row) => [numberKey(row.number), row]));
  return parts.map((part) => offerOf(part, list));
}

function offerOf(part: Part, list: ReadonlyMap<string, PriceRow>): Offer {
  const { numbers, circle } = chainOf(part, list);
  const held = numbers.map((number) => list.get(numberKey(number)));
  // What lies here of an old number is fitted before a new one is bought.
  const inStock = held.findIndex((row) => (row?.stock ?? 0) > 0);
  const at = inStock >= 0 ? inStock : numbers.length - 1;
  const row = held[at];
  const price = row?.price ?? part.price;
  const number = numbers[at];
  const leadHours = inStock >= 0 ? 0 : (row?.leadHours ?? part.leadHours ?? 0);
  return {
    part: part.id,
    numbers,
    leadHours,
    returnable: row?.returnable ?? part.returnable ?? false,
    restock: row?.restock ?? RESTOCK,
    own: row?.price !== undefined,
    ...(number !== undefined && { number }),
    ...(price !== undefined && { price }),
    ...(row?.stock !== undefined && { stock: row.stock }),
    ...(row?.sendBackDays !== undefined && { sendBackDays: row.sendBackDays }),
    ...(row?.partsMonths !== undefined && { partsMonths: row.partsMonths }),
    ...(row?.labourMonths !== undefined && { labourMonths: row.labourMonths }),
    ...(circle && { circle }),
  };
}

/** A number superseded, and superseded again, up to where nothing took its place. */
function chainOf(part: Part, list: ReadonlyMap<string, PriceRow>) {
  const numbers: string[] = [];
  const seen = new Set<string>();
  let next = part.number;
  while (next !== undefined && !seen.has(numberKey(next))) {
    seen.add(numberKey(next));
    numbers.push(next);
    next =
      list.get(numberKey(next))?.supersededBy ??
      (next === part.number ? part.supersededBy : undefined);
  }
  return { numbers, ...(next !== undefined && { circle: true as const }) };
}

/** Numbers that a sheet's parts can be ordered under, for asking a list about them; one step each. */
export const numbersOf = ({ parts }: Pick<Sheet, 'parts'>): string[] => [
  ...new Set(
    parts.flatMap(({ number, supersededBy }) => [number ?? [], supersededBy ?? []].flat()),
  ),
];

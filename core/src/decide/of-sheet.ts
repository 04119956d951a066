/** What a sheet's machine can be helped with, as plans take it. */
import { modelOf } from '../diagnose/model';
import type { Sheet } from '../sheet/schema';
import { PROVING_MINUTES } from '../next/prices';
import type { Coverage } from '../shop/coverage';
import { offersOf, type Offer } from '../shop/offers';
import { actionsOf, type Action } from './actions';

export interface SheetTerms {
  /** What the shop pays for parts; the sheet’s own word where absent. */
  readonly offers?: readonly Offer[];
  /** Share that a warranty bears of a part’s price and of its work, by part; of none where absent. */
  readonly coverage?: (part: string | undefined) => Pick<Coverage, 'parts' | 'labour'>;
}

const NONE = { parts: 0, labour: 0 } as const;

export function actionsOfSheet(
  sheet: Sheet,
  { offers = offersOf(sheet, []), coverage = () => NONE }: SheetTerms = {},
): Action[] {
  const offerOf = new Map(offers.map((offer) => [offer.part, offer]));
  return actionsOf(
    modelOf(sheet),
    sheet.parts
      // No more to be had, by itself or in a kit; unless one lies here.
      .filter(({ id, available }) => available !== 'no more' || (offerOf.get(id)?.stock ?? 0) > 0)
      .map(({ id, minutes = 0 }) => {
        const { price = 0, leadHours = 0, returnable = false, restock = 0 } = offerOf.get(id) ?? {};
        const borne = coverage(id);
        return {
          ...{ id, price, leadHours, returnable, restock },
          covered: borne.parts,
          labourCovered: borne.labour,
          // Fitted and proven: what costs nothing would be tried before anything else.
          minutes: minutes + PROVING_MINUTES,
        };
      }),
    (sheet.repairs ?? []).map((repair) => ({
      ...repair,
      minutes: repair.minutes + PROVING_MINUTES,
    })),
  );
}

/** Parts that a plan would take for free only because nobody knows their price. */
export const withoutPrice = (
  sheet: Sheet,
  offers: readonly Offer[] = offersOf(sheet, []),
): string[] =>
  sheet.parts.flatMap(({ id, name }) =>
    offers.find(({ part }) => part === id)?.price === undefined ? [name] : [],
  );

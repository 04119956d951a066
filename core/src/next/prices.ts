/** What time and handing over cost, and what parts do. */
import { findTest } from '../sheet/lookup';
import { allObservables } from '../sheet/observables';
import type { Sheet } from '../sheet/schema';
import { offersOf, type Offer } from '../shop/offers';

export interface Rates {
  /** Labour, money per hour. */
  readonly rate: number;
  /** What handing over costs: to somebody else, or the unit as a whole. */
  readonly giveUp: number;
}

export interface PricedPart {
  readonly id: string;
  readonly price?: number;
  /** To fit it and to prove that it mends. */
  readonly minutes?: number;
  /** Share of the price that somebody else bears: a warranty. */
  readonly covered?: number;
}

export interface PricedTest {
  /** An observable. */
  readonly id: string;
  readonly minutes?: number;
  /** What its hazard is worth, money. */
  readonly risk?: number;
}

export interface PricedSheet {
  readonly parts: readonly PricedPart[];
  readonly tests: readonly PricedTest[];
  readonly shop?: Rates;
}

/** Every observable of a sheet by itself, for its test's own minutes. */
export const pricedSheet = (sheet: Sheet): PricedSheet => ({
  parts: sheet.parts,
  tests: allObservables(sheet).map(({ id, test }) => ({
    id,
    minutes: findTest(sheet, test)?.minutes ?? 1,
  })),
});

/** To see that it works: powered, and through what failed. */
export const PROVING_MINUTES = 10;

/**
 * Parts as a visit pays for them, on the terms of a shop or by the sheet’s word: fitted and proven, and another visit for what has to come first. Without
 * that, what costs nothing (a switch outside, a setting) would be tried before anything else.
 */
export const partsInVisit = (
  sheet: Sheet,
  visit = USUAL_SHOP.visit,
  offers: readonly Offer[] = offersOf(sheet, []),
): readonly PricedPart[] => {
  const offerOf = new Map(offers.map((offer) => [offer.part, offer]));
  return sheet.parts.map(({ id, minutes = 0 }) => {
    const { price = 0, leadHours = 0 } = offerOf.get(id) ?? {};
    return {
      id,
      price: price + (leadHours > 0 ? visit : 0),
      minutes: minutes + PROVING_MINUTES,
    };
  });
};

/** What work and waiting cost a shop and its customers. */
export interface ShopPrices extends Rates {
  /** Another visit, for what was ordered. */
  readonly visit: number;
  /** Coming back for what failed again. */
  readonly callback: number;
  /** What an hour without the machine costs its owner. */
  readonly downtime: number;
  /** Hours until somebody else has it running, where it is handed over; none where nobody says. */
  readonly handOverHours?: number;
}

/** Until a shop says its own. */
export const USUAL_SHOP: ShopPrices = {
  rate: 120,
  giveUp: 1500,
  visit: 90,
  callback: 150,
  downtime: 0,
  handOverHours: 48,
};
export const USUAL_RATES: Rates = USUAL_SHOP;

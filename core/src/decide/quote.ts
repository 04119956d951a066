/** What a decision will cost the customer: parts, work, and another visit where something must be ordered first. */
import { endingWords, type Ending } from '../job/endings/ending';
import { PROVING_MINUTES, type ShopPrices } from '../next/prices';
import type { Sheet } from '../sheet/schema';
import type { Coverage } from '../shop/coverage';
import type { Offer } from '../shop/offers';

export interface QuoteLine {
  readonly words: string;
  readonly material: number;
  /** Money for the work. */
  readonly work: number;
  readonly minutes: number;
  /** Months of warranty that the new part has from the day it is fitted. */
  readonly months?: number;
  /** Part whose price nobody knows. */
  readonly unpriced?: true;
}

export interface Quote {
  readonly lines: readonly QuoteLine[];
  /** Another visit; 0 where all is at hand. */
  readonly visit: number;
  readonly total: number;
  readonly minutes: number;
  /** Hours until the last part is there. */
  readonly leadHours: number;
}

export interface QuoteTerms {
  readonly offers: readonly Offer[];
  readonly shop: Pick<ShopPrices, 'rate' | 'visit'>;
  readonly coverage: (part: string | undefined) => Coverage;
}

export function quoteOf(
  sheet: Sheet,
  endings: readonly Ending[],
  { offers, shop, coverage }: QuoteTerms,
): Quote {
  const offerOf = (part: string | undefined) => offers.find((each) => each.part === part);
  const asked = endings.filter(({ kind }) => ['replace', 'repair', 'come-back'].includes(kind));
  const lines = asked.map((ending): QuoteLine => {
    const offer = offerOf(ending.part);
    const part = sheet.parts.find(({ id }) => id === ending.part);
    const repair = sheet.repairs?.find(({ id }) => id === ending.repair);
    const attempt = sheet.tries?.find(({ id }) => id === ending.repair);
    const borne = coverage(ending.part);
    const minutes = (part?.minutes ?? repair?.minutes ?? attempt?.minutes ?? 0) + PROVING_MINUTES;
    return {
      words: endingWords(sheet, ending),
      minutes,
      material: (offer?.price ?? repair?.price ?? 0) * (1 - (part ? borne.parts : 0)),
      work: (minutes / 60) * shop.rate * (1 - borne.labour),
      ...(offer?.partsMonths !== undefined && { months: offer.partsMonths }),
      ...(part && offer?.price === undefined && { unpriced: true as const }),
    };
  });
  const leadHours = Math.max(0, ...asked.map(({ part }) => offerOf(part)?.leadHours ?? 0));
  const visit = leadHours > 0 || asked.some(({ kind }) => kind === 'come-back') ? shop.visit : 0;
  return {
    lines,
    visit,
    leadHours,
    minutes: lines.reduce((sum, { minutes }) => sum + minutes, 0),
    total: lines.reduce((sum, { material, work }) => sum + material + work, visit),
  };
}

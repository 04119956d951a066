/** On which terms parts are had and work is paid for in this job: the shop's list, its prices, the unit's warranty. */
import { coverageOf, offersOf, type Coverage, type Offer } from '@jeitinho/core';
import type { ShopPrices } from '@jeitinho/core/diagnose';
import { useMemo } from 'react';
import { useDraft } from '../../data/draft';
import { localDay, useNow } from '../../data/now';
import { pricesOf } from '../../data/shop-prices';
import { amountIn } from '../../parts/money';
import { useJob, useSettled } from '../job/job-context';

const MINUTE_MS = 60_000;

export interface Terms {
  readonly offers: readonly Offer[];
  readonly coverage: (part: string | undefined) => Coverage;
  readonly shop: ShopPrices;
  readonly currency: string;
  /** What was typed for an hour without the machine, and what stands where nothing was. */
  readonly typed: string;
  readonly setTyped: (text: string) => void;
  readonly usualOutage: number;
}

export function useTerms(): Terms {
  const { job } = useJob();
  const { sheet } = useSettled();
  const today = localDay(useNow(MINUTE_MS));
  const { prices, currency } = pricesOf(job.shop);
  const [typed, setTyped] = useDraft(`outage.${job.id}`);
  const { unit, customer } = job;
  const usualOutage = unit.outage ?? customer.outage ?? prices.downtime;
  const downtime = amountIn(typed) ?? usualOutage;
  const offers = useMemo(() => offersOf(sheet, job.prices ?? []), [sheet, job.prices]);
  const shop = useMemo((): ShopPrices => ({ ...prices, downtime }), [prices, downtime]);
  const coverage = useMemo(() => {
    const terms = {
      until: unit.warrantyUntil,
      installedOn: unit.installedOn,
      covers: unit.warrantyCovers ?? null,
      registered: unit.registered ?? null,
    };
    return (part: string | undefined) =>
      coverageOf(terms, today, sheet.parts.find(({ id }) => id === part)?.warranty);
  }, [unit, today, sheet]);
  return { offers, coverage, shop, currency, typed, setTyped, usualOutage };
}

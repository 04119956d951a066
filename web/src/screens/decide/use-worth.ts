/** What each way costs as things stand, with the shop's prices and what was said of an hour without the machine. */
import {
  actionsOfSheet,
  decide,
  knownOf,
  type Action,
  type ShopPrices,
} from '@jeitinho/core/diagnose';
import { useMemo } from 'react';
import { useDraft } from '../../data/draft';
import { useNow } from '../../data/now';
import { pricesOf } from '../../data/shop-prices';
import { amountIn } from '../../parts/money';
import { warrantyOver } from '../../parts/warranty';
import { useJob, useSettled } from '../job/job-context';

const MINUTE_MS = 60_000;

export interface Worth {
  readonly found: ReturnType<typeof decide>;
  readonly actions: readonly Action[];
  readonly shop: ShopPrices;
  readonly currency: string;
  /** Whether the unit is under the maker's warranty. */
  readonly covered: boolean;
  readonly typed: string;
  readonly setTyped: (text: string) => void;
}

export function useWorth(): Worth {
  const { job } = useJob();
  const { sheet, state } = useSettled();
  const now = useNow(MINUTE_MS);
  const { prices, currency } = pricesOf(job.shop);
  const [typed, setTyped] = useDraft(`outage.${job.id}`);
  const downtime = amountIn(typed) ?? prices.downtime;
  const until = job.unit.warrantyUntil;
  const covered = until !== null && !warrantyOver(until, now);
  const { inference } = knownOf(sheet, state);
  const shop = useMemo((): ShopPrices => ({ ...prices, downtime }), [prices, downtime]);
  const actions = useMemo(() => actionsOfSheet(sheet, covered ? 1 : 0), [sheet, covered]);
  const found = useMemo(() => decide(inference, actions, shop), [inference, actions, shop]);
  return { found, actions, shop, currency, covered, typed, setTyped };
}

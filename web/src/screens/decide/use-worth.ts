/** What each way costs as things stand, on the terms of this job. */
import {
  actionsOfSheet,
  decide,
  knownOf,
  startingWith,
  type Action,
  type Plan,
} from '@jeitinho/core/diagnose';
import type { Ending } from '@jeitinho/core/job';
import { numberKey } from '@jeitinho/core';
import { useMemo } from 'react';
import { useDraft } from '../../data/draft';
import { amountIn } from '../../parts/money';
import { useJob, useSettled } from '../job/job-context';
import { useTerms, type Terms } from './use-terms';

export interface Worth extends Terms {
  readonly found: ReturnType<typeof decide>;
  readonly actions: readonly Action[];
  /** What the unit’s warranty bears, in words; undefined for nothing. */
  readonly covered: string | undefined;
  /** What a whole new unit would cost, fitted: typed, or from the price list under its model. */
  readonly unitTyped: string;
  readonly setUnitTyped: (text: string) => void;
  readonly newUnit: { readonly cost: number; readonly hours: number } | undefined;
}

export function useWorth(): Worth {
  const { job } = useJob();
  const { sheet, state } = useSettled();
  const terms = useTerms();
  const { offers, coverage, shop } = terms;
  const { inference } = knownOf(sheet, state);
  const actions = useMemo(
    () => actionsOfSheet(sheet, { offers, coverage }),
    [sheet, offers, coverage],
  );
  const found = useMemo(() => decide(inference, actions, shop), [inference, actions, shop]);
  const [unitTyped, setUnitTyped] = useDraft(`unit-price.${job.id}`);
  const listed = job.prices?.find(({ number }) => numberKey(number) === numberKey(job.unit.model));
  const price = amountIn(unitTyped) ?? listed?.price;
  const hours = listed?.stock ? 0 : (listed?.leadHours ?? 0);
  const borne = coverage(undefined);
  return {
    ...terms,
    found,
    actions,
    covered: borne.parts || borne.labour ? borne.words : undefined,
    unitTyped,
    setUnitTyped,
    newUnit:
      price === undefined
        ? undefined
        : { cost: price + shop.downtime * hours + (hours > 0 ? shop.visit : 0), hours },
  };
}

/** Ids of the actions that endings are. */
export const actionsIn = (endings: readonly Ending[]): string[] =>
  endings.flatMap(({ kind, part, repair }) =>
    kind === 'replace' && part !== undefined
      ? [`replace:${part}`]
      : kind === 'repair' && repair !== undefined
        ? [`repair:${repair}`]
        : [],
  );

/** Of money, so much more is no other way. */
const SAME_SHARE = 0.05;

export interface Chosen {
  /** What is chosen first, with the best that can follow it. */
  readonly plan: Plan;
  readonly best: Plan;
  /** Whether it is expected to cost notably more than the best. */
  readonly dearer: boolean;
}

/** @returns undefined where nothing is chosen that could be priced. */
export function useChosenPlan(
  { found, actions, shop }: Worth,
  chosen: readonly Ending[],
): Chosen | undefined {
  const { sheet, state } = useSettled();
  const { inference } = knownOf(sheet, state);
  const key = actionsIn(chosen).sort().join(' ');
  return useMemo(() => {
    const first = key === '' ? [] : key.split(' ');
    const { best } = found;
    const same =
      (best.visits[0] ?? [])
        .map(({ id }) => id)
        .sort()
        .join(' ') === key;
    if (first.length === 0) return undefined;
    const plan = startingWith(inference, actions, shop, first);
    const least = best.cost + Math.max(1, Math.abs(best.cost) * SAME_SHARE);
    return plan && { plan, best, dearer: !same && best.visits.length > 0 && plan.cost > least };
  }, [key, found, inference, actions, shop]);
}

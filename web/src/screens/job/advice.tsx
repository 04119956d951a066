/** What to do next, reckoned between keys: never so long at a stretch that one would have to wait. */
import { offersOf } from '@jeitinho/core';
import { advising, type Advised } from '@jeitinho/core/diagnose';
import {
  createContext,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import { useGoingOn } from '../../data/going-on';
import { pricesOf } from '../../data/shop-prices';
import { useOwnWay } from '../../data/own-way';
import { useJob } from './job-context';

/** So long nothing is reckoned after a change: the next key comes soon after it. */
const SETTLED_MS = 120;
const STRETCH_MS = 8;

interface Known {
  readonly advised: Advised;
  /** Whether it is of the job as it stands: a new one is on its way where not. */
  readonly fresh: boolean;
}

const Advice = createContext<Known | undefined>(undefined);

/**
 * What “Go on” goes by. Undefined where this device goes by the sheet's order and nothing is pinned, and until
 * the advice has been reckoned for the job as it stands: so long the sheet's order is as good as any.
 */
export function useAdviceToGoBy(): Advised | undefined {
  const known = useContext(Advice);
  const by = useGoingOn();
  if (!known?.fresh) return undefined;
  return by !== 'sheet' || known.advised.pinned !== undefined ? known.advised : undefined;
}

const Said = createContext<Known | undefined>(undefined);

/** What was said last, of whatever moment: no key waits for it. */
export const useLastAdvice = (): Known | undefined => useContext(Said);

export function AdviceProvider({ children }: { readonly children: ReactNode }) {
  const { job, sheet, state } = useJob();
  const by = useGoingOn();
  const { way: own } = useOwnWay(job.id);
  // By the sheet's order one is told what is worth most all the same.
  const asked = useMemo(
    () => ({ job, sheet, state, school: by === 'sheet' ? ('balanced' as const) : by, own }),
    [job, sheet, state, by, own],
  );
  const [known, setKnown] = useState<{ of: object; advised: Advised }>();
  useEffect(() => {
    const { school, own } = asked;
    let timer = setTimeout(() => {
      const steps = advising(asked.sheet, asked.state, Date.now(), {
        ...{ school, own },
        rates: pricesOf(asked.job.shop).prices,
        offers: offersOf(asked.sheet, asked.job.prices ?? []),
      });
      const goOn = () => {
        const until = performance.now() + STRETCH_MS;
        let next = steps.next();
        while (!next.done && performance.now() < until) next = steps.next();
        if (next.done) setKnown({ of: asked, advised: next.value });
        else timer = setTimeout(goOn, 0);
      };
      goOn();
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [asked]);
  const value = useMemo(
    () => known && { advised: known.advised, fresh: known.of === asked },
    [known, asked],
  );
  const said = useDeferredValue(value);
  return (
    <Advice.Provider value={value}>
      <Said.Provider value={said}>{children}</Said.Provider>
    </Advice.Provider>
  );
}

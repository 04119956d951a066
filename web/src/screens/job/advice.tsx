/** What to do next, reckoned between keys: never so long at a stretch that one would have to wait. */
import { advising, type Advised } from '@jeitinho/core/diagnose';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useGoingOn } from '../../data/going-on';
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
 * What “Go on” goes by. Undefined where this device goes by the sheet's order, and until the advice has been
 * reckoned for the job as it stands: so long the sheet's order is as good as any.
 */
export function useAdviceToGoBy(): Advised | undefined {
  const known = useContext(Advice);
  const by = useGoingOn();
  return by === 'worth' && known?.fresh ? known.advised : undefined;
}

/** What was said last, of whatever moment. */
export const useLastAdvice = (): Known | undefined => useContext(Advice);

export function AdviceProvider({ children }: { readonly children: ReactNode }) {
  const { sheet, state } = useJob();
  const [known, setKnown] = useState<{ of: object; advised: Advised }>();
  useEffect(() => {
    let timer = setTimeout(() => {
      const steps = advising(sheet, state, Date.now());
      const goOn = () => {
        const until = performance.now() + STRETCH_MS;
        let next = steps.next();
        while (!next.done && performance.now() < until) next = steps.next();
        if (next.done) setKnown({ of: state, advised: next.value });
        else timer = setTimeout(goOn, 0);
      };
      goOn();
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [sheet, state]);
  const value = useMemo(
    () => known && { advised: known.advised, fresh: known.of === state },
    [known, state],
  );
  return <Advice.Provider value={value}>{children}</Advice.Provider>;
}

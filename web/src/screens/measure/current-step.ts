/** Which placement is in hand: the one the address names, else the suggested next. */
import { nextStep, stepsOf, type Step } from '@jeitinho/core/job';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { useOwnWay } from '../../data/own-way';
import { useAdviceToGoBy } from '../job/advice';
import { useJob } from '../job/job-context';
import { isOver, placeNow, setOut, type Going } from './going';

export interface CurrentStep {
  readonly step: Step;
  readonly steps: readonly Step[];
  readonly goTo: (observable: string) => void;
  /** The same, with what was just refused still standing over it. */
  readonly backTo: (observable: string) => void;
  /** Suggested after the step in hand; undefined when nothing is left. */
  readonly next: Step | undefined;
  /** The next open point of the same test, if any. */
  readonly nextPoint: Step | undefined;
  readonly previous: Step | undefined;
}

/** The rest of the test in hand; then by the sheet's order, or what is worth most, as this device goes on. */
function useNext(step: Step): Step | undefined {
  const { job, sheet, state } = useJob();
  const advised = useAdviceToGoBy();
  const { way } = useOwnWay(job.id);
  const bySheet = nextStep(sheet, state, step.observable, way);
  if (!advised || bySheet?.test.id === step.test.id) return bySheet;
  return advised.stop
    ? undefined
    : advised.tests.find(({ step: first }) => first.test.id !== step.test.id)?.step;
}

export function useCurrentStep(): CurrentStep {
  const { sheet, state, dismiss } = useJob();
  const [params, setParams] = useSearchParams();
  const steps = useMemo(() => stepsOf(sheet), [sheet]);
  const address = params.get('at');
  const arrived: unknown = useLocation().state;
  const [going, setGoing] = useState<Going>();
  if (going && isOver(going, address, arrived)) setGoing(undefined);
  const named = placeNow(going, address);
  const test = params.get('test');
  // Without an address the suggestion is taken once, so that recording does not move the card away.
  const [first] = useState(() => (nextStep(sheet, state) ?? steps[0]!).observable);
  const step =
    steps.find((each) => each.observable === named) ??
    steps.find((each) => each.test.id === test && !state.current.has(each.observable)) ??
    steps.find((each) => each.test.id === test) ??
    steps.find((each) => each.observable === first) ??
    // This machine has not what was in hand.
    steps[0]!;
  const index = steps.indexOf(step);
  const next = useNext(step);
  const backTo = (observable: string) => setGoing((now) => setOut(now, address, observable));
  // The address follows once the screen stands: the verdict does not wait for it.
  const follows = useDeferredValue(going);
  useEffect(() => {
    if (follows) setParams({ at: follows.to }, { replace: true, state: follows.trip });
    // What follows changes is the address alone, and by it what setParams is.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [follows]);
  const goTo = (observable: string) => {
    dismiss();
    backTo(observable);
  };
  return {
    step,
    steps,
    goTo,
    backTo,
    next,
    nextPoint:
      next?.test.id === step.test.id && next.observable !== step.observable ? next : undefined,
    previous: steps[index - 1],
  };
}

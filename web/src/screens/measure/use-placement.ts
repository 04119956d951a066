/** The placement in hand: its limits and figure, of which thing it is, what it wants and what refuses it. */
import {
  dialRefusal,
  dutyOf,
  energyRefusal,
  licenceRefusal,
  meterProblem,
  ofPoint,
  stillAsked,
  variantRefusal,
  type Refusal,
} from '@jeitinho/core/job';
import { isSeries } from '@jeitinho/core/judge';
import { baseState, expectOf, findPoint, isMeasured, type TestPoint } from '@jeitinho/core/sheet';
import { useNow } from '../../data/now';
import { useJob } from '../job/job-context';
import type { CurrentStep } from './current-step';
import { useSpecimen } from './specimen';
import { useEnd } from './other-end';
import { useEntering } from './use-entering';
import { useReading } from './use-reading';
import { useWants } from './wants';

const NOWHERE: TestPoint = { id: '' };

export function usePlacement(current: CurrentStep) {
  const { job, sheet, state } = useJob();
  const { step } = current;
  const { test } = step;
  const measured = isMeasured(test) ? test : undefined;
  const found = findPoint(test, step.point);
  const end = useEnd(job.id, step.observable, found ?? NOWHERE);
  const point = found && end.point;
  const series =
    measured !== undefined && point !== undefined && isSeries(expectOf(measured, point));
  const figures =
    measured && point && !series
      ? { test: measured, point, ...(end.other && { or: true as const }) }
      : undefined;
  const other = useSpecimen(test.id);
  const { specimen } = other;
  const reading = useReading(series ? undefined : measured, step.point ?? '', specimen);
  const refusal = useRefusal(current, specimen !== undefined);
  const wants = useWants(step);
  const entering = useEntering(wants.find((want) => want.kind === 'state')?.state);
  const powering = useEntering(baseState(sheet));
  const now = useNow(30_000);
  const asked = measured && point && stillAsked(state, measured, point, now);
  return {
    measured,
    point,
    end,
    series,
    figures,
    other,
    reading,
    refusal,
    wants,
    entering,
    powering,
    asked,
  };
}

/** Why nothing can be measured here now: the machine’s state, the dial, the meter. */
function useRefusal({ step }: CurrentStep, elsewhere: boolean): Refusal | undefined {
  const { sheet, state } = useJob();
  const { test } = step;
  const point = findPoint(test, step.point);
  const energy =
    variantRefusal(sheet, test, point) ??
    licenceRefusal(state, test) ??
    (elsewhere ? undefined : energyRefusal(sheet, state.energy, test, point));
  if (energy || !isMeasured(test) || !point) return energy;
  const duty = dutyOf(sheet, test, point, ofPoint(state.given, test, point));
  const unfit = meterProblem(state.meters, sheet, duty);
  return (
    (elsewhere ? undefined : dialRefusal(sheet, state, test, point)) ??
    (unfit && { code: 'meter-unfit', message: unfit.message })
  );
}

/** What “Go on” leads to, in words, and why. */
import type { Advice, Advised } from '@jeitinho/core/diagnose';
import { energises, shortsOf, stepsOf, type JobState, type Step } from '@jeitinho/core/job';
import { isMeasured, placementWords, wantsOf, type Sheet } from '@jeitinho/core/sheet';
import { useGoingOn } from '../../data/going-on';
import { useAdviceToGoBy } from '../job/advice';
import { useJob } from '../job/job-context';
import { SCHOOL_WORDS } from '../job/school-words';
import type { CurrentStep } from './current-step';

interface NextWords {
  readonly title: string;
  readonly why: string;
}

/** The next placement in words, and why that one. */
export function useNextWords({ step, next }: CurrentStep): NextWords {
  const { sheet, state } = useJob();
  const advised = useAdviceToGoBy();
  const { why } = SCHOOL_WORDS[useGoingOn()];
  if (advised && next?.test.id !== step.test.id) {
    if (advised.stop)
      return {
        title: 'Measuring more is not worth it',
        why: 'it would cost more than it could save',
      };
    const advice = advised.tests.find((each) => each.step.observable === next?.observable);
    if (next && advice)
      return {
        title: `Next: ${stepWords(sheet, step, next)}`,
        why:
          pinnedWords(advised, advice) ??
          (advice.before.length > 0 ? `it feeds “${advice.test.title}”, ${why}` : why),
      };
  }
  if (!next || next.observable === step.observable)
    return next
      ? { title: 'This one first', why: 'the rest of the sheet is done or skipped' }
      : atRest(sheet, state);
  return { title: `Next: ${stepWords(sheet, step, next)}`, why: whyNext(sheet, state, step, next) };
}

const pinnedWords = ({ pinned }: Advised, { test, before }: Advice): string | undefined =>
  pinned !== test.id
    ? undefined
    : before.length > 0
      ? `it feeds “${test.title}”, which you want next`
      : 'you want it next';

/** Nothing more is suggested: all is taken, or what is left would feed a short. */
function atRest(sheet: Sheet, state: JobState): { title: string; why: string } {
  const shorts = shortsOf(sheet, state);
  const held = stepsOf(sheet).some(
    (step) =>
      !state.current.has(step.observable) &&
      !state.skipped.has(step.observable) &&
      energises(sheet, shorts, step.test),
  );
  return held
    ? {
        title: 'Live tests wait: something reads shorted',
        why: 'energising it would make it worse; decide, or mend it first',
      }
    : { title: 'Every test is taken or skipped', why: 'time to decide' };
}

function stepWords(sheet: Sheet, step: Step, next: Step): string {
  if (next.test !== step.test) return next.test.title;
  const point = isMeasured(next.test) && next.test.points.find((each) => each.id === next.point);
  return point
    ? `same test, ${placementWords(sheet, point).replace(/^./, (first) => first.toLowerCase())}`
    : next.test.title;
}

function whyNext(sheet: Sheet, state: JobState, step: Step, next: Step): string {
  if (next.test === step.test) return 'the rest of this test';
  const { energy: wanted, state: inState } = wantsOf(sheet, next.test);
  if (wanted === 'any' && (inState.energy === 'dead' || state.energy.kind === 'live'))
    return 'it can be done as the machine stands';
  const suits = wanted === 'dead' ? state.energy.kind === 'dead' : state.energy.kind === 'live';
  return suits
    ? 'the sheet’s order; the unit is in the right state'
    : wanted === 'live'
      ? 'the dead tests are done; this one needs the unit live'
      : 'this one needs the unit proven dead';
}

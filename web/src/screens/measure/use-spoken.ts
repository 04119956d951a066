/** The card in words for the ear: where the leads go, what was kept and what it means. */
import type { Step, Taken } from '@jeitinho/core/job';
import { outcomeWords, readingWords, verdictWords } from '@jeitinho/core/judge';
import { expectOf, findPoint, isMeasured, placementWords, type Sheet } from '@jeitinho/core/sheet';
import { useEffect, useRef } from 'react';
import { say } from '../../data/speech';
import { useJob } from '../job/job-context';
import { standingOf } from './standing';

export function useSpoken(step: Step): void {
  const { sheet, state } = useJob();
  const { observable } = step;
  const last = state.taken.at(-1);
  const told = useRef(last?.entry);
  useEffect(() => {
    say(stepWords(sheet, step));
    // One placement is one prompt, however often its card is drawn.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [observable]);
  useEffect(() => {
    if (!last || last.entry === told.current) return;
    told.current = last.entry;
    say(takenWords(last), true);
  }, [last]);
}

export function stepWords(sheet: Sheet, { test, point: id }: Step): string {
  if (!isMeasured(test)) return `${test.title}. ${test.asks}`;
  const point = findPoint(test, id);
  if (!point) return test.title;
  const name = test.points.length > 1 ? (point.name ?? point.id) : test.title;
  return `${name}. ${point.red === undefined ? '' : placementWords(sheet, point)}.`;
}

export function takenWords(taken: Taken): string {
  const { why, words } = standingOf(taken);
  if (why !== undefined) return `${words}. ${why}`;
  if (taken.kind === 'answer')
    return `${taken.answer}: ${taken.outcome === 'ok' ? 'good' : outcomeWords(taken.outcome)}.`;
  const { judgement, test, point } = taken;
  const figure =
    taken.kind === 'series'
      ? 'Series'
      : readingWords(taken.reading, expectOf(test, point).unit, judgement.corrected);
  return `${figure}: ${verdictWords(judgement).toLowerCase()}.`;
}

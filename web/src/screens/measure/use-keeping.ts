/** Keeping a typed figure: its slips asked about first, then on to the next placement. */
import {
  judgeTaken,
  limitsAt,
  ofPoint,
  otherSize,
  twinFigure,
  type OtherSize,
} from '@jeitinho/core/job';
import { typedReading, type Judgement } from '@jeitinho/core/judge';
import { functionOf, observableId, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useJob } from '../job/job-context';
import type { CurrentStep } from './current-step';
import type { SizeAskProps } from './size-ask';
import type { ReadingEntry } from './use-reading';

export interface Keeping {
  /** Keeps what is typed, or asks about its size. */
  readonly keep: () => Promise<void>;
  /** “7.1 kΩ or 7.1 Ω?”, while it is asked about this very text. */
  readonly sizing: SizeAskProps | undefined;
}

export interface KeepingPlace {
  readonly current: CurrentStep;
  readonly test: MeasureTest | undefined;
  readonly point: TestPoint | undefined;
  readonly reading: ReadingEntry;
  /** A figure taken now would mean nothing. */
  readonly spoiled: boolean;
  readonly onKept: () => void;
}

export function useKeeping({
  current,
  test,
  point,
  reading,
  spoiled,
  onKept,
}: KeepingPlace): Keeping {
  const { sheet, state } = useJob();
  const [asking, setAsking] = useState<{ text: string; other: OtherSize }>();
  const { step, nextPoint, goTo, backTo } = current;
  const { parsed } = reading;

  /** What the figure would be called, before it is kept. */
  const foreseen = (value: number | undefined): Judgement | undefined => {
    const typed = typedReading(parsed);
    if (!test || !point || !typed) return;
    const figure = value !== undefined && typed.kind === 'value' ? { ...typed, value } : typed;
    const { meters, lead, given } = state;
    const twin = twinFigure(state, observableId(test, point.id));
    return judgeTaken(sheet, test, point, figure, {
      meters,
      lead,
      given: ofPoint(given, test, point),
      twin,
    });
  };

  /** @param value - Settled by an answer about its size; undefined while nobody was asked. */
  const keepAs = async (value?: number) => {
    if (!reading.ready) return;
    const limits = test && point && limitsAt(sheet, state, test, point);
    const other =
      limits && value === undefined && parsed.kind === 'value'
        ? otherSize(limits, parsed.value, functionOf(test, point))
        : undefined;
    if (other) return setAsking({ text: reading.text, other });
    setAsking(undefined);
    onKept();
    // An absence is asked about on the spot, and so is what means nothing; any other finding is told while
    // the probes move on.
    const stays = spoiled || foreseen(value)?.contactOwed === true;
    const kept = reading.keep(value);
    // The next placement at once; back here, with what was typed, should the rules refuse it.
    // By its own name, for an address that names the test only leads to the next open point.
    goTo(nextPoint && !stays ? nextPoint.observable : step.observable);
    if (!(await kept)) backTo(step.observable);
  };

  const asked = asking?.text === reading.text && parsed.kind === 'value' ? asking : undefined;
  return {
    keep: async () => {
      // Enter alone decides nothing while a size is asked about.
      if (!asked) await keepAs();
    },
    sizing:
      asked && parsed.kind === 'value'
        ? {
            typed: parsed.echo,
            other: asked.other,
            onTyped: () => void keepAs(parsed.value),
            onOther: () => void keepAs(asked.other.value),
          }
        : undefined,
  };
}
